import { z } from 'zod';
import { buildingSchema, projectSchema } from '../buildings/building';
import { ceilingSchema } from '../ceilings/ceiling';
import { columnStackSchema } from '../columns/column';
import { coreSchema } from '../cores/core';
import { dimensionReferences, dimensionSchema } from '../dimensions/dimension';
import { floorPlateSchema } from '../floors/floor';
import { foundationSchema } from '../foundations/foundation';
import { gridLineSchema, gridSystemSchema } from '../grids/grid';
import { bayPresetSchema } from '../grids/preset';
import { levelSchema } from '../levels/level';
import { outlineReferences, type Outline } from '../outlines/outline';
import { roofSchema } from '../roofs/roof';
import { settingOutLineSchema } from '../setting-out/setting-out-line';
import { boundaryLineSchema, roomSchema } from '../rooms/room';
import { shaftSchema } from '../shafts/shaft';
import { stairSchema } from '../stairs/stair';
import { typicalSchema } from '../typical/typical';
import { underlaySchema } from '../underlays/underlay';
import { clearWidthSchema } from '../walls/clear-width';
import { wallSchema } from '../walls/wall';
import { wallTypeSchema } from '../walls/wall-type';
import { namedViewSchema } from '../views/named-view';
import { viewMarkSchema } from '../views/view-mark';
import { endReferences, placeReferences, type Reference } from './fields';

/**
 * Every kind of record, told apart by `kind`. Records are checked against it and kept as they are, so fields a
 * newer writer added survive.
 */
export const recordSchema = z.discriminatedUnion('kind', [
  projectSchema,
  buildingSchema,
  levelSchema,
  gridSystemSchema,
  gridLineSchema,
  settingOutLineSchema,
  columnStackSchema,
  floorPlateSchema,
  shaftSchema,
  stairSchema,
  dimensionSchema,
  viewMarkSchema,
  bayPresetSchema,
  underlaySchema,
  wallTypeSchema,
  wallSchema,
  roomSchema,
  boundaryLineSchema,
  foundationSchema,
  coreSchema,
  typicalSchema,
  clearWidthSchema,
  roofSchema,
  namedViewSchema,
  ceilingSchema,
]);
export type Rec = z.infer<typeof recordSchema>;
export type Kind = Rec['kind'];
export type RecordOf<K extends Kind> = Extract<Rec, { kind: K }>;

/** Every reference a record holds, each with what happens when its target goes. */
export function referencesOf(record: Rec): Reference[] {
  const held = ownReferences(record);
  return [...held, ...dimensionReferences(record)];
}

function ownReferences(record: Rec): Reference[] {
  const building = (id: string): Reference => ({ id, path: 'building', whenGone: 'refuse' });
  switch (record.kind) {
    case 'project':
    case 'building':
    case 'dimension':
    case 'bayPreset':
    case 'wallType':
      return [];
    case 'room':
    case 'boundaryLine':
      return [
        building(record.building),
        { id: record.level, path: 'level', whenGone: 'follow' },
        ...placeReferences(record.place, 'place'),
      ];
    case 'wall':
      return [
        building(record.building),
        { id: record.type, path: 'type', whenGone: 'refuse' },
        ...placeReferences(record.place, 'place'),
        ...spanReferences(record),
        ...levelUses('exceptions', record.exceptions),
        ...record.exceptions.flatMap(({ type }): Reference[] =>
          type ? [{ id: type, path: 'exceptions', whenGone: 'refuse' }] : [],
        ),
        ...(record.sharedWith ? [{ id: record.sharedWith, path: 'sharedWith', whenGone: 'detach' as const }] : []),
        ...record.openings.flatMap(({ at }) =>
          at === 'all'
            ? []
            : levelUses(
                'openings',
                at.map((level) => ({ level })),
              ),
        ),
      ];
    case 'level':
      return [
        building(record.building),
        ...fromReference(record.from),
        ...(record.extent ? outlineReferences(record.extent, 'extent') : []),
      ];
    case 'gridSystem':
      return [building(record.building), ...levelRange(record)];
    case 'gridLine':
      return [
        { id: record.system, path: 'system', whenGone: 'follow' },
        ...fromReference(record.from),
        ...levelRange(record),
        ...(record.jointOf ? [{ id: record.jointOf, path: 'jointOf', whenGone: 'detach' as const }] : []),
      ];
    case 'underlay':
      return [
        building(record.building),
        ...(record.level ? [{ id: record.level, path: 'level', whenGone: 'detach' as const }] : []),
      ];
    case 'viewMark':
      return [building(record.building), { id: record.of, path: 'of', whenGone: 'follow' }];
    case 'settingOutLine':
      return [
        building(record.building),
        { id: record.source, path: 'source', whenGone: 'refuse' },
        ...levelRange(record),
      ];
    case 'columnStack':
      return [
        building(record.building),
        ...placeReferences(record.place, 'place'),
        ...spanReferences(record),
        ...record.holds.map(({ line }): Reference => ({ id: line, path: 'holds', whenGone: 'detach' })),
        ...levelUses('exceptions', record.exceptions),
        ...levelUses('carriedBy', record.carriedBy),
        ...(record.blocksAt === 'allButTop'
          ? []
          : levelUses(
              'blocksAt',
              record.blocksAt.map((level) => ({ level })),
            )),
      ];
    case 'floorPlate':
      return [
        building(record.building),
        ...outlineReferences(record.outline, 'outline'),
        ...extentReferences(record.levels),
        ...exceptionReferences(record.exceptions),
        ...record.zones.flatMap(({ outline, levels }) => [
          ...outlineReferences(outline, 'zones'),
          ...(levels === 'all'
            ? []
            : levelUses(
                'zones',
                levels.map((level) => ({ level })),
              )),
        ]),
      ];
    case 'ceiling':
      return [
        building(record.building),
        ...(record.outline ? outlineReferences(record.outline, 'outline') : []),
        ...record.rooms.map((id): Reference => ({ id, path: 'rooms', whenGone: 'detach' })),
        ...extentReferences(record.levels),
        ...levelUses('exceptions', record.exceptions),
      ];
    case 'shaft':
      return [
        building(record.building),
        ...outlineReferences(record.outline, 'outline'),
        ...spanReferences(record),
        ...exceptionReferences(record.exceptions),
      ];
    case 'foundation':
      return [
        building(record.building),
        ...endReferences(record.top, 'top'),
        ...(record.outline ? outlineReferences(record.outline, 'outline') : []),
        ...record.under.map((id): Reference => ({ id, path: 'under', whenGone: 'detach' })),
      ];
    case 'namedView':
      return [
        building(record.building),
        ...[record.level, record.part.lowest, record.part.topmost].flatMap((id) =>
          id ? [{ id, path: 'level', whenGone: 'detach' as const }] : [],
        ),
      ];
    case 'roof':
      return [
        building(record.building),
        { id: record.level, path: 'level', whenGone: 'refuse' },
        ...record.walls.map((id): Reference => ({ id, path: 'walls', whenGone: 'refuse' })),
        ...(record.parapet ? [{ id: record.parapet.type, path: 'parapet', whenGone: 'refuse' as const }] : []),
      ];
    case 'clearWidth':
      return [
        building(record.building),
        ...record.walls.map((id): Reference => ({ id, path: 'walls', whenGone: 'follow' })),
      ];
    case 'typical':
      return [
        building(record.building),
        { id: record.master, path: 'master', whenGone: 'refuse' },
        ...record.levels.map((id): Reference => ({ id, path: 'levels', whenGone: 'detach' })),
      ];
    case 'core':
      return [
        building(record.building),
        ...record.members.map((id): Reference => ({ id, path: 'members', whenGone: 'detach' })),
      ];
    case 'stair':
      return [building(record.building), ...outlineReferences(record.well, 'well'), ...spanReferences(record)];
  }
}

const levelRange = (record: { fromLevel: string | null; toLevel: string | null }): Reference[] =>
  (['fromLevel', 'toLevel'] as const).flatMap((path) => {
    const id = record[path];
    return id === null ? [] : [{ id, path, whenGone: 'detach' as const }];
  });

const levelUses = (path: string, uses: readonly { level: string }[]): Reference[] =>
  uses.map(({ level }) => ({ id: level, path, whenGone: 'detach' }));

const fromReference = (from: string | null): Reference[] =>
  from ? [{ id: from, path: 'from', whenGone: 'refuse' }] : [];

/** Exceptions with an outline of their own. */
const exceptionReferences = (
  exceptions: readonly { level: string; outline: Outline | null; voids?: readonly Outline[] }[],
): Reference[] => [
  ...levelUses('exceptions', exceptions),
  ...exceptions.flatMap(({ outline, voids = [] }) =>
    [...(outline ? [outline] : []), ...voids].flatMap((each) => outlineReferences(each, 'exceptions')),
  ),
];

const spanReferences = (record: Pick<RecordOf<'shaft'>, 'startsAt' | 'stopsAt'>): Reference[] => [
  ...endReferences(record.startsAt, 'startsAt'),
  ...endReferences(record.stopsAt, 'stopsAt'),
];

function extentReferences(levels: RecordOf<'floorPlate'>['levels']): Reference[] {
  const ids = 'range' in levels ? levels.range : levels.at;
  return ids.map((id) => ({ id, path: 'levels', whenGone: 'refuse' }));
}

/** What a person calls a record of a kind. */
export const KIND_WORDS: Record<Kind, string> = {
  project: 'project',
  building: 'building',
  level: 'level',
  gridSystem: 'grid',
  gridLine: 'grid line',
  settingOutLine: 'setting-out line',
  columnStack: 'column stack',
  floorPlate: 'floor plate',
  shaft: 'shaft',
  stair: 'stair',
  dimension: 'named dimension',
  viewMark: 'mark in a view',
  bayPreset: 'preset of bays',
  underlay: 'underlay',
  wallType: 'wall type',
  wall: 'wall',
  room: 'room',
  boundaryLine: 'boundary line',
  foundation: 'foundation',
  core: 'core',
  roof: 'roof',
  namedView: 'kept view',
  clearWidth: 'held clear width',
  typical: 'group of typical floors',
  ceiling: 'ceiling',
};

/** A record in words, for messages: `level 02`, `shaft S1`. */
export function called(record: Rec): string {
  const own = 'name' in record && record.name ? ` ${record.name}` : '';
  return `${KIND_WORDS[record.kind]}${own}`;
}
