import { mmOf } from '../dimensions/resolve-length';
import type { Framework } from '../model/framework';
import type { WellSize } from './form-of-stair';
import { stairRules } from '../rule-sets/rules-in';
import type { StairAsked } from './stair-candidates';
import { FORMS } from './stair-form';
import type { Stair } from './stair';

/** What a stair asks of every storey: as the solver, and whoever shows its other ways, ask for it. */
export function askedOf(framework: Framework, stair: Stair, well: WellSize | null): Omit<StairAsked, 'heightMm'> {
  const mm = (length: Stair['eyeMm']) => mmOf(framework, length);
  const eyeMm = mm(stair.eyeMm);
  const isRound = stair.form === 'spiral' || stair.form === 'circular';
  const isBeside = stair.form === 'halfLanding' || stair.form === 'halfWinders';
  const rules = stairRules(framework, stair.rules);
  const own = stair.isFree ? null : well;
  // The floors' landing is not the stair's; round stairs have all of their well.
  const room = own && { ...own, lengthMm: own.lengthMm - (isRound ? 0 : mm(stair.floorLandingMm)) };
  const usual = own && isBeside ? (own.widthMm - eyeMm) / 2 : FORMS[stair.form].usualFlight(own);
  return {
    form: stair.form,
    well: room,
    widthMm: stair.widthMm === null ? usual : mm(stair.widthMm),
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
