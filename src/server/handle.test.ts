import { z } from 'zod';
import { AccessRefused } from './access';
import { handle, readBytes, readJson, RequestRefused } from './handle';

const request = (body: BodyInit | null, method = 'POST') =>
  new Request('http://127.0.0.1/', body === null ? { method: 'GET' } : { method, body });
const answer = async (work: () => Promise<Response>) => {
  const response = await handle(work);
  return [response.status, ((await response.json()) as { message?: string }).message];
};

describe('a handler’s answer', () => {
  it('is what the work gives', async () => {
    expect((await handle(async () => Response.json({ ok: true }, { status: 201 }))).status).toBe(201);
  });
  it('is the refusal’s status and words', async () => {
    const refused = (error: Error) =>
      answer(async () => {
        throw error;
      });
    expect(await refused(new AccessRefused(404, 'There is no such project'))).toEqual([
      404,
      'There is no such project',
    ]);
    expect(await refused(new RequestRefused(413, 'Too large'))).toEqual([413, 'Too large']);
    const schema = z.strictObject({ a: z.number('A number is missing') });
    expect(await answer(async () => Response.json(schema.parse({})))).toEqual([400, 'A number is missing (at a)']);
  });
});

describe('a request’s body', () => {
  const schema = z.strictObject({ name: z.string() });
  it('is read by its schema', async () => {
    expect(await readJson(request('{"name":"Ä"}'), schema)).toEqual({ name: 'Ä' });
    await expect(readJson(request('{"name":1}'), schema)).rejects.toThrow(z.ZodError);
    await expect(readJson(request('{"name":'), schema)).rejects.toThrow('The request does not hold JSON');
    await expect(readJson(request(null), schema)).rejects.toThrow('The request does not hold JSON');
  });
  it('is refused as soon as it grows over the cap, without reading the rest', async () => {
    let pulled = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull: (controller) => {
        pulled += 1;
        controller.enqueue(new Uint8Array(1000));
      },
    });
    const streamed = new Request('http://127.0.0.1/', { method: 'POST', body: endless, duplex: 'half' } as RequestInit);
    await expect(readBytes(streamed, 10_000)).rejects.toThrow(/larger than/);
    expect(pulled).toBeLessThan(20);
    expect((await readBytes(request('x'.repeat(10_000)), 10_000)).length).toBe(10_000);
  });
});
