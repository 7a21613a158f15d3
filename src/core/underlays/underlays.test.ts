import fc from 'fast-check';
import { distance, type Point } from '../geometry/point';
import { recordsOf, type Framework } from '../model/framework';
import { given, refusal, SMALL_TOWER, afterFrom } from '../testing/given';
import { cornersOf, onModel, onUnderlay, registered, type Lying } from './place-underlay';

const tower = given(SMALL_TOWER);
const sha256 = 'a'.repeat(64);
const after = afterFrom(tower);
const picture = { name: 'Scan', sha256, content: 'picture' as const, width: 2000, height: 1000, mmPerUnit: 10 };
const laid = after('underlays.add', { ...picture, level: '01' });
const only = (framework: Framework) => recordsOf(framework, 'underlay')[0]!;
const rounded = (points: readonly Point[]) => points.map(({ x, y }) => [Math.round(x), Math.round(y)]);

describe('an underlay', () => {
  it('lies by its lower left corner at its size until it is registered', () => {
    expect(rounded(cornersOf(only(laid)))).toEqual([
      [0, 0],
      [20_000, 0],
      [20_000, 10_000],
      [0, 10_000],
    ]);
    // A picture's v points down: its first row is at the top.
    expect(rounded([onModel(only(laid), { u: 0, v: 0 })])).toEqual([[0, 10_000]]);
    const drawing = after('underlays.add', { ...picture, content: 'drawing', u0: 500, v0: 100, xMm: 3000 });
    expect(rounded([onModel(only(drawing), { u: 500, v: 100 })])).toEqual([[3000, 0]]);
    expect(rounded([onModel(only(drawing), { u: 500, v: 200 })])).toEqual([[3000, 1000]]);
  });

  it('is registered at the setting-out point by one point', () => {
    const moved = after(
      'underlays.register',
      { underlay: 'Scan', points: [{ from: { xMm: 5000, yMm: 2000 }, to: { xMm: 0, yMm: 0 } }] },
      laid,
    );
    expect(rounded(cornersOf(only(moved)))[0]).toEqual([-5000, -2000]);
  });

  it('is scaled, turned and placed by two points: both lie where they belong, whatever it was before', () => {
    const at = fc.record({
      x: fc.integer({ min: -50_000, max: 50_000 }),
      y: fc.integer({ min: -50_000, max: 50_000 }),
    });
    const lying: fc.Arbitrary<Lying> = fc.record({
      content: fc.constantFrom('picture' as const, 'drawing' as const),
      mmPerUnit: fc.double({ min: 0.1, max: 50, noNaN: true }),
      turnDeg: fc.integer({ min: 0, max: 359 }),
      u: fc.integer({ min: 0, max: 900 }),
      v: fc.integer({ min: 0, max: 900 }),
      xMm: fc.integer({ min: -9000, max: 9000 }),
      yMm: fc.integer({ min: -9000, max: 9000 }),
    });
    fc.assert(
      fc.property(lying, at, at, at, at, (lies, a, b, p, q) => {
        fc.pre(distance(a, b) > 1000 && distance(p, q) > 1000);
        const [ua, ub] = [onUnderlay(lies, a), onUnderlay(lies, b)];
        const now = registered(lies, [
          { from: a, to: p },
          { from: b, to: q },
        ])!;
        expect(distance(onModel(now, ua), p)).toBeLessThan(0.01);
        expect(distance(onModel(now, ub), q)).toBeLessThan(0.05);
      }),
    );
    expect(
      refusal(laid, 'underlays.register', {
        underlay: 'Scan',
        points: [
          { from: { xMm: 1, yMm: 1 }, to: { xMm: 0, yMm: 0 } },
          { from: { xMm: 1, yMm: 1 }, to: { xMm: 9, yMm: 0 } },
        ],
      }),
    ).toMatch(/two points are one/);
  });

  it('is replaced by a newer file at the same place, also of other pixels', () => {
    const placed = after(
      'underlays.register',
      { underlay: 'Scan', points: [{ from: { xMm: 5000, yMm: 2000 }, to: { xMm: 700, yMm: 0 } }] },
      laid,
    );
    const newer = after(
      'underlays.replace',
      { underlay: 'Scan', sha256: 'b'.repeat(64), content: 'picture' as const, width: 4000, height: 2000 },
      placed,
    );
    expect(rounded(cornersOf(only(newer)))).toEqual(rounded(cornersOf(only(placed))));
    expect(only(newer).sha256).toBe('b'.repeat(64));
    expect(
      refusal(laid, 'underlays.replace', { underlay: 'Scan', sha256, content: 'drawing', width: 1, height: 1 }),
    ).toMatch(/replaced by a picture/);
  });

  it('is locked, dimmed and taken away; and goes with its level', () => {
    const locked = after('underlays.change', { underlay: 'Scan', locked: true, strength: 0.2 }, laid);
    expect(only(locked).opacity).toBe(0.2);
    expect(refusal(locked, 'underlays.change', { underlay: 'Scan', turnDeg: 5 })).toMatch(/locked/);
    expect(
      refusal(locked, 'underlays.register', {
        underlay: 'Scan',
        points: [{ from: { xMm: 0, yMm: 0 }, to: { xMm: 1, yMm: 0 } }],
      }),
    ).toMatch(/locked/);
    expect(recordsOf(after('underlays.remove', { underlay: 'Scan' }, laid), 'underlay')).toEqual([]);
    expect(recordsOf(after('levels.remove', { level: '01' }, laid), 'underlay')).toEqual([]);
    expect(refusal(tower, 'underlays.add', { ...picture, sha256: 'nothing' })).toMatch(/not a file/i);
  });
});
