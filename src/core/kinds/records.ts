import { z } from 'zod';
import { projectRecords, buildingRecords } from '../buildings/building';
import { beamRecords } from '../beams/beam';
import { guardRecords } from '../guards/guard';
import { rampRecords } from '../ramps/ramp';
import { fallLayerRecords } from '../falls/fall-layer';
import { roofOpeningRecords } from '../roof-openings/roof-opening';
import { pitchedRoofRecords } from '../pitched-roofs/pitched-roof';
import { slopedFloorRecords } from '../sloped-floors/sloped-floor';
import { ceilingRecords } from '../ceilings/ceiling';
import { columnRecords } from '../columns/column';
import { coreRecords } from '../cores/core';
import { dimensionRecords } from '../dimensions/dimension';
import { floorRecords } from '../floors/floor';
import { foundationRecords } from '../foundations/foundation';
import { gridRecords, gridLineRecords } from '../grids/grid';
import { presetRecords } from '../grids/preset';
import { levelRecords } from '../levels/level';
import { roofRecords } from '../roofs/roof';
import { roomRecords, boundaryLineRecords } from '../rooms/room';
import { settingOutRecords } from '../setting-out/setting-out-line';
import { shaftRecords } from '../shafts/shaft';
import { stairRecords } from '../stairs/stair';
import { ruleSetRecords } from '../rule-sets/rule-set';
import { typicalRecords } from '../typical/typical';
import { underlayRecords } from '../underlays/underlay';
import { namedViewRecords } from '../views/named-view';
import { viewMarkRecords } from '../views/view-mark';
import { clearWidthRecords } from '../walls/clear-width';
import { wallRecords } from '../walls/wall';
import { wallTypeRecords } from '../walls/wall-type';
import type { Id } from '../model/ids';
import type { Kind, Rec } from '../model/kinds';
import { dimensionsUsed, type Length } from '../units/parse-length';
import type { RecordKind } from './record-kind';
import { walkOf, type Walk } from './walk';

/** Every kind of record. A new one is added here and in its own folder. */
export const RECORD_KINDS = [
  projectRecords,
  buildingRecords,
  levelRecords,
  gridRecords,
  gridLineRecords,
  settingOutRecords,
  columnRecords,
  floorRecords,
  shaftRecords,
  stairRecords,
  dimensionRecords,
  viewMarkRecords,
  presetRecords,
  underlayRecords,
  wallTypeRecords,
  wallRecords,
  roomRecords,
  boundaryLineRecords,
  foundationRecords,
  coreRecords,
  typicalRecords,
  clearWidthRecords,
  roofRecords,
  namedViewRecords,
  ceilingRecords,
  beamRecords,
  rampRecords,
  slopedFloorRecords,
  pitchedRoofRecords,
  roofOpeningRecords,
  fallLayerRecords,
  guardRecords,
  ruleSetRecords,
] as const;

const BY_KIND = new Map<string, RecordKind>(RECORD_KINDS.map((each) => [each.kind, each as unknown as RecordKind]));
const WALKS = new Map<string, Walk>(
  RECORD_KINDS.flatMap(({ kind, schema }): [string, Walk][] => {
    const walk = walkOf(schema);
    return walk ? [[kind, walk]] : [];
  }),
);

/** What records of a kind are; undefined for a kind this program does not know. */
export const recordKindOf = (kind: string): RecordKind | undefined => BY_KIND.get(kind);

/**
 * Every kind of record, told apart by `kind`. Records are checked against it and kept as they are, so fields a newer writer
 * added survive.
 */
export const recordSchema = z.discriminatedUnion(
  'kind',
  RECORD_KINDS.map(({ schema }) => schema) as unknown as [z.ZodObject, ...z.ZodObject[]],
) as unknown as z.ZodType<Rec>;

/** The way to all that is marked in records of a kind; undefined where nothing is. */
export const walkOfKind = (kind: Kind): Walk | undefined => WALKS.get(kind);

/** A field of a record that holds the id of another. */
interface Reference {
  id: Id;
  /** Dotted path of the field. */
  path: string;
}

/** Every reference a record holds; named dimensions in lengths are such too. What happens when a target goes is in the marks. */
export function referencesOf(record: Rec): Reference[] {
  const found: Reference[] = [];
  walkOfKind(record.kind)?.see(record, (mark, value, path) => {
    if (mark.is === 'ref') found.push({ id: value as Id, path });
    else if (mark.is === 'length') for (const id of dimensionsUsed(value as Length)) found.push({ id, path });
  });
  return found;
}

/** What a person calls a record of a kind. */
export const wordOf = (kind: Kind): string => BY_KIND.get(kind)!.words.one;

/** A record in words, for messages: `level 02`, `shaft S1`. */
export function called(record: Rec): string {
  const own = 'name' in record && record.name ? ` ${record.name}` : '';
  return `${wordOf(record.kind)}${own}`;
}
