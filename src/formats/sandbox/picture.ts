import sharp from 'sharp';
import { refuse, type Result } from '@/core/model/result';
import type { Made } from './made';

/** Pixels of a picture at the most: a few kilobytes can claim any number of them. */
const MOST_PIXELS = 100_000_000;

const NO_PICTURE = 'That is no picture that can be shown. Choose PNG, JPEG, PDF or DXF';

/** A picture's pixels, written anew as PNG or JPEG: whatever else the file held is left behind. */
export async function redrawn(bytes: Uint8Array): Promise<Result<Made>> {
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error', pages: 1 }).rotate();
    const { format } = await picture.metadata();
    if (format !== 'png' && format !== 'jpeg') return refuse(NO_PICTURE);
    const drawn = format === 'png' ? picture.png() : picture.jpeg({ quality: 92 });
    const { data, info } = await drawn.toBuffer({ resolveWithObject: true });
    const json = { width: info.width, height: info.height, type: format === 'png' ? 'image/png' : 'image/jpeg' };
    return { ok: true, value: { json, file: data } };
  } catch (error) {
    const { message } = error as Error;
    if (/unsupported image format/i.test(message)) return refuse(NO_PICTURE);
    return /pixel limit/i.test(message)
      ? refuse(`The picture has more than ${MOST_PIXELS / 1e6} million pixels. Make it smaller`)
      : refuse('The picture is damaged and cannot be shown. Save it anew as PNG or JPEG');
  }
}
