import type { Framework } from '@/core/model/framework';
import { recordOf } from '@/core/model/framework';
import type { Solved, SolvedLevel } from '@/core/solving/solved';
import { derivedGlobalId } from './global-id';
import type { Measure, Ref, StepLines } from './step';

/** What things of one profile and thickness are written with. */
export interface SolidParts {
  step: StepLines;
  level: SolvedLevel;
  /** A placement so far above the storey's FFL. */
  local: (z: number) => Ref;
  solids: (profile: string, depthMm: number) => Ref;
  properties: (key: string, ref: Ref, name: string, values: Record<string, Measure>) => void;
  quantities: (
    key: string,
    ref: Ref,
    name: string,
    values: readonly ['LENGTH' | 'AREA' | 'VOLUME', string, number][],
  ) => void;
}

const KINDS = { pads: 'PAD_FOOTING', strips: 'STRIP_FOOTING' } as const;

/** Rafts as base slabs, pads and strips as footings, of the storey their top is held to. */
export function writeFoundations(parts: SolidParts, framework: Framework, solved: Solved): Ref[] {
  const { step, level } = parts;
  return solved.foundations
    .filter((piece) => piece.level === level.id)
    .map((piece) => {
      const key = `${piece.foundation} ${piece.under ?? ''}`;
      const thicknessMm = piece.topMm - piece.bottomMm;
      const record = recordOf(framework, 'foundation', piece.foundation)!;
      const common = {
        GlobalId: derivedGlobalId('foundation', piece.foundation, piece.under ?? ''),
        Name: piece.name,
        ObjectType: piece.form,
        ObjectPlacement: parts.local(piece.bottomMm - level.fflMm),
        Representation: parts.solids(piece.profile, thicknessMm),
        Tag: piece.foundation,
      };
      const ref =
        piece.form === 'raft'
          ? step.add('IFCSLAB', { ...common, PredefinedType: 'BASESLAB' })
          : step.add('IFCFOOTING', { ...common, PredefinedType: KINDS[piece.form] });
      const flag = (value: boolean): Measure => ({ measure: 'IFCBOOLEAN', value });
      const real = (value: number): Measure => ({ measure: 'IFCREAL', value });
      parts.properties(key, ref, 'Foundation', {
        ...(record.subgradeKnM3 === null ? {} : { SubgradeModulusKnM3: real(record.subgradeKnM3) }),
        RestrainedX: flag(record.restrained.x),
        RestrainedY: flag(record.restrained.y),
        RestrainedZ: flag(record.restrained.z),
      });
      const set = piece.form === 'raft' ? 'Qto_SlabBaseQuantities' : 'Qto_FootingBaseQuantities';
      parts.quantities(key, ref, set, [
        ['LENGTH', piece.form === 'raft' ? 'Width' : 'Height', thicknessMm],
        ['VOLUME', 'NetVolume', piece.volumeMm3 / 1e9],
      ]);
      return ref;
    });
}
