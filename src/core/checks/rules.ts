import type { Step } from '../kinds/steps';

export type Severity = 'error' | 'warning';

/** What is known of a rule wherever a finding of it is said. */
export interface RuleDef {
  /** Usually; a finding may say otherwise. */
  severity: Severity;
  /** What is looked at, as in "Checked: …". */
  checked: string;
  /** The step it counts to; null: that of the thing it is about. */
  step: Step | null;
}

export const error = (checked: string, step: Step | null): RuleDef => ({ severity: 'error', checked, step });
export const warning = (checked: string, step: Step | null): RuleDef => ({ severity: 'warning', checked, step });

/** Every rule there is. */
export const RULES = {
  'level.closerThanSlab': error('levels', 'levels'),
  'level.noSlab': warning('levels', 'levels'),
  'level.lowClear': error('clear heights', 'levels'),
  'grid.duplicateLabel': error('grids', 'grids'),
  'grid.closeLines': warning('grids', 'grids'),
  'grid.nearlyTrue': warning('grids', 'grids'),
  'column.transfer': error('columns', 'columns'),
  'column.outOfPlumb': warning('columns', 'columns'),
  'column.largerAbove': warning('columns', 'columns'),
  'column.insideShaft': error('columns', 'columns'),
  'column.insideStair': error('columns', 'columns'),
  'column.inOpening': error('columns', 'columns'),
  'column.overVoid': error('columns', 'columns'),
  'column.standsOnNothing': error('columns', 'columns'),
  'column.stopsShort': error('columns', 'columns'),
  'column.offCrossing': warning('columns', 'columns'),
  'column.outsideSlab': warning('columns', 'columns'),
  'column.nothing': error('columns', 'columns'),
  'shaft.missesSlab': error('shafts', 'shafts'),
  'shaft.overlapsShaft': error('shafts', 'shafts'),
  'shaft.inWall': error('shafts', 'shafts'),
  'shaft.notEnclosed': warning('shafts', 'shafts'),
  'shaft.jumps': warning('shafts', 'shafts'),
  'lift.pit': error('lifts', 'shafts'),
  'lift.overrun': error('lifts', 'shafts'),
  'lift.noSlab': error('lifts', 'shafts'),
  'lift.noDoor': error('lifts', 'shafts'),
  'stair.well': error('stairs and their headroom', 'stairs'),
  'stair.unsolved': error('stairs and their headroom', 'stairs'),
  'stair.limits': warning('stairs and their headroom', 'stairs'),
  'stair.choiceGone': warning('stairs and their headroom', 'stairs'),
  'stair.headroom': error('stairs and their headroom', 'stairs'),
  'stair.offSlab': error('stairs and their headroom', 'stairs'),
  'storey.noStair': warning('storeys without a stair', 'stairs'),
  'stair.shortOfExit': warning('where stairs lead', 'stairs'),
  'escape.travel': warning('ways out', 'stairs'),
  'escape.deadEnd': warning('ways out', 'stairs'),
  'floor.holeOverEdge': warning('floors', 'floors'),
  'floor.gapToWall': warning('floors', 'floors'),
  'floor.zoneOff': warning('floors', 'floors'),
  'floor.zoneFree': warning('floors', 'floors'),
  'floor.free': warning('floors', 'floors'),
  'floor.nothingLeft': error('floors', 'floors'),
  'floor.barsWall': warning('floors', 'floors'),
  'roof.bareEdge': warning('roofs', 'floors'),
  'level.noFoundation': warning('foundations', 'floors'),
  'foundation.inRaft': warning('foundations', 'floors'),
  'wall.onNothing': error('walls', 'walls'),
  'wall.partlyOnNothing': error('walls', 'walls'),
  'wall.topShort': warning('walls', 'walls'),
  'wall.within': error('walls', 'walls'),
  'wall.loopGap': warning('walls', 'walls'),
  'wall.throughCeiling': warning('walls', 'walls'),
  'wall.clearWidth': error('clear widths', 'walls'),
  'wall.opening': error('openings in walls', 'walls'),
  'room.open': warning('rooms', 'walls'),
  'room.twice': warning('rooms', 'walls'),
  'ceiling.nowhere': warning('ceilings', 'walls'),
  'ceiling.inSlab': error('ceilings', 'walls'),
  'ceiling.inZones': warning('ceilings', 'walls'),
  'ceiling.low': warning('ceilings', 'walls'),
  'ceiling.twice': warning('ceilings', 'walls'),
  'ceiling.coversOpening': warning('ceilings', 'walls'),
  'space.shared': error('what is in the same space', null),
  'outline.unsound': error('outlines', null),
  'span.upsideDown': error('where things start and stop', null),
  'solve.failed': error('whether everything can be worked out', null),
} as const satisfies Record<string, RuleDef>;
/** Rules that a kind brings itself, in its definition: their names are added here where they are defined. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface RulesOfKinds {}

export type Rule = keyof typeof RULES | keyof RulesOfKinds;

/** A rule with its name, as a kind brings it. */
export interface OwnRule extends RuleDef {
  name: keyof RulesOfKinds;
}
