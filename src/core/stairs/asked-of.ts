import { mmOf } from '../dimensions/resolve-length';
import type { Framework } from '../model/framework';
import { stairRules } from '../rule-sets/rules-in';
import { boxOf, runsIn, type CorneredWell } from './cornered-well';
import type { WellSize } from './form-of-stair';
import type { StairAsked } from './stair-candidates';
import { FORMS } from './stair-form';
import type { Stair } from './stair';
import type { StairWell } from './stair-well';

/** A well of any corners, with the room flights of a width have along its sides. */
export function sizeOf(well: CorneredWell, widthMm: number, floorLandingMm: number): WellSize {
  const box = boxOf(well);
  return { lengthMm: box.lengthMm, widthMm: box.widthMm, runsMm: runsIn(well, widthMm, floorLandingMm) };
}

/** What a stair asks of every storey: as the solver, and whoever shows its other ways, ask for it. */
export function askedOf(framework: Framework, stair: Stair, well: StairWell | null): Omit<StairAsked, 'heightMm'> {
  const mm = (length: Stair['eyeMm']) => mmOf(framework, length);
  const eyeMm = mm(stair.eyeMm);
  const isRound = stair.form === 'spiral' || stair.form === 'circular';
  const isBeside = stair.form === 'halfLanding' || stair.form === 'halfWinders';
  const rules = stairRules(framework, stair.rules);
  const own = stair.isFree || !well ? null : well.box;
  const floorLandingMm = mm(stair.floorLandingMm);
  const usual = own && isBeside ? (own.widthMm - eyeMm) / 2 : FORMS[stair.form].usualFlight(own);
  const widthMm = stair.widthMm === null ? usual : mm(stair.widthMm);
  const cornered = own && well?.cornered;
  // The floors' landing is not the stair's; round stairs have all of their well.
  const square = own && { lengthMm: own.lengthMm - (isRound ? 0 : floorLandingMm), widthMm: own.widthMm };
  const room = cornered ? sizeOf(cornered, widthMm, floorLandingMm) : square;
  return {
    form: stair.form,
    well: room,
    widthMm,
    rules,
    landingDepthMm: stair.landingDepthMm === null ? null : mm(stair.landingDepthMm),
    eyeMm,
    leastEyeMm: eyeMm,
    // A waist lies under the riser of its own step, which is no higher than the rule set lets it be.
    overMm: {
      tread:
        mm(stair.finishMm) + (stair.carriedBy === 'waist' ? mm(stair.waistMm) + rules.riserMm.most : mm(stair.treadMm)),
      landing: mm(stair.finishMm) + mm(stair.landingMm),
    },
    ...(stair.risers === null ? {} : { risers: stair.risers }),
    ...(stair.goingMm === null ? {} : { goingMm: mm(stair.goingMm) }),
  };
}
