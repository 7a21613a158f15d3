import type { Framework } from '@/core/model/framework';
import type { Rec } from '@/core/model/kinds';

/** Records that are written before others get their turn. */
const AT_ONCE = 200;

/** A framework as lines of JSON, one record each. Written in pieces, so that nobody else is held up by a large one. */
export async function recordLines({ records }: Framework): Promise<Buffer> {
  const parts: Buffer[] = [];
  let lines: string[] = [];
  for (const entry of records) {
    lines.push(JSON.stringify(entry));
    if (lines.length < AT_ONCE) continue;
    parts.push(Buffer.from(`${lines.join('\n')}\n`));
    lines = [];
    await new Promise((done) => setImmediate(done));
  }
  parts.push(Buffer.from(lines.join('\n')));
  return Buffer.concat(parts);
}

/** The framework of such lines. */
export const frameworkOfLines = (bytes: Uint8Array): Framework => ({
  records: new Map(
    Buffer.from(bytes)
      .toString()
      .split('\n')
      .filter((line) => line !== '')
      .map((line) => JSON.parse(line) as [string, Rec]),
  ),
});
