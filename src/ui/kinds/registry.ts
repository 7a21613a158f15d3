import { facet } from '@/core/kinds/kind';
import type { Step } from '@/core/kinds/steps';
import type { Rec } from '@/core/model/kinds';
import { beamUi } from './beams';
import { ceilingUi } from './ceilings';
import { columnUi } from './columns';
import { coreUi } from './cores';
import { fallLayerUi } from './falls';
import { floorUi } from './floors';
import { foundationUi } from './foundations';
import { gridLineUi } from './grids';
import { guardUi } from './guards';
import type { KindUi, StepTool } from './kind-ui';
import { levelUi } from './levels';
import { rampUi } from './ramps';
import { roofUi } from './roofs';
import { boundaryLineUi, roomUi } from './rooms';
import { settingOutUi } from './setting-out';
import { shaftUi } from './shafts';
import { roofOpeningUi } from './roof-openings';
import { pitchedRoofUi } from './pitched-roofs';
import { slopedFloorUi } from './sloped-floors';
import { stairUi } from './stairs';
import { wallUi } from './walls';

/** The interface of each kind that is chosen or made by hand; its tools stand side by side in this order. A new one is added here. */
const ALL = [
  levelUi,
  gridLineUi,
  settingOutUi,
  columnUi,
  shaftUi,
  stairUi,
  rampUi,
  slopedFloorUi,
  guardUi,
  floorUi,
  roofUi,
  fallLayerUi,
  pitchedRoofUi,
  roofOpeningUi,
  foundationUi,
  beamUi,
  wallUi,
  roomUi,
  boundaryLineUi,
  ceilingUi,
  coreUi,
] as unknown as readonly KindUi[];

/** The interface of a record's kind; undefined for those that are never chosen. */
export const uiOf = ({ kind }: Rec): KindUi | undefined => ALL.find((ui) => ui.kind === kind);

/** The tools of a step. */
export const toolsAt = (step: Step): StepTool[] =>
  ALL.flatMap(({ tool }): readonly StepTool[] => [facet(tool) ?? []].flat() as StepTool[]).filter(
    (tool) => tool.step === step,
  );

/** What kinds can do with several of their own that are chosen. */
export const severalOfKinds = ALL.flatMap(({ kind, several }) => {
  const given = facet(several);
  return given ? [{ kind, ...given }] : [];
});

/** Tables that are typed in and read, one for each kind that has one. */
export const schedulesOfKinds = ALL.flatMap(({ kind, schedule }) => {
  const given = facet(schedule);
  return given ? [{ kind, ...given }] : [];
});

/** What each kind has to be taken hold of in plan besides its shape. */
export const handlesOfKinds = ALL.flatMap(({ kind, handles }) => {
  const given = facet(handles);
  return given ? [{ kind, ...given }] : [];
});
