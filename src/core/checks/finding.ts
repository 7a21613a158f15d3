import type { Id } from '../model/ids';
import type { Json } from '../model/json';

export type Severity = 'error' | 'warning';

export type Rule =
  | 'grid.duplicateLabel'
  | 'grid.closeLines'
  | 'grid.nearlyTrue'
  | 'column.transfer'
  | 'column.outOfPlumb'
  | 'column.largerAbove'
  | 'column.insideShaft'
  | 'column.insideStair'
  | 'column.inOpening'
  | 'column.overVoid'
  | 'column.standsOnNothing'
  | 'column.stopsShort'
  | 'column.offCrossing'
  | 'column.outsideSlab'
  | 'column.nothing'
  | 'shaft.missesSlab'
  | 'shaft.overlapsShaft'
  | 'shaft.inWall'
  | 'shaft.notEnclosed'
  | 'shaft.jumps'
  | 'level.closerThanSlab'
  | 'level.sslAboveFfl'
  | 'level.noSlab'
  | 'floor.holeOverEdge'
  | 'floor.gapToWall'
  | 'floor.zoneOff'
  | 'floor.barsWall'
  | 'level.lowClear'
  | 'level.noFoundation'
  | 'stair.well'
  | 'stair.unsolved'
  | 'stair.headroom'
  | 'stair.offSlab'
  | 'storey.noStair'
  | 'room.open'
  | 'room.twice'
  | 'wall.onNothing'
  | 'wall.topShort'
  | 'wall.loopGap'
  | 'wall.clearWidth'
  | 'wall.throughCeiling'
  | 'ceiling.nowhere'
  | 'ceiling.inSlab'
  | 'ceiling.inZones'
  | 'ceiling.low'
  | 'ceiling.twice'
  | 'ceiling.coversOpening'
  | 'roof.bareEdge'
  | 'wall.opening'
  | 'outline.unsound'
  | 'span.upsideDown'
  | 'solve.failed';

/** A command that makes a rule hold again, with what it does in words. */
export interface Fix {
  words: string;
  command: string;
  input: Json;
}

/** One place where a rule does not hold. */
export interface Finding {
  /** Rule, sorted ids and level: what makes it the same finding after an edit elsewhere. */
  key: string;
  rule: Rule;
  severity: Severity;
  building: Id;
  level: Id | null;
  /** Records it is about. */
  about: Id[];
  message: string;
  /** What would make it hold; the least change first. */
  fixes: Fix[];
}

export function finding(
  rule: Rule,
  severity: Severity,
  building: Id,
  level: Id | null,
  about: readonly Id[],
  message: string,
  fixes: Fix[] = [],
): Finding {
  const ids = [...about].sort();
  return {
    key: `${rule}|${ids.join(',')}|${level ?? ''}`,
    rule,
    severity,
    building,
    level,
    about: ids,
    message,
    fixes,
  };
}
