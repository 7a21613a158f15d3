import { z } from 'zod';
import { defineKind, none } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { beamRecords } from './beam';
import { BEAM_COMMANDS } from './beam-commands';
import { BEAM_FORMS_TYPED } from './beam-forms';
import { beamBodiesPass, beamFindingsPass } from './beam-passes';
import { FREE, LOW, NO_SLAB } from './beam-rules';

const rounded = (value: number): number => Math.round(value * 1e6) / 1e6;

export const beamKind = defineKind({
  records: beamRecords,
  inPlan: { follows: () => null, renewed: withFreeName },
  inCores: false,
  shownAs: { kind: 'beams' },
  carriedAs: { words: { beams: 'beams' }, kind: () => 'beams' },
  step: { step: 'floors' },
  commands: { all: BEAM_COMMANDS },
  forms: { all: BEAM_FORMS_TYPED },
  plan: none('It is drawn as a body'),
  section: none('It is drawn as a body'),
  rules: { all: [FREE, NO_SLAB, LOW] },
  bodies: {
    pass: beamBodiesPass,
    findings: beamFindingsPass,
    heading: 'Beams',
    layer: 'BEAMS',
    leaveOut: (beam, level, leftOut) => ({ command: 'beams.except', input: { beam, level, leftOut } }),
    ifc: { entity: 'IFCBEAM', predefined: 'BEAM', quantities: 'Qto_BeamBaseQuantities' },
  },
  report: {
    key: 'beams',
    row: z.strictObject({
      id: z.string(),
      building: z.string(),
      name: z.string(),
      level: z.string().describe('The level whose slab it hangs under'),
      bottomMm: z.number(),
      topMm: z.number(),
      depthMm: z.number(),
      volumeM3: z.number().describe('Without the columns and walls that stand under it'),
      material: z.string(),
    }),
    rows: ({ bodies }, level) =>
      bodies
        .filter(({ kind }) => kind === 'beam')
        .map((body) => ({
          id: body.thing,
          building: body.building,
          name: body.name,
          level: level(body.level),
          bottomMm: body.bottomMm,
          topMm: body.topMm,
          depthMm: body.topMm - body.bottomMm,
          volumeM3: rounded(body.volumeMm3 / 1e9),
          material: body.material,
        })),
  },
  sentence: {
    of: ({ id, form, material }, { bodies, levels }, write) => {
      const own = bodies.filter(({ thing }) => thing === id);
      const names = own.flatMap(({ level }) => levels.find((each) => each.id === level)?.name ?? []);
      const what = `${form === 'beam' ? 'Beam' : 'Downstand'}, ${material}`;
      if (own.length === 0) return `${what}. It hangs under no level.`;
      const depths = [...new Set(own.map(({ bottomMm, topMm }) => write(topMm - bottomMm)))];
      const where = names.length === 1 ? `level ${names[0]}` : `${names.length} levels, ${names[0]} to ${names.at(-1)}`;
      return `${what}, ${depths.join(' and ')} under the slab of ${where}.`;
    },
  },
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    beams: true;
  }
}
