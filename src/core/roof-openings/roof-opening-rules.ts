import { error, type OwnRule } from '../checks/rules';

declare module '../checks/rules' {
  interface RulesOfKinds {
    'roofOpening.unsolved': true;
  }
}

/** It lies in no face, or not within it. */
export const UNSOLVED: OwnRule = { name: 'roofOpening.unsolved', ...error('roofs', 'floors') };
