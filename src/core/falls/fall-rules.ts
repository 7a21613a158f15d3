import { error, warning, type OwnRule } from '../checks/rules';

declare module '../checks/rules' {
  interface RulesOfKinds {
    'falls.unsolved': true;
    'falls.none': true;
    'falls.noWayOut': true;
    'falls.astray': true;
    'falls.lowUpstand': true;
  }
}

/** A flat roof within a parapet is laid to no falls. */
export const NONE: OwnRule = { name: 'falls.none', ...warning('flat roofs and their falls', 'floors') };
/** It cannot be worked out; water has no way out; an outlet lies beside it; what stands beside it is not high enough over it. */
export const UNSOLVED: OwnRule = { name: 'falls.unsolved', ...error('flat roofs and their falls', 'floors') };
export const NO_WAY_OUT: OwnRule = { name: 'falls.noWayOut', ...error('flat roofs and their falls', 'floors') };
export const ASTRAY: OwnRule = { name: 'falls.astray', ...warning('flat roofs and their falls', 'floors') };
export const LOW_UPSTAND: OwnRule = { name: 'falls.lowUpstand', ...warning('flat roofs and their falls', 'floors') };
