import { projectKind, buildingKind } from '../buildings/kind';
import { beamKind } from '../beams/kind';
import { rampKind } from '../ramps/kind';
import { fallLayerKind } from '../falls/kind';
import { roofOpeningKind } from '../roof-openings/kind';
import { pitchedRoofKind } from '../pitched-roofs/kind';
import { slopedFloorKind } from '../sloped-floors/kind';
import { ceilingKind } from '../ceilings/kind';
import { columnKind } from '../columns/kind';
import { coreKind } from '../cores/kind';
import { dimensionKind } from '../dimensions/kind';
import { floorKind } from '../floors/kind';
import { foundationKind } from '../foundations/kind';
import { guardKind } from '../guards/kind';
import { gridKind, gridLineKind, presetKind } from '../grids/kind';
import { levelKind } from '../levels/kind';
import { roofKind } from '../roofs/kind';
import { roomKind, boundaryLineKind } from '../rooms/kind';
import { settingOutKind } from '../setting-out/kind';
import { shaftKind } from '../shafts/kind';
import { stairKind } from '../stairs/kind';
import { ruleSetKind } from '../rule-sets/kind';
import { typicalKind } from '../typical/kind';
import { underlayKind } from '../underlays/kind';
import { viewMarkKind, namedViewKind } from '../views/kind';
import { wallTypeKind, wallKind, clearWidthKind } from '../walls/kind';
import type { Kind, Rec } from '../model/kinds';
import type { DrawPlan, DrawSection, InSection, PlanCoat } from './drawn';
import type { KindDef, None } from './kind';

/** Everything each kind is. A new one is added here, in `records.ts`, and in its own folder. */
export const DEFINITIONS = [
  projectKind,
  buildingKind,
  levelKind,
  gridKind,
  gridLineKind,
  presetKind,
  settingOutKind,
  columnKind,
  floorKind,
  shaftKind,
  stairKind,
  dimensionKind,
  ruleSetKind,
  viewMarkKind,
  namedViewKind,
  underlayKind,
  wallTypeKind,
  wallKind,
  clearWidthKind,
  roomKind,
  boundaryLineKind,
  foundationKind,
  coreKind,
  typicalKind,
  roofKind,
  ceilingKind,
  beamKind,
  rampKind,
  slopedFloorKind,
  pitchedRoofKind,
  roofOpeningKind,
  fallLayerKind,
  guardKind,
] as const;

const BY_KIND = new Map<string, KindDef>(DEFINITIONS.map((each) => [each.records.kind, each as unknown as KindDef]));

const ALL: readonly KindDef[] = [...BY_KIND.values()];

/** The facet of every kind that has it, in the order of the registry. */
export function everyFacet<
  F extends
    | 'commands'
    | 'forms'
    | 'bodies'
    | 'assemblies'
    | 'report'
    | 'carriedAs'
    | 'rules'
    | 'listed'
    | 'consequences'
    | 'ifc'
    | 'space',
>(name: F): Exclude<KindDef[F], None>[] {
  return ALL.flatMap((kind) => {
    const given = kind[name];
    return 'none' in given ? [] : [given as Exclude<KindDef[F], None>];
  });
}

/** What draws in a coat of plans, in the order of the registry. */
export const planOf = (coat: PlanCoat): DrawPlan[] =>
  ALL.flatMap(({ plan }) => ('none' in plan ? [] : (plan[coat] ?? [])));

/** What draws in a coat of sections: of what is seen beyond the plane, or of what it cuts. */
export const sectionOf = (way: keyof InSection, coat: string): DrawSection[] =>
  ALL.flatMap(({ section }) => {
    const given = 'none' in section ? undefined : section[way];
    return given?.at === coat ? [given.draw] : [];
  });

/** What a kind is, by its name. */
export const definitionOf = (kind: Kind): KindDef => BY_KIND.get(kind)!;

/** What a record's kind is. */
export const kindOf = (record: Rec): KindDef => BY_KIND.get(record.kind)!;
