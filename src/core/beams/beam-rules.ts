import { error, warning, type OwnRule } from '../checks/rules';

declare module '../checks/rules' {
  interface RulesOfKinds {
    'beam.free': true;
    'beam.noSlab': true;
    'beam.low': true;
  }
}

/** An end rests on nothing; a beam hangs under no slab; too little is clear under it. */
export const FREE: OwnRule = { name: 'beam.free', ...error('beams', 'floors') };
export const NO_SLAB: OwnRule = { name: 'beam.noSlab', ...warning('beams', 'floors') };
export const LOW: OwnRule = { name: 'beam.low', ...warning('clear heights', 'floors') };
