import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';
import type { Table } from './table';

const metres = (mm: number): number => Math.round(mm * 1e6) / 1e9;

/**
 * The levels of a building from the top down, under headings that {@link readLevelTable} understands; without one those of all
 * buildings, one after the other, each with the building it is of.
 */
export function levelSchedule(solved: Solved, building: Id | null): Table {
  const shown = solved.buildings.filter(({ id }) => building === null || id === building);
  const levels = shown.flatMap((of) => solved.levels.filter((level) => level.building === of.id).reverse());
  const names = new Map(shown.map(({ id, name }) => [id, name]));
  const isOfOne = building !== null;
  return {
    title: `Levels ${isOfOne ? (names.get(building) ?? '') : ''}`.trim(),
    columns: [
      ...(isOfOne ? [] : [{ heading: 'Building', isNumber: false }]),
      { heading: 'Level', isNumber: false },
      { heading: 'Title', isNumber: false },
      { heading: 'Kind', isNumber: false },
      { heading: 'FFL (m)', isNumber: true },
      { heading: 'Floor to floor (mm)', isNumber: true },
      { heading: 'Build-up (mm)', isNumber: true },
      { heading: 'SSL (m)', isNumber: true },
    ],
    rows: levels.map(({ building: of, name, title, levelKind, fflMm, sslMm, storeyHeightMm }) => [
      ...(isOfOne ? [] : [names.get(of)!]),
      name,
      title,
      levelKind,
      metres(fflMm),
      storeyHeightMm,
      Math.round((fflMm - sslMm) * 1e6) / 1e6,
      metres(sslMm),
    ]),
  };
}
