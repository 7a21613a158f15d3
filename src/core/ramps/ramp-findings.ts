import { error, warning, type OwnRule } from '../checks/rules';

declare module '../checks/rules' {
  interface RulesOfKinds {
    'ramp.limits': true;
    'ramp.level': true;
  }
}

/** A ramp is steeper, or a flight of it longer or higher, than its rule set allows; a ramp climbs nothing. */
export const LIMITS: OwnRule = { name: 'ramp.limits', ...error('ramps and sloped floors', 'stairs') };
export const LEVEL: OwnRule = { name: 'ramp.level', ...warning('ramps and sloped floors', 'stairs') };
