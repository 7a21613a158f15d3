import { given, SMALL_TOWER } from '../testing/given';
import { recordsOf } from '../model/framework';
import { parsePath } from './typed-path';

const tower = given(SMALL_TOWER);
const building = recordsOf(tower, 'building')[0]!.id;
const turned = given([['grids.change', { turnDeg: 90 }]], tower);
const corners = (text: string, framework = tower) => {
  const path = parsePath(framework, building, text);
  if (!path.ok) throw new Error(path.refusal.message);
  return path.value.corners.map(({ x, y }) => [Math.round(x * 1e3) / 1e3, Math.round(y * 1e3) / 1e3]);
};

describe('a typed path', () => {
  it('goes step by step: lengths with a direction, at an angle, shifts and crossings', () => {
    expect(corners('A-1; 18m e; 42m n; 18m w; close')).toEqual([
      [0, 0],
      [18_000, 0],
      [18_000, 42_000],
      [0, 42_000],
    ]);
    expect(corners("1000,2000; 10' e; 2m @ 90; 300,-300; B-3")).toEqual([
      [1000, 2000],
      [4048, 2000],
      [4048, 4000],
      [4348, 3700],
      [14_400, 6600],
    ]);
  });
  it('goes along the axes of the crossing it starts from', () => {
    expect(corners('A-1 + 1m,0; 2m e', turned)).toEqual([
      [0, 1000],
      [0, 3000],
    ]);
    const path = parsePath(turned, building, 'A-1 + 1m,0; 2m e');
    expect(path.ok && [path.value.place, path.value.points]).toEqual([
      'A-1 + 1000mm,0mm',
      [
        { xMm: 0, yMm: 0 },
        { xMm: 2000, yMm: 0 },
      ],
    ]);
  });
  it('says what cannot be read, and where', () => {
    const fault = (text: string) => {
      const path = parsePath(tower, building, text);
      return path.ok ? null : [path.refusal.message, path.refusal.at];
    };
    expect(fault('')).toEqual([expect.stringMatching(/where the path starts/), 0]);
    expect(fault('0,0; 4m x')).toEqual([expect.stringMatching(/A step is a length with/), 4]);
    expect(fault('Z-9; 4m e')![0]).toMatch(/no crossing/i);
    expect(fault('0,0; close')).toBeNull();
  });
});
