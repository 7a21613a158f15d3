import { tessellated, type Arc } from '../geometry/curve';
import type { Point } from '../geometry/point';
import type { Ring } from '../geometry/polygon';
import type { Id } from '../model/ids';
import type { Style, TextStyle } from './styles';

/**
 * One thing to draw, in millimetres of the model, with the record it stands for. `layer`: where files have it, if not on the layer of
 * its style.
 */
export type Primitive =
  | { type: 'path'; style: Style; id: Id | null; points: readonly Point[]; closed: boolean }
  /** `depthMm`: how far behind the plane of a view its nearest part lies, until what is hidden is left out; `glass`: what lies behind is seen thin. */
  | {
      type: 'area';
      style: Style;
      id: Id | null;
      rings: readonly Ring[];
      layer?: string;
      depthMm?: number;
      glass?: true;
    }
  | { type: 'circle'; style: Style; id: Id | null; at: Point; radiusMm: number }
  | { type: 'arc'; style: Style; id: Id | null; arc: Arc }
  | {
      type: 'text';
      style: TextStyle;
      id: Id | null;
      at: Point;
      text: string;
      heightMm: number;
      turnDeg: number;
      layer?: string;
    };

/** A length shown between two points, its line through a third. */
export interface DimensionMark {
  from: Point;
  to: Point;
  through: Point;
  text: string;
  /** What it is drawn with: its line, ticks and text. */
  parts: readonly Primitive[];
}

/** A display list: what screen, SVG, PDF and DXF are all made from. */
export interface Drawing {
  primitives: Primitive[];
  /** Dimensions drawn among the primitives, for formats that have them as such. */
  marks: DimensionMark[];
  /** Smallest box around what is drawn, for fitting a view. */
  box: { minX: number; minY: number; maxX: number; maxY: number } | null;
}

/** About where a text stands: a level's text begins (or, at the left, ends) at its point, others are centred on it and may stand upright. */
export function textBox({ at, text, heightMm, style, turnDeg }: Extract<Primitive, { type: 'text' }>) {
  const long = text.length * heightMm * 0.62;
  const [width, height] = Math.abs(turnDeg) > 45 ? [heightMm, long] : [long, heightMm];
  const minX = style === 'levelText' ? at.x : style === 'levelTextLeft' ? at.x - width : at.x - width / 2;
  return { minX, maxX: minX + width, minY: at.y - height / 2, maxY: at.y + height / 2 };
}

/** Smallest box around some primitives, their texts about as wide as they are written. */
export function boxOf(primitives: readonly Primitive[]): Drawing['box'] {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  const reach = ({ x, y }: Point, by = 0) => {
    minX = Math.min(minX, x - by);
    minY = Math.min(minY, y - by);
    maxX = Math.max(maxX, x + by);
    maxY = Math.max(maxY, y + by);
  };
  for (const primitive of primitives) {
    if (primitive.type === 'path') for (const point of primitive.points) reach(point);
    else if (primitive.type === 'area') for (const ring of primitive.rings) for (const point of ring) reach(point);
    else if (primitive.type === 'arc') for (const point of tessellated(primitive.arc, 10)) reach(point);
    else if (primitive.type === 'circle') reach(primitive.at, primitive.radiusMm);
    else {
      const box = textBox(primitive);
      reach({ x: box.minX, y: box.minY });
      reach({ x: box.maxX, y: box.maxY });
    }
  }
  return minX <= maxX ? { minX, minY, maxX, maxY } : null;
}
