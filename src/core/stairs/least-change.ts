import type { WellSize } from './form-of-stair';
import { canBeClimbed, type StairAsked } from './stair-candidates';
import { STAIR_FORMS, type StairForm } from './stair-form';

/** A well is made larger by no more than this. */
const MOST_GROWTH_MM = 20_000;
/** Heights are tried in steps of this, so far up and down. */
const HEIGHT_STEP_MM = 10;
const MOST_HEIGHT_MM = 3000;

/** Ways a well may grow. */
export const GROWN = {
  longerWell: ({ lengthMm, widthMm }: WellSize, byMm: number) => ({ lengthMm: lengthMm + byMm, widthMm }),
  widerWell: ({ lengthMm, widthMm }: WellSize, byMm: number) => ({ lengthMm, widthMm: widthMm + byMm }),
  largerWell: ({ lengthMm, widthMm }: WellSize, byMm: number) => ({
    lengthMm: lengthMm + byMm,
    widthMm: widthMm + byMm,
  }),
};

/** Whole millimetres by which a well has to grow in one way, no more; null where that never helps. */
export function leastGrowth(asked: StairAsked, grown: (well: WellSize, byMm: number) => WellSize): number | null {
  const { well } = asked;
  if (!well) return null;
  const climbs = (byMm: number) => canBeClimbed({ ...asked, well: grown(well, byMm) });
  // Doubled until it is enough, then halved between: what is enough stays so in a larger well.
  let most = 50;
  while (!climbs(most)) {
    most *= 2;
    if (most > MOST_GROWTH_MM) return null;
  }
  let least = most === 50 ? 0 : most / 2;
  while (most - least > 1) {
    const middle = Math.floor((least + most) / 2);
    if (climbs(middle)) most = middle;
    else least = middle;
  }
  return most;
}

/** The height nearest to one that cannot be climbed, at which it can be; null where none is near. */
export function nearestHeight(asked: StairAsked): number | null {
  const { heightMm } = asked;
  for (let by = HEIGHT_STEP_MM; by <= MOST_HEIGHT_MM; by += HEIGHT_STEP_MM) {
    // Lower first: a storey is lowered more easily than a building raised.
    for (const other of [heightMm - by, heightMm + by]) {
      const round = Math.round(other / HEIGHT_STEP_MM) * HEIGHT_STEP_MM;
      if (round > 0 && canBeClimbed({ ...asked, heightMm: round })) return round;
    }
  }
  return null;
}

/** How many of some heights each form climbs in what is asked for. */
export const climbedByForm = (
  asked: Omit<StairAsked, 'form' | 'heightMm'>,
  heightsMm: readonly number[],
): { form: StairForm; climbed: number }[] =>
  STAIR_FORMS.map((form) => ({
    form,
    climbed: heightsMm.filter((heightMm) => canBeClimbed({ ...asked, form, heightMm })).length,
  }));
