import { error, warning, type OwnRule } from '../checks/rules';

declare module '../checks/rules' {
  interface RulesOfKinds {
    'slopedFloor.unsound': true;
    'slopedFloor.steep': true;
    'slopedFloor.crossfall': true;
    'slopedFloor.step': true;
  }
}

/** Its outline is none; it is too steep along the way one goes, or across; it meets a floor with a step or a gap. */
export const UNSOUND: OwnRule = { name: 'slopedFloor.unsound', ...error('ramps and sloped floors', 'stairs') };
export const STEEP: OwnRule = { name: 'slopedFloor.steep', ...error('ramps and sloped floors', 'stairs') };
export const CROSSFALL: OwnRule = { name: 'slopedFloor.crossfall', ...warning('ramps and sloped floors', 'stairs') };
export const STEP: OwnRule = { name: 'slopedFloor.step', ...warning('ramps and sloped floors', 'stairs') };
