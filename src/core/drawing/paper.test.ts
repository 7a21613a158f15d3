import fc from 'fast-check';
import type { Drawing } from './drawing';
import { layOnPaper } from './paper';
import { STYLES, TEXT_STYLES, type Style } from './styles';

const drawing = (widthMm: number, heightMm: number): Drawing => ({
  primitives: [],
  marks: [],
  box: { minX: -1000, minY: 500, maxX: widthMm - 1000, maxY: heightMm + 500 },
});

describe('a drawing laid on paper', () => {
  it('takes the smallest sheet that holds it with its margins and title, lying or standing', () => {
    const sheet = (w: number, h: number, scale = 100) => {
      const paper = layOnPaper(drawing(w, h), scale);
      return paper && `${paper.sheet} ${paper.widthMm}×${paper.heightMm}`;
    };
    expect(sheet(20_000, 15_000)).toBe('A4 297×210');
    expect(sheet(15_000, 20_000)).toBe('A4 210×297');
    expect(sheet(28_000, 15_000)).toBe('A3 420×297');
    expect(sheet(27_700, 17_600)).toBe('A4 297×210');
    expect(sheet(27_800, 17_600)).toBe('A3 420×297');
    expect(sheet(110_000, 70_000)).toBe('A0 1189×841');
    expect(sheet(130_000, 70_000)).toBeNull();
    expect(sheet(130_000, 70_000, 200)).toBe('A1 841×594');
    expect(layOnPaper({ primitives: [], marks: [], box: null }, 100)).toBeNull();
  });

  it('keeps every distance to scale and everything inside the sheet, clear of the title', () => {
    const sizes = fc.integer({ min: 100, max: 90_000 });
    fc.assert(
      fc.property(sizes, sizes, fc.constantFrom(50, 100, 200, 500), (w, h, scale) => {
        const paper = layOnPaper(drawing(w, h), scale);
        if (!paper) return;
        const [low, high] = [paper.place({ x: -1000, y: 500 }), paper.place({ x: w - 1000, y: h + 500 })];
        expect(high.x - low.x).toBeCloseTo(w / scale, 6);
        expect(low.y - high.y).toBeCloseTo(h / scale, 6);
        for (const { x, y } of [low, high]) {
          expect(x >= 10 - 1e-9 && x <= paper.widthMm - 10 + 1e-9).toBe(true);
          expect(y >= 5 && y <= paper.title.yMm + 5 + 1e-9).toBe(true);
        }
        expect(paper.title.yMm + paper.title.heightMm).toBe(paper.heightMm - 10);
      }),
    );
  });

  it('draws what is cut thickest, then edges, then axes, all by one table', () => {
    const weight = (style: Style) => STYLES[style].paper.weightMm;
    expect(weight('slabCut')).toBeGreaterThan(weight('shaftOpen'));
    expect(weight('columnCut')).toBeGreaterThan(weight('columnSeen'));
    expect(weight('gridLine')).toBeGreaterThan(weight('gridLineMinor'));
    expect(STYLES.gridLine.paper.dashMm).toHaveLength(4);
    expect([TEXT_STYLES.dimensionText.figures, TEXT_STYLES.bubbleText.figures]).toEqual([true, false]);
  });
});
