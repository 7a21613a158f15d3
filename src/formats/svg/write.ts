import type { Primitive } from '@/core/drawing/drawing';
import { STYLES, TEXT_STYLES } from '@/core/drawing/styles';
import type { SettingOutPlan } from '@/core/drawing/setting-out-plan';
import { onCircle } from '@/core/geometry/curve';
import type { Point } from '@/core/geometry/point';

const escape = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!);
const figure = (value: number): string => String(Math.round(value * 1e4) / 1e4);

/** Writes a sheet as SVG. One unit is a millimetre of paper, so it prints to scale. */
export function writeSvg({ drawing, paper, title }: SettingOutPlan): string {
  const { widthMm, heightMm } = paper;
  const at = (point: Point) => {
    const { x, y } = paper.place(point);
    return `${figure(x)} ${figure(y)}`;
  };
  const body = drawing.primitives.map((primitive) => paint(primitive, at, paper.scale, paper.place));
  const { xMm, yMm, widthMm: w, heightMm: h } = paper.title;
  const words = [title.project, title.building, title.client, title.level, title.scale]
    .filter((word) => word !== '')
    .map(escape)
    .join('   ');
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm}mm" height="${heightMm}mm" viewBox="0 0 ${widthMm} ${heightMm}">
<title>${escape(`${title.project}, ${title.level}`)}</title>
${body.join('\n')}
<rect x="${xMm}" y="${yMm}" width="${w}" height="${h}" fill="none" stroke="#1C252E" stroke-width="0.25"/>
<text x="${xMm + 4}" y="${yMm + h / 2}" font-family="Archivo, sans-serif" font-size="4" dominant-baseline="central">${words}</text>
</svg>
`;
}

function paint(
  primitive: Primitive,
  at: (point: Point) => string,
  scale: number,
  place: (point: Point) => Point,
): string {
  if (primitive.type === 'text') {
    const { x, y } = place(primitive.at);
    const face = TEXT_STYLES[primitive.style].figures ? "'Spline Sans Mono', monospace" : 'Archivo, sans-serif';
    const turn =
      primitive.turnDeg === 0 ? '' : ` transform="rotate(${figure(-primitive.turnDeg)} ${figure(x)} ${figure(y)})"`;
    const anchor = primitive.style === 'levelText' ? 'start' : primitive.style === 'levelTextLeft' ? 'end' : 'middle';
    return `<text x="${figure(x)}" y="${figure(y)}" font-family="${face}" font-size="${figure(primitive.heightMm / scale)}" text-anchor="${anchor}" dominant-baseline="central"${turn}>${escape(primitive.text)}</text>`;
  }
  const look = STYLES[primitive.style].paper;
  const dash = look.dashMm.length > 0 ? ` stroke-dasharray="${look.dashMm.join(' ')}"` : '';
  const isOpen = primitive.type === 'arc' || (primitive.type === 'path' && !primitive.closed);
  const paintwork = `fill="${isOpen ? 'none' : (look.fill ?? 'none')}" stroke="${look.stroke}" stroke-width="${look.weightMm}"${dash}`;
  if (primitive.type === 'circle') {
    const { x, y } = place(primitive.at);
    return `<circle cx="${figure(x)}" cy="${figure(y)}" r="${figure(primitive.radiusMm / scale)}" ${paintwork}/>`;
  }
  if (primitive.type === 'arc') {
    const { centre, radiusMm, fromDeg, sweepDeg } = primitive.arc;
    const r = figure(radiusMm / scale);
    const on = (deg: number) => at(onCircle(centre, radiusMm, deg));
    // Two halves, so that a whole circle is one as well.
    const half = `A${r} ${r} 0 0 0 ${on(fromDeg + sweepDeg / 2)}A${r} ${r} 0 0 0 ${on(fromDeg + sweepDeg)}`;
    return `<path d="M${on(fromDeg)}${half}" ${paintwork}/>`;
  }
  const rings = primitive.type === 'area' ? primitive.rings : [primitive.points];
  const d = rings.map((points) => `M${points.map(at).join('L')}${isOpen ? '' : 'Z'}`).join('');
  return `<path d="${d}" fill-rule="evenodd" ${paintwork}/>`;
}
