import { createCanvas } from '@napi-rs/canvas';
import { refuse, type Result } from '@/core/model/result';
import type { Made } from './made';

/** Dots per inch a page is drawn at, lowered for large sheets so that the picture stays under the most pixels. */
const DOTS_PER_INCH = 150;
const MOST_PIXELS = 24_000_000;

/** One page of a PDF file as a picture. `mmPerPx` is its size on paper. */
export async function pdfPage(bytes: Uint8Array, pageNumber: number): Promise<Result<Made>> {
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const task = getDocument({ data: new Uint8Array(bytes), isEvalSupported: false, verbosity: 0 });
  try {
    const pdf = await task.promise;
    if (pageNumber < 1 || pageNumber > pdf.numPages)
      return refuse(`The file has ${pdf.numPages} ${pdf.numPages === 1 ? 'page' : 'pages'}. Choose one of them`);
    const page = await pdf.getPage(pageNumber);
    const natural = page.getViewport({ scale: 1 });
    const scale = Math.min(DOTS_PER_INCH / 72, Math.sqrt(MOST_PIXELS / (natural.width * natural.height)));
    const viewport = page.getViewport({ scale });
    const [widthPx, heightPx] = [Math.round(viewport.width), Math.round(viewport.height)];
    if (widthPx < 1 || heightPx < 1) return refuse('That page has no size, so there is nothing to show');
    const canvas = createCanvas(widthPx, heightPx);
    await page.render({ canvas: canvas as unknown as HTMLCanvasElement, viewport }).promise;
    const json = {
      width: widthPx,
      height: heightPx,
      type: 'image/png',
      // 72 points are an inch.
      mmPerPx: 25.4 / 72 / scale,
      pageCount: pdf.numPages,
    };
    return { ok: true, value: { json, file: canvas.toBuffer('image/png') } };
  } catch (error) {
    return /password/i.test((error as Error).name)
      ? refuse('The PDF is locked with a password. Save it without one')
      : refuse('The PDF is damaged and cannot be shown. Save it anew, or as PNG');
  } finally {
    await task.destroy();
  }
}
