import { onSite, surveyPoint } from '../buildings/survey';
import type { Project } from '../buildings/building';
import type { Id } from '../model/ids';
import { isAt } from '../solving/is-at';
import type { Solved } from '../solving/solved';
import { drawPlan } from './draw-plan';
import type { Drawing } from './drawing';
import { moveTo, movedDrawing, type PlanAxes } from './moved-drawing';
import { scaleWords } from '../units/scale-words';
import { layOnPaper, type OnPaper } from './paper';

/** A sheet to hand over: the plan of a level with grid, dimensions and columns, its title, and the crossings' coordinates. */
export interface SettingOutPlan {
  drawing: Drawing;
  paper: OnPaper;
  title: { project: string; building: string; level: string; scale: string; client: string };
  /** Crossings of the level from the building's zero along its axes, and in the survey where that is known; millimetres. */
  coordinates: { label: string; xMm: number; yMm: number; eastingMm: number | null; northingMm: number | null }[];
}

/** The setting-out plan of a level at 1 : scale; null where no sheet of the A series holds it. */
export function settingOutPlan(
  solved: Solved,
  project: string,
  {
    level,
    scale,
    system = 'metric',
    details = null,
    axes = 'building',
    writeLength,
    writeElevation,
  }: {
    level: Id;
    scale: number;
    /** Whose words the scale is said in. */
    system?: 'metric' | 'imperial';
    /** What the title says of the project beside its name. */
    details?: Project['details'];
    /** Whose axes it is drawn in. */
    axes?: PlanAxes;
    writeLength: (mm: number) => string;
    writeElevation: (mm: number) => string;
  },
): SettingOutPlan | null {
  const shown = solved.levels.find(({ id }) => id === level);
  const building = solved.buildings.find(({ id }) => id === shown?.building);
  if (!shown || !building) return null;
  const move = moveTo(axes, building, solved.survey);
  if (!move) return null;
  const own = drawPlan(solved, { building: building.id, level, scale, cutAboveMm: 1200, writeLength, writeElevation });
  const drawing = axes === 'building' ? own : movedDrawing(own, move);
  const paper = layOnPaper(drawing, scale);
  if (!paper) return null;
  return {
    drawing,
    paper,
    title: {
      project: [details?.code, project].filter(Boolean).join(' '),
      client: [details?.client, details?.address].filter(Boolean).join(', '),
      building: building.name,
      level: `Setting-out plan, level ${shown.name} ${shown.title}`.trim() + `, FFL ${writeElevation(shown.fflMm)}`,
      scale: `${scaleWords(scale, system)} on ${paper.sheet}`,
    },
    coordinates: solved.crossings
      .filter((crossing) => crossing.building === building.id && crossing.label !== null && isAt(crossing, shown.fflMm))
      .map(({ label, at }) => {
        const survey = solved.survey ? surveyPoint(solved.survey, onSite(building, at)) : null;
        return {
          label: label!,
          xMm: at.x,
          yMm: at.y,
          eastingMm: survey?.eastingMm ?? null,
          northingMm: survey?.northingMm ?? null,
        };
      }),
  };
}
