import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';
import type { Table } from './table';

const metres = (mm: number): number => Math.round(mm * 1e6) / 1e9;

/** The levels of a building from the top down, under headings that {@link readLevelTable} understands. */
export function levelSchedule(solved: Solved, building: Id): Table {
  const levels = solved.levels.filter((level) => level.building === building).reverse();
  return {
    title: `Levels ${solved.buildings.find(({ id }) => id === building)?.name ?? ''}`.trim(),
    columns: [
      { heading: 'Level', isNumber: false },
      { heading: 'Title', isNumber: false },
      { heading: 'Kind', isNumber: false },
      { heading: 'FFL (m)', isNumber: true },
      { heading: 'Floor to floor (mm)', isNumber: true },
      { heading: 'Build-up (mm)', isNumber: true },
      { heading: 'SSL (m)', isNumber: true },
    ],
    rows: levels.map(({ name, title, levelKind, fflMm, sslMm, storeyHeightMm }) => [
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
