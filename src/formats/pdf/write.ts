import { join } from 'node:path';
import PDFDocument from 'pdfkit';
import type { Primitive } from '@/core/drawing/drawing';
import type { OnPaper } from '@/core/drawing/paper';
import { STYLES, TEXT_STYLES } from '@/core/drawing/styles';
import type { SettingOutPlan } from '@/core/drawing/setting-out-plan';
import type { Point } from '@/core/geometry/point';

/** Points of a PDF per millimetre. */
const PT = 72 / 25.4;
const FONTS = {
  words: '@fontsource/archivo/files/archivo-latin-400-normal.woff',
  strong: '@fontsource/archivo/files/archivo-latin-600-normal.woff',
  figures: '@fontsource/spline-sans-mono/files/spline-sans-mono-latin-400-normal.woff',
};

/** Writes a sheet as PDF to exact scale, fonts embedded: the plan, then the crossings' coordinates. `at` is when it says it was made. */
export function writePdf(plan: SettingOutPlan, at: Date): Promise<Uint8Array> {
  const { paper, title, coordinates } = plan;
  const size: [number, number] = [paper.widthMm * PT, paper.heightMm * PT];
  const pdf = new PDFDocument({
    size,
    margin: 0,
    autoFirstPage: false,
    info: {
      Title: `${title.project}, ${title.level}`,
      Producer: 'Zenith Spine',
      Creator: 'Zenith Spine',
      CreationDate: at,
    },
  });
  const chunks: Uint8Array[] = [];
  const ended = new Promise<Uint8Array>((resolve, reject) => {
    pdf.on('data', (chunk: Uint8Array) => chunks.push(chunk));
    pdf.on('end', () => resolve(Buffer.concat(chunks)));
    pdf.on('error', reject);
  });
  for (const [name, file] of Object.entries(FONTS)) pdf.registerFont(name, join(process.cwd(), 'node_modules', file));
  pdf.addPage({ size, margin: 0 });
  for (const primitive of plan.drawing.primitives) paint(pdf, primitive, paper);
  titleStrip(pdf, plan);
  if (coordinates.length > 0) coordinatePages(pdf, plan, size);
  pdf.end();
  return ended;
}

/** The library draws arcs; its types do not say so. */
interface WithArc {
  arc: (x: number, y: number, radius: number, from: number, to: number, anticlockwise: boolean) => void;
}

function paint(pdf: PDFKit.PDFDocument, primitive: Primitive, paper: OnPaper): void {
  const onPage = (point: Point): [number, number] => {
    const { x, y } = paper.place(point);
    return [x * PT, y * PT];
  };
  if (primitive.type === 'text') {
    const [x, y] = onPage(primitive.at);
    const height = (primitive.heightMm / paper.scale) * PT;
    pdf.save();
    pdf.translate(x, y);
    if (primitive.turnDeg !== 0) pdf.rotate(-primitive.turnDeg);
    pdf
      .font(TEXT_STYLES[primitive.style].figures ? 'figures' : 'words')
      .fontSize(height)
      .fillColor('#1C252E');
    const width = pdf.widthOfString(primitive.text);
    const left = primitive.style === 'levelText' ? 0 : primitive.style === 'levelTextLeft' ? -width : -width / 2;
    pdf.text(primitive.text, left, 0, { lineBreak: false, baseline: 'middle' });
    pdf.restore();
    return;
  }
  const look = STYLES[primitive.style].paper;
  const isOpen = primitive.type === 'arc' || (primitive.type === 'path' && !primitive.closed);
  pdf
    .save()
    .lineWidth(look.weightMm * PT)
    // Sharp corners do not stick out.
    .miterLimit(2)
    .strokeColor(look.stroke);
  if (look.dashMm.length > 0) {
    const dashes = look.dashMm.map((mm) => mm * PT);
    // The library's types know one dash and one gap; it takes a list.
    pdf.dash(dashes as unknown as number, {});
  }
  if (primitive.type === 'circle') {
    pdf.circle(...onPage(primitive.at), (primitive.radiusMm / paper.scale) * PT);
  } else if (primitive.type === 'arc') {
    const { centre, radiusMm, fromDeg, sweepDeg } = primitive.arc;
    // Angles of the page run clockwise: its y axis points down.
    const [from, to] = [-fromDeg, -(fromDeg + sweepDeg)].map((deg) => (deg * Math.PI) / 180);
    (pdf as unknown as WithArc).arc(...onPage(centre), (radiusMm / paper.scale) * PT, from!, to!, true);
  } else {
    for (const points of primitive.type === 'area' ? primitive.rings : [primitive.points]) {
      points.forEach((point, i) => (i === 0 ? pdf.moveTo(...onPage(point)) : pdf.lineTo(...onPage(point))));
      if (!isOpen) pdf.closePath();
    }
  }
  if (look.fill && !isOpen) pdf.fillColor(look.fill).fillAndStroke(look.fill, look.stroke, 'even-odd');
  else pdf.stroke();
  pdf.restore();
}

function titleStrip(pdf: PDFKit.PDFDocument, { paper, title }: SettingOutPlan): void {
  const { xMm, yMm, widthMm, heightMm } = paper.title;
  pdf
    .save()
    .lineWidth(0.25 * PT)
    .strokeColor('#1C252E');
  pdf.rect(xMm * PT, yMm * PT, widthMm * PT, heightMm * PT).stroke();
  pdf.restore();
  // Whom it is for stands in a second line, if that is known.
  const y = (yMm + heightMm * (title.client === '' ? 0.5 : 0.36)) * PT;
  const options = { lineBreak: false, baseline: 'middle' as const };
  pdf.fillColor('#1C252E').font('strong').fontSize(11);
  pdf.text(`${title.project}, ${title.building}`, (xMm + 4) * PT, y, options);
  const after = xMm + 4 + pdf.widthOfString(`${title.project}, ${title.building}`) / PT + 8;
  pdf
    .font('words')
    .fontSize(10)
    .text(title.level, after * PT, y, options);
  if (title.client !== '')
    pdf
      .fontSize(8)
      .text(title.client, (xMm + 4) * PT, (yMm + heightMm * 0.76) * PT, options)
      .fontSize(10);
  const right = (xMm + widthMm - 4) * PT - pdf.widthOfString(title.scale);
  pdf.text(title.scale, right, y, options);
}

/** The coordinates of the crossings, in columns of rows, on as many pages as they need. */
function coordinatePages(
  pdf: PDFKit.PDFDocument,
  { paper, title, coordinates }: SettingOutPlan,
  size: [number, number],
): void {
  const hasSurvey = coordinates.some(({ eastingMm }) => eastingMm !== null);
  const [rowMm, columnMm, topMm] = [5, hasSurvey ? 138 : 78, 24];
  const rows = Math.floor((paper.heightMm - topMm - 12) / rowMm);
  const columns = Math.max(1, Math.floor((paper.widthMm - 20) / columnMm));
  for (let start = 0; start < coordinates.length; start += rows * columns) {
    pdf.addPage({ size, margin: 0 });
    pdf.fillColor('#1C252E').font('strong').fontSize(11);
    pdf.text(`${title.project}, ${title.building}: crossings, mm from the setting-out point`, 10 * PT, 12 * PT, {
      lineBreak: false,
    });
    if (hasSurvey) {
      pdf.font('words').fontSize(8.5);
      pdf.text(
        'from the setting-out point: along x, along y; then easting and northing in metres',
        10 * PT,
        17.5 * PT,
        {
          lineBreak: false,
        },
      );
    }
    coordinates.slice(start, start + rows * columns).forEach(({ label, xMm, yMm, eastingMm, northingMm }, i) => {
      const [left, y] = [(10 + Math.floor(i / rows) * columnMm) * PT, (topMm + (i % rows) * rowMm) * PT];
      const right = (text: string, edgeMm: number) =>
        pdf.text(text, left + edgeMm * PT - pdf.widthOfString(text), y, { lineBreak: false });
      pdf.font('figures').fontSize(8.5);
      pdf.text(label, left, y, { lineBreak: false });
      right(xMm.toFixed(1), 46);
      right(yMm.toFixed(1), 72);
      if (eastingMm === null || northingMm === null) return;
      right((eastingMm / 1000).toFixed(4), 102);
      right((northingMm / 1000).toFixed(4), 132);
    });
  }
}
