import { z } from 'zod';
import type { Framework } from '@/core/model/framework';
import { idSchema } from '@/core/model/ids';
import { calledIn } from '@/core/commands/refer';
import { faultAfter } from '@/core/kinds/integrity';
import { FILE_VERSION, upcast } from '@/core/kinds/migrate';
import { recordSchema } from '@/core/kinds/records';
import type { Rec } from '@/core/model/kinds';
import { done, refuse, type Result } from '@/core/model/result';

const envelopeSchema = z.looseObject({
  format: z.literal('spine'),
  version: z.number().int().min(1),
  records: z.record(z.string(), z.looseObject({ kind: z.string(), id: idSchema.optional() })),
});

/** Reads a `*.spine.json` file. A newer version, an unsound record or a reference to nothing refuses it. */
export function readSpineFile(text: string): Result<Framework> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return refuse('This is not a framework file: it does not hold JSON');
  }
  const envelope = envelopeSchema.safeParse(json);
  const version = (json as { version?: unknown } | null)?.version;
  if (typeof version === 'number' && version > FILE_VERSION) {
    return refuse(
      `The file is of version ${version}; this program reads up to version ${FILE_VERSION}. Update the program`,
    );
  }
  if (!envelope.success) return refuse('This is not a framework file, or it is damaged');
  const records = new Map<string, Rec>();
  for (const [id, raw] of Object.entries(envelope.data.records)) {
    const record = upcast(raw, envelope.data.version);
    const parsed = recordSchema.safeParse(record);
    if (!parsed.success || parsed.data.id !== id) {
      const issue = parsed.success
        ? 'its id does not match'
        : `${parsed.error.issues[0]!.path.join('.')}: ${parsed.error.issues[0]!.message}`;
      return refuse(`Record ${id} of the file is damaged (${issue})`);
    }
    records.set(id, record as unknown as Rec);
  }
  const framework = { records };
  const fault = faultAfter(framework, { added: [...records.values()], patched: [], removed: [] }, null, calledIn);
  return fault ? refuse(`The file does not hold together: ${fault.message}`) : done(framework);
}
