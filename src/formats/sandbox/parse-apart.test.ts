import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseDxfApart } from './parse-apart';

const child = (code: string): string => {
  const file = join(mkdtempSync(join(tmpdir(), 'spine-')), 'child.mjs');
  writeFileSync(file, code);
  return file;
};

describe('a parser in a process of its own', () => {
  it('answers what the drawing holds', async () => {
    const sheet = await parseDxfApart(readFileSync('e2e/fixtures/structure-grid-mm.dxf'));
    expect(sheet.ok && sheet.value.unit).toBe('mm');
  });
  it('is ended when it takes too long', async () => {
    const slow = await parseDxfApart(Buffer.from('x'), { longestMs: 300, child: child('setInterval(() => {}, 1000)') });
    expect(slow).toMatchObject({ ok: false, refusal: { message: expect.stringMatching(/too long/) } });
  });
  it('is ended when it takes too much memory, and its crash is only a message', async () => {
    const greedy = child('const all = []; for (;;) all.push(new Array(1e6).fill({}).map((_, i) => ({ i })));');
    expect(await parseDxfApart(Buffer.from('x'), { child: greedy })).toMatchObject({
      ok: false,
      refusal: { message: expect.stringMatching(/too much memory/) },
    });
    expect(await parseDxfApart(Buffer.from('x'), { child: child('process.exit(3)') })).toMatchObject({ ok: false });
    expect(await parseDxfApart(Buffer.from('x'), { child: child('console.log("{")') })).toMatchObject({ ok: false });
  }, 60_000);
});
