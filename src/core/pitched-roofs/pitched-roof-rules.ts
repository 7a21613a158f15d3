import { error, type OwnRule } from '../checks/rules';

declare module '../checks/rules' {
  interface RulesOfKinds {
    'pitchedRoof.unsolved': true;
  }
}

/** It cannot be worked out. */
export const UNSOLVED: OwnRule = { name: 'pitchedRoof.unsolved', ...error('roofs', 'floors') };
