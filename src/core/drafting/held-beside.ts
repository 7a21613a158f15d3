import type { Sent } from '../commands/command-inputs';
import { mmOf } from '../dimensions/resolve-length';
import { lengthAsTyped } from '../dimensions/uses';
import { leftDistance } from '../geometry/curve';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { acting } from '../setting-out/acting';
import type { Beside } from './beside';

/**
 * What holds a thing at a distance from what stands next to it: a column from a line, a wall at a clear width from another wall. Null
 * where nothing does.
 */
export function heldBeside(framework: Framework, id: Id, { met }: Beside, mm: number): Sent | null {
  const record = framework.records.get(id);
  const other = framework.records.get(met.of);
  if (record?.kind === 'wall' && other?.kind === 'wall')
    return { command: 'walls.holdClear', input: { walls: [other.id, id], widthMm: mm } };
  if (record?.kind !== 'columnStack' || met.line === null || met.curve.kind !== 'segment') return null;
  const isLeft = leftDistance(met.curve, acting(framework, record).at) > 0;
  // The other line it is held to stays, where there is one.
  const others = record.holds.filter(({ line }) => line !== met.of).slice(0, 1);
  const hold = { line: met.of, face: isLeft ? ('left' as const) : ('right' as const), offsetMm: isLeft ? mm : -mm };
  const flush = [
    ...others.map(({ line, body, offsetMm }) => ({
      line,
      face: body,
      offsetMm: lengthAsTyped(framework, offsetMm) ?? mmOf(framework, offsetMm),
    })),
    hold,
  ];
  return { command: 'columns.change', input: { columns: [id], flush } };
}
