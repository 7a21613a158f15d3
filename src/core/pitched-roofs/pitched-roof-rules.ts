import { error, warning, type OwnRule } from '../checks/rules';

declare module '../checks/rules' {
  interface RulesOfKinds {
    'pitchedRoof.unsolved': true;
    'pitchedRoof.wallThrough': true;
    'pitchedRoof.wallShort': true;
    'pitchedRoof.lowAttic': true;
    'pitchedRoof.bareEdge': true;
  }
}

/** One cannot stand in the storey under it; it has neither an overhang nor a wall that goes up beside it. */
export const LOW_ATTIC: OwnRule = { name: 'pitchedRoof.lowAttic', ...warning('roofs', 'levels') };
export const BARE_EDGE: OwnRule = { name: 'pitchedRoof.bareEdge', ...warning('roofs', 'floors') };
/** It cannot be worked out; a wall goes up through it; an exterior wall under it leaves a gap. */
export const UNSOLVED: OwnRule = { name: 'pitchedRoof.unsolved', ...error('roofs', 'floors') };
export const WALL_THROUGH: OwnRule = { name: 'pitchedRoof.wallThrough', ...error('roofs', 'walls') };
export const WALL_SHORT: OwnRule = { name: 'pitchedRoof.wallShort', ...warning('roofs', 'walls') };
