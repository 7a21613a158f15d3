import fc from 'fast-check';
import { PassThrough } from 'node:stream';
import { Incoming } from './bytes-across';

it('bytes come out in the pieces that are asked for, however they came in', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.uint8Array({ maxLength: 200 }),
      fc.array(fc.nat(60), { maxLength: 8 }),
      fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 8 }),
      async (bytes, asked, pieces) => {
        const pipe = new PassThrough();
        const incoming = new Incoming(pipe);
        for (let at = 0, i = 0; at < bytes.length; i += 1) {
          const size = pieces[i % pieces.length]!;
          pipe.write(bytes.subarray(at, at + size));
          at += size;
        }
        let taken = 0;
        for (const count of asked) {
          if (taken + count > bytes.length) break;
          expect([...(await incoming.take(count))]).toEqual([...bytes.subarray(taken, taken + count)]);
          taken += count;
        }
      },
    ),
    { numRuns: 100 },
  );
});
