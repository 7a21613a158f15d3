import type { Sent } from '../commands/command-inputs';
import { walkOfKind } from '../kinds/records';
import type { Framework } from '../model/framework';
import type { End } from '../model/fields';
import type { Id } from '../model/ids';
import type { Rec } from '../model/kinds';
import type { Solved } from '../solving/solved';
import { quantiseMm } from '../units/length-units';

export type Side = 'start' | 'stop';

/** Where an end of something is taken to, with words: `soffit of 04`, `350 over SSL of 03`. */
export interface EndSnap {
  /** In the building's own heights. */
  zMm: number;
  words: string;
  sent: Sent;
}

/** How heights are told, and how many millimetres free ones come in. */
export interface Writing {
  stepMm: number;
  write: (mm: number) => string;
}

type Standing = Extract<Rec, { startsAt: End; stopsAt: End }>;

const isStanding = (record: Rec): record is Standing => 'startsAt' in record && 'stopsAt' in record;
const isServing = (record: Rec): boolean => 'levels' in record && !Array.isArray(record.levels);

/** Whether the ends of something can be dragged up and down: it stands between two levels, or serves a range of them. */
export const hasEnds = (record: Rec): boolean => isStanding(record) || isServing(record);

/** Whether it goes from floor to floor, whatever their heights. */
function isFromFloorToFloor(record: Rec): boolean {
  let found = false;
  walkOfKind(record.kind)?.see(record, (mark) => {
    if (mark.is === 'end' && mark.floors) found = true;
  });
  return found;
}

interface Candidate {
  level: Id;
  face: End['face'];
  zMm: number;
  words: string;
}

/** Faces of levels an end may stand on: floors, structural floors, and for tops the undersides of slabs. */
function faces(solved: Solved, building: Id, side: Side, floorsOnly: boolean): Candidate[] {
  return solved.levels
    .filter((level) => level.building === building && level.bounding)
    .flatMap(({ id, name, fflMm, sslMm }): Candidate[] => {
      const onFloor: Candidate = { level: id, face: 'FFL', zMm: fflMm, words: `FFL of ${name}` };
      if (floorsOnly) return [onFloor];
      const soffits = solved.floors.filter((floor) => floor.level === id && floor.building === building && !floor.zone);
      const soffit =
        side === 'stop' && soffits.length > 0
          ? Math.max(...soffits.map(({ topMm, thicknessMm }) => topMm - thicknessMm))
          : null;
      return [
        onFloor,
        { level: id, face: 'SSL', zMm: sslMm, words: `SSL of ${name}` },
        ...(soffit === null ? [] : [{ level: id, face: 'soffit' as const, zMm: soffit, words: `soffit of ${name}` }]),
      ];
    });
}

/** The sill of an opening dragged to a height, in steps over the floor of its storey. Null where it cannot go there. */
export function sillAt(
  framework: Framework,
  solved: Solved,
  opening: { id: Id; level: Id },
  zMm: number,
  { stepMm, write }: Writing,
): EndSnap | null {
  const floor = solved.levels.find(({ id }) => id === opening.level);
  const wall = [...framework.records.values()].find(
    (record) => record.kind === 'wall' && record.openings.some(({ id }) => id === opening.id),
  );
  if (!floor || !wall) return null;
  const sillMm = Math.max(0, quantiseMm(Math.round((zMm - floor.fflMm) / stepMm) * stepMm));
  return {
    zMm: floor.fflMm + sillMm,
    words: `sill ${write(sillMm)} over FFL of ${floor.name}`,
    sent: { command: 'walls.changeOpening', input: { wall: wall.id, opening: opening.id, sillMm } },
  };
}

/** Where an end dragged to a height goes: a face of a level within reach, else so far over its next level below. Null: nowhere. */
export function endAt(
  framework: Framework,
  solved: Solved,
  id: Id,
  side: Side,
  zMm: number,
  reachMm: number,
  { stepMm, write }: Writing,
): EndSnap | null {
  const record = framework.records.get(id);
  if (!record || !hasEnds(record) || !('building' in record)) return null;
  const floorsOnly = !isStanding(record) || isFromFloorToFloor(record);
  const all = faces(solved, record.building, side, floorsOnly).sort(
    (a, b) => Math.abs(a.zMm - zMm) - Math.abs(b.zMm - zMm),
  );
  const [near] = all;
  if (!near) return null;
  if (!isStanding(record)) {
    const end = side === 'start' ? { lowest: near.level } : { topmost: near.level };
    return { zMm: near.zMm, words: near.words, sent: { command: 'carry.to', input: { ids: [id], ...end } } };
  }
  const sent = (end: { level: Id; face: End['face']; offsetMm: number }): Sent => ({
    command: 'elements.setEnd',
    input: { id, side, end },
  });
  if (floorsOnly || Math.abs(near.zMm - zMm) <= reachMm)
    return { zMm: near.zMm, words: near.words, sent: sent({ level: near.level, face: near.face, offsetMm: 0 }) };
  const floors = all.filter(({ face }) => face === 'SSL').sort((a, b) => a.zMm - b.zMm);
  const base = floors.findLast((each) => each.zMm <= zMm) ?? floors[0]!;
  const offsetMm = quantiseMm(Math.round((zMm - base.zMm) / stepMm) * stepMm);
  return {
    zMm: base.zMm + offsetMm,
    words: `${write(Math.abs(offsetMm))} ${offsetMm < 0 ? 'under' : 'over'} ${base.words}`,
    sent: sent({ level: base.level, face: 'SSL', offsetMm }),
  };
}
