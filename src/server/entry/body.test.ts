import { z } from 'zod';
import { jsonOf, readBody, readBytes } from './body';

const request = (body: BodyInit | null, type = 'application/json') =>
  new Request('http://127.0.0.1/', {
    method: 'POST',
    ...(body === null ? {} : { body }),
    headers: { 'content-type': type },
  });
const json = { type: 'json', mostBytes: 10_000 } as const;

describe('a request’s body', () => {
  const schema = z.strictObject({ name: z.string() });
  const text = (words: string) => new TextEncoder().encode(words);
  it('is read by its schema', () => {
    expect(jsonOf(text('{"name":"Ä"}'), schema)).toEqual({ name: 'Ä' });
    expect(() => jsonOf(text('{"name":1}'), schema)).toThrow(z.ZodError);
    expect(() => jsonOf(text('{"name":'), schema)).toThrow('The request does not hold JSON');
    expect(() => jsonOf(new Uint8Array([0x22, 0xff, 0x22]), schema)).toThrow('The request does not hold JSON');
  });
  it('must be of the type its route takes: no other makes a browser ask first', async () => {
    expect((await readBody(request('{}'), json)).length).toBe(2);
    for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data', ''])
      await expect(readBody(request('{}', type), json)).rejects.toMatchObject({ status: 415 });
    expect(await readBody(request('ignored', 'text/plain'), { type: 'none' })).toEqual(new Uint8Array());
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
    await expect(readBytes(streamed, 10_000)).rejects.toMatchObject({
      status: 413,
      message: 'That is larger than 10 kB',
    });
    expect(pulled).toBeLessThan(20);
    expect((await readBytes(request('x'.repeat(10_000)), 10_000)).length).toBe(10_000);
  });
  it('is what was sent, whether its size was said before or not, and never more than was said', async () => {
    const of = (said: number | null) =>
      new Request('http://127.0.0.1/', {
        method: 'POST',
        body: 'abcdef',
        ...(said === null ? {} : { headers: { 'content-length': String(said) } }),
      });
    for (const said of [null, 6, 9]) expect(Buffer.from(await readBytes(of(said), 100)).toString()).toBe('abcdef');
    await expect(readBytes(of(3), 100)).rejects.toMatchObject({ status: 413 });
  });
  it('that says itself it is too large is not read at all', async () => {
    const said = new Request('http://127.0.0.1/', {
      method: 'POST',
      body: '{}',
      headers: { 'content-type': 'application/json', 'content-length': '480000000' },
    });
    await expect(readBody(said, json)).rejects.toMatchObject({ status: 413 });
    expect(said.bodyUsed).toBe(false);
  });
});
