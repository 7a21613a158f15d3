import { formatLength, IMPERIAL } from '../units/format-length';
import { WALL_USES } from './wall';
import { startingTypes, USUAL_TYPE, usualType } from './wall-type';

describe('types to start from', () => {
  it.each(['metric', 'imperial'] as const)('are named by what their layers add up to, in %s units', (system) => {
    for (const { name, layers } of startingTypes(system)) {
      const sumMm = layers.reduce((sum, { thicknessMm }) => sum + thicknessMm, 0);
      const said = name.replace(/^\D+/, '');
      if (system === 'metric') expect([name, String(sumMm)]).toEqual([name, said]);
      else expect([name, formatLength(sumMm, IMPERIAL)]).toEqual([name, inFeet(said)]);
      expect(layers.some(({ core }) => core)).toBe(true);
    }
  });

  it('are one for each use, and the same uses in both', () => {
    for (const use of WALL_USES) {
      expect(usualType(use, 'metric')).toBe(USUAL_TYPE[use]);
      expect(usualType(use, 'imperial').split(' ')[0]).toBe(USUAL_TYPE[use].split(' ')[0]);
    }
  });
});

/** `16 in` as it is written in feet and inches. */
function inFeet(inches: string): string {
  const [, whole, rest] = /^(\d+)(?: (\d+\/\d+))? in$/.exec(inches)!;
  const [feet, left] = [Math.floor(Number(whole) / 12), Number(whole) % 12];
  return `${feet}'-${left}${rest ? ` ${rest}` : ''}"`;
}
