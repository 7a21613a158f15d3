import type { RoomUse } from '../rooms/room';
import type { RuleSet, Sourced } from '../stairs/rule-sets';

/** Factors and limits of getting out of a building. Indicative: whoever signs the building checks them. */
export interface EscapeRules extends Sourced {
  /** The farthest one walks to a stair or a way out, mm. */
  travelMm: number;
  /** The farthest one walks before two ways part, mm: a dead end. */
  deadEndMm: number;
  /** Width that each person needs of stairs and ways out, mm. */
  widthPerPersonMm: number;
  /** Floor for each person by what a room is for, m²; null: nobody is counted there. */
  areaPerPersonM2: Readonly<Record<RoomUse, number | null>>;
}

/** Floor for each person after public guidance, of whatever access. */
const GUIDANCE_AREAS: EscapeRules['areaPerPersonM2'] = {
  circulation: null,
  dwelling: 18,
  office: 6,
  assembly: 1,
  teaching: 1.8,
  trade: 2,
  storage: 30,
  plant: 30,
  wet: null,
  other: 7,
};

export const ESCAPE_RULES: Record<RuleSet, EscapeRules> = {
  public: {
    source: 'International model building code: means of egress',
    travelMm: 61_000,
    deadEndMm: 22_860,
    widthPerPersonMm: 7.6,
    areaPerPersonM2: {
      circulation: null,
      dwelling: 18.6,
      office: 13.9,
      assembly: 1.4,
      teaching: 1.9,
      trade: 5.6,
      storage: 27.9,
      plant: 27.9,
      wet: null,
      other: 9.3,
    },
  },
  general: {
    source: 'Public guidance on means of escape: general access',
    travelMm: 45_000,
    deadEndMm: 18_000,
    widthPerPersonMm: 5.3,
    areaPerPersonM2: GUIDANCE_AREAS,
  },
  private: {
    source: 'Public guidance on means of escape: dwellings',
    travelMm: 18_000,
    deadEndMm: 18_000,
    widthPerPersonMm: 5.3,
    areaPerPersonM2: GUIDANCE_AREAS,
  },
};
