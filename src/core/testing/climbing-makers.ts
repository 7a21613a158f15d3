import type { CommandInputs } from '../commands/command-inputs';
import { recordsOf } from '../model/framework';
import { STAIR_FORMS } from '../stairs/stair-form';
import type { Chance } from './chance';

type Makers = {
  [
    Name in
      | 'guards.add'
      | 'ruleSets.copy'
      | 'ruleSets.change'
      | 'ruleSets.setLimit'
      | 'ruleSets.resetLimit'
      | 'ruleSets.remove'
      | 'guards.change'
      | 'ramps.add'
      | 'ramps.change'
      | 'slopedFloors.add'
      | 'slopedFloors.change'
      | 'slopedFloors.setCorner'
      | 'slopedFloors.comply'
      | 'stairs.add'
      | 'stairs.change'
      | 'stairs.choose'
      | 'stairs.lengthenWell'
  ]: (chance: Chance) => CommandInputs[Name];
};

/** Inputs of what makes and changes stairs, ramps, sloped floors and guards. */
export const CLIMBING_MAKERS: Makers = {
  'guards.add': ({ building, between, pick, one }) => ({
    building,
    heightMm: between(900, 1300),
    along: pick([
      { of: 'edges' as const },
      { of: 'stair' as const, stair: one('stair'), side: pick(['left', 'right', 'both', 'centre']) },
      {
        of: 'line' as const,
        points: [
          { xMm: between(0, 9000), yMm: 0 },
          { xMm: 20_000, yMm: between(500, 9000) },
        ],
      },
    ]),
  }),
  'guards.change': ({ one, between }) => ({ guard: one('guard'), postSpacingMm: between(500, 3000) }),
  'ramps.add': ({ building, between, pick, levels }) => ({
    building,
    place: `${between(0, 20_000)},-9000`,
    form: pick(['straight', 'quarter', 'switchback', 'circular']),
    towardsDeg: between(-180, 180),
    startsAt: { level: levels[0]! },
    stopsAt: { level: levels[0]!, offsetMm: between(100, 1200) },
  }),
  'ramps.change': ({ one, between, pick }) => ({
    ramp: one('ramp'),
    ...pick([
      { runMm: between(2000, 20_000) },
      { runMm: null, slopeRatio: between(8, 20) },
      { turn: 'right' as const },
    ]),
  }),
  'slopedFloors.add': ({ building, between, pick, levels }) => ({
    building,
    place: `${between(0, 20_000)},-20000`,
    baseAt: { level: pick(levels) },
    corners: [
      { xMm: 0, yMm: 0, heightMm: between(-200, 200) },
      { xMm: 3000, yMm: 0 },
      { xMm: 3000, yMm: between(2000, 6000), heightMm: between(-200, 200) },
      { xMm: 0, yMm: 2500 },
    ],
  }),
  'slopedFloors.change': ({ one, between }) => ({ slopedFloor: one('slopedFloor'), thicknessMm: between(100, 400) }),
  'slopedFloors.setCorner': ({ one, between }) => ({
    slopedFloor: one('slopedFloor'),
    corner: 1,
    heightMm: between(-300, 300),
  }),
  'slopedFloors.comply': ({ one }) => ({ slopedFloor: one('slopedFloor'), towardsDeg: 0 }),
  'ruleSets.copy': ({ between, pick }) => ({
    name: `R${Math.floor(between(0, 1e6))}`,
    from: pick(['public', 'general', 'private']),
  }),
  'ruleSets.change': ({ one, between }) => ({ ruleSet: one('ruleSet'), name: `R${Math.floor(between(0, 1e6))}` }),
  'ruleSets.setLimit': ({ one, between }) => ({
    ruleSet: one('ruleSet'),
    limit: 'stairs.headroom',
    value: between(1900, 2200),
    source: 'As agreed',
  }),
  'ruleSets.resetLimit': ({ one }) => ({ ruleSet: one('ruleSet'), limit: 'stairs.headroom' }),
  'ruleSets.remove': ({ one }) => ({ ruleSet: one('ruleSet') }),
  'stairs.add': ({ building, between, pick }) => ({
    building,
    form: pick(STAIR_FORMS),
    carriedBy: pick(['waist', 'stringers']),
    turn: pick(['left', 'right']),
    ...pick([
      { well: { type: 'rectangle', place: `${between(0, 20_000)},0`, widthMm: 2700, depthMm: 5600 } as const },
      { begin: { place: `${between(0, 20_000)},0`, towardsDeg: between(0, 360) } },
    ]),
  }),
  'stairs.change': ({ one, between, pick }) => ({
    stair: one('stair'),
    ...pick([{ floorLandingMm: between(0, 1500) }, { form: pick(STAIR_FORMS) }, { risers: between(10, 30) }]),
  }),
  'stairs.choose': ({ one, levels, pick }) => ({ stair: one('stair'), level: pick(levels), flights: [10, 9] }),
  'stairs.lengthenWell': ({ framework, pick, between }) => ({
    stair: pick(recordsOf(framework, 'stair').filter(({ isFree }) => !isFree)).id,
    byMm: between(10, 900),
    widerMm: between(0, 300),
  }),
};
