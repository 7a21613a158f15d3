import { z } from 'zod';
import { inputRefusal } from '@/core/model/command';
import { AccessRefused } from './access';
import { log } from './log';

/** A refusal to answer a request with, in words. */
export class RequestRefused extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

/** Runs a handler and turns refusals into answers with a readable message. */
export async function handle(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof AccessRefused || error instanceof RequestRefused) {
      return Response.json({ message: error.message }, { status: error.status });
    }
    if (error instanceof z.ZodError) return Response.json({ message: inputRefusal(error).message }, { status: 400 });
    log.error({ error: error instanceof Error ? error.stack : String(error) }, 'a request failed');
    return Response.json(
      { message: 'Something went wrong on the server; nothing was changed. Try again' },
      { status: 500 },
    );
  }
}

/** A request's JSON body by its schema, read up to a number of bytes. */
export async function readJson<T>(request: Request, schema: z.ZodType<T>, mostBytes = 2_000_000): Promise<T> {
  const bytes = await readBytes(request, mostBytes);
  try {
    return schema.parse(JSON.parse(new TextDecoder().decode(bytes)));
  } catch (error) {
    if (error instanceof z.ZodError) throw error;
    throw new RequestRefused(400, 'The request does not hold JSON');
  }
}

/** A request's body, refused as soon as it grows over the cap. */
export async function readBytes(request: Request, mostBytes: number): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  for (;;) {
    const part = await reader?.read();
    if (!part || part.done) break;
    size += part.value.length;
    if (size > mostBytes) {
      await reader?.cancel();
      throw new RequestRefused(413, `That is larger than ${Math.round(mostBytes / 1e6)} MB`);
    }
    chunks.push(part.value);
  }
  return Buffer.concat(chunks);
}
