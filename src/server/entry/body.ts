import { z } from 'zod';
import { RequestRefused } from './refusal';
import type { Body } from './rules';

const sizeOf = (bytes: number): string => (bytes >= 1e6 ? `${bytes / 1e6} MB` : `${bytes / 1e3} kB`);

const tooLarge = (mostBytes: number) =>
  new RequestRefused(413, `That is larger than ${sizeOf(mostBytes)}`, {}, { connection: 'close' });

/** Media types a body of each sort may be of. Only these make a browser ask before it sends from another address. */
const TYPES: Record<Body['type'], readonly string[]> = {
  none: [],
  json: ['application/json'],
  file: ['application/octet-stream'],
};

/** A request's body as its rule allows it: of the right type, and refused as soon as it grows over the cap. */
export async function readBody(request: Request, body: Body): Promise<Uint8Array> {
  if (body.type === 'none') return new Uint8Array();
  const type = (request.headers.get('content-type') ?? '').split(';')[0]!.trim().toLowerCase();
  if (!TYPES[body.type].includes(type))
    throw new RequestRefused(415, `Send this as ${TYPES[body.type].join(' or ')}`, {}, { connection: 'close' });
  if (Number(request.headers.get('content-length') ?? 0) > body.mostBytes) throw tooLarge(body.mostBytes);
  return readBytes(request, body.mostBytes);
}

/** A request's bytes, refused as soon as they grow over the cap. Where the size is said, each piece goes to its place at once. */
export async function readBytes(request: Request, mostBytes: number): Promise<Uint8Array> {
  const said = Number(request.headers.get('content-length') ?? 0);
  const whole = said > 0 && said <= mostBytes ? Buffer.allocUnsafeSlow(said) : null;
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  for (;;) {
    const part = await reader?.read();
    if (!part || part.done) break;
    if (size + part.value.length > (whole?.length ?? mostBytes)) {
      await reader?.cancel();
      throw tooLarge(mostBytes);
    }
    if (whole) whole.set(part.value, size);
    else chunks.push(part.value);
    size += part.value.length;
  }
  return whole ? whole.subarray(0, size) : Buffer.concat(chunks);
}

/** JSON of a body by its schema. Text that is no well-formed UTF-8 is no JSON. */
export function jsonOf<T>(bytes: Uint8Array, schema: z.ZodType<T>): T {
  let json: unknown;
  try {
    json = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    throw new RequestRefused(400, 'The request does not hold JSON');
  }
  return schema.parse(json);
}
