import { error, warning, type OwnRule } from '../checks/rules';

declare module '../checks/rules' {
  interface RulesOfKinds {
    'guard.drop': true;
    'guard.low': true;
    'guard.gap': true;
    'guard.short': true;
    'guard.nothing': true;
  }
}

/** A drop has no guard; one is too low, or a handrail at the wrong height; a gap is too wide; a handrail stops short; one runs along nothing. */
export const DROP: OwnRule = { name: 'guard.drop', ...warning('guards and handrails', 'stairs') };
export const LOW: OwnRule = { name: 'guard.low', ...error('guards and handrails', 'stairs') };
export const GAP: OwnRule = { name: 'guard.gap', ...error('guards and handrails', 'stairs') };
export const SHORT: OwnRule = { name: 'guard.short', ...warning('guards and handrails', 'stairs') };
export const NOTHING: OwnRule = { name: 'guard.nothing', ...warning('guards and handrails', 'stairs') };
