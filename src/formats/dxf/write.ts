import {
  DxfWriter,
  LWPolylineFlags,
  point2d,
  point3d,
  TextHorizontalAlignment,
  TextVerticalAlignment,
  Units,
} from '@tarikjabiri/dxf';
import type { DimensionMark, Drawing, Primitive } from '@/core/drawing/drawing';
import { minus, plus, times, type Point } from '@/core/geometry/point';
import { directionDeg } from '@/core/geometry/trig';
import type { Ring } from '@/core/geometry/polygon';
import { LAYERS, styleOf, type Layer } from '@/core/drawing/styles';

/**
 * Writes a drawing as ASCII DXF in millimetres of the model: lines and closed outlines, true arcs and circles,
 * columns and grid heads as blocks, dimensions as such, each kind on a layer of its own.
 */
export function writeDxf(drawing: Drawing): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  // Texts outside plain ASCII are written as \U+XXXX, which every code page reads.
  dxf.setVariable('$DWGCODEPAGE', { 3: 'ANSI_1252' });
  dxf.addLType('AXIS', 'Axis: long dash, dot', [12, -3, 1, -3]);
  for (const [name, colour] of Object.entries(LAYERS)) {
    dxf.addLayer(name, colour, name === 'GRID' || name === 'SETTING-OUT' ? 'AXIS' : 'Continuous');
  }
  const own = new Set(drawing.primitives.flatMap((each) => ('layer' in each ? (each.layer ?? []) : [])));
  for (const name of own) dxf.addLayer(name, LAYERS.BODIES, 'Continuous');
  const blocks = new Blocks(dxf);
  const inDimensions = new Set<Primitive>(drawing.marks.flatMap(({ parts }) => parts));
  for (const primitive of drawing.primitives) if (!inDimensions.has(primitive)) add(dxf, blocks, primitive);
  for (const mark of drawing.marks) blocks.dimension(mark);
  return dxf.stringify();
}

/** Blocks made so far, by what they hold. */
class Blocks {
  private readonly names = new Map<string, string>();
  constructor(private readonly dxf: DxfWriter) {}

  /** A closed outline about the origin. */
  outline(prefix: string, layer: Layer, ring: Ring): string {
    return this.named(prefix, ring.map(({ x, y }) => `${x.toFixed(3)},${y.toFixed(3)}`).join(' '), (block) =>
      block.addLWPolyline(
        ring.map(({ x, y }) => ({ point: point2d(x, y) })),
        { flags: LWPolylineFlags.Closed, layerName: layer },
      ),
    );
  }

  circle(prefix: string, layer: Layer, radiusMm: number): string {
    return this.named(prefix, `r ${radiusMm.toFixed(3)}`, (block) =>
      block.addCircle(point3d(0, 0), radiusMm, { layerName: layer }),
    );
  }

  private dimensions = 0;

  /** A dimension, with the block that shows it to programs that do not draw dimensions themselves. */
  dimension(mark: DimensionMark): void {
    this.dimensions += 1;
    const blockName = `DIMENSION-${this.dimensions}`;
    const block = this.dxf.addBlock(blockName);
    for (const part of mark.parts) add(block, this, part);
    const text = mark.parts.find((part) => part.type === 'text');
    const [from, to, through] = [mark.from, mark.to, mark.through].map(({ x, y }) => point3d(x, y)) as [
      vec3,
      vec3,
      vec3,
    ];
    this.dxf.addLinearDim(from, to, {
      blockName,
      angle: directionDeg(mark.to.y - mark.from.y, mark.to.x - mark.from.x),
      definitionPoint: through,
      ...(text?.type === 'text' ? { middlePoint: point3d(text.at.x, text.at.y) } : {}),
      text: plainText(mark.text),
      styleName: 'Standard',
      layerName: 'DIMENSIONS',
    });
  }

  private named(prefix: string, key: string, fill: (block: ReturnType<DxfWriter['addBlock']>) => void): string {
    const known = this.names.get(`${prefix} ${key}`);
    if (known) return known;
    const count = [...this.names.keys()].filter((each) => each.startsWith(`${prefix} `)).length;
    const name = `${prefix}-${count + 1}`;
    this.names.set(`${prefix} ${key}`, name);
    fill(this.dxf.addBlock(name));
    return name;
  }
}

type vec3 = ReturnType<typeof point3d>;
/** The drawing itself or a block in it. */
type Target = DxfWriter | ReturnType<DxfWriter['addBlock']>;

function add(dxf: Target, blocks: Blocks, primitive: Primitive): void {
  const layer = styleOf(primitive.style).layer;
  const options = { layerName: ('layer' in primitive ? primitive.layer : undefined) ?? layer };
  if (primitive.type === 'text') {
    const at = point3d(primitive.at.x, primitive.at.y);
    dxf.addText(at, primitive.heightMm, plainText(primitive.text), {
      ...options,
      rotation: primitive.turnDeg,
      horizontalAlignment:
        primitive.style === 'levelText'
          ? TextHorizontalAlignment.Left
          : primitive.style === 'levelTextLeft'
            ? TextHorizontalAlignment.Right
            : TextHorizontalAlignment.Center,
      verticalAlignment: TextVerticalAlignment.Middle,
      secondAlignmentPoint: at,
    });
  } else if (primitive.type === 'circle') {
    const prefix = primitive.style === 'bubble' ? 'GRID-HEAD' : 'COLUMN';
    const { x, y } = primitive.at;
    dxf.addInsert(blocks.circle(prefix, layer, primitive.radiusMm), point3d(x, y), options);
  } else if (primitive.type === 'area' && (primitive.style === 'columnCut' || primitive.style === 'bubble')) {
    const [ring] = primitive.rings;
    const centre = middle(ring!);
    const name = blocks.outline(
      primitive.style === 'bubble' ? 'GRID-HEAD' : 'COLUMN',
      layer,
      ring!.map((point) => minus(point, centre)),
    );
    dxf.addInsert(name, point3d(centre.x, centre.y), options);
  } else if (primitive.type === 'arc') {
    const { centre, radiusMm, fromDeg, sweepDeg } = primitive.arc;
    const at = point3d(centre.x, centre.y);
    if (sweepDeg >= 360) dxf.addCircle(at, radiusMm, options);
    else dxf.addArc(at, radiusMm, fromDeg % 360, (fromDeg + sweepDeg) % 360, options);
  } else if (primitive.type === 'path' && primitive.points.length === 2) {
    const [a, b] = primitive.points;
    dxf.addLine(point3d(a!.x, a!.y), point3d(b!.x, b!.y), options);
  } else {
    const isClosed = primitive.type === 'area' || primitive.closed;
    for (const points of primitive.type === 'area' ? primitive.rings : [primitive.points]) {
      dxf.addLWPolyline(
        points.map(({ x, y }) => ({ point: point2d(x, y) })),
        { ...options, flags: isClosed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
      );
    }
  }
}

const middle = (ring: Ring): Point => times(ring.reduce(plus, { x: 0, y: 0 }), 1 / ring.length);

const plainText = (text: string): string =>
  [...text]
    .map((sign) => {
      const code = sign.codePointAt(0)!;
      return code < 127 ? sign : `\\U+${code.toString(16).toUpperCase().padStart(4, '0')}`;
    })
    .join('');
