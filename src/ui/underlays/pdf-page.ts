import { getDocument, GlobalWorkerOptions } from 'pdfjs-dist';

/** Dots per inch a page is drawn at, lowered for large sheets so that the picture stays under the most pixels. */
const DOTS_PER_INCH = 150;
const MOST_PIXELS = 24_000_000;

/** A page of a PDF as a picture. `mmPerPx` is its size on paper. */
export interface PdfPage {
  picture: File;
  widthPx: number;
  heightPx: number;
  mmPerPx: number;
  pageCount: number;
}

/** Draws one page of a PDF file as a picture, in a worker of the PDF library. */
export async function pdfPage(file: File, pageNumber: number): Promise<PdfPage> {
  GlobalWorkerOptions.workerSrc = new URL('pdfjs-dist/build/pdf.worker.min.mjs', import.meta.url).toString();
  const task = getDocument({ data: new Uint8Array(await file.arrayBuffer()), isEvalSupported: false });
  try {
    const pdf = await task.promise;
    if (pageNumber < 1 || pageNumber > pdf.numPages) {
      throw new Error(`${file.name} has ${pdf.numPages} ${pdf.numPages === 1 ? 'page' : 'pages'}. Choose one of them`);
    }
    const page = await pdf.getPage(pageNumber);
    const natural = page.getViewport({ scale: 1 });
    const wanted = DOTS_PER_INCH / 72;
    const scale = Math.min(wanted, Math.sqrt(MOST_PIXELS / (natural.width * natural.height)));
    const viewport = page.getViewport({ scale });
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [Math.round(viewport.width), Math.round(viewport.height)];
    await page.render({ canvas, viewport }).promise;
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
    if (!blob) throw new Error('The page is too large to be drawn');
    return {
      picture: new File([blob], `${file.name.replace(/\.pdf$/i, '')} page ${pageNumber}.png`, { type: 'image/png' }),
      widthPx: canvas.width,
      heightPx: canvas.height,
      // 72 points are an inch.
      mmPerPx: 25.4 / 72 / scale,
      pageCount: pdf.numPages,
    };
  } finally {
    await task.destroy();
  }
}
