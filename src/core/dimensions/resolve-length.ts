import { derived } from '../model/derived';
import { recordsOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import { quantiseMm } from '../units/length-units';
import { lengthMm, parseLength, type Length, type LengthContext, type ParsedLength } from '../units/parse-length';
import { parseBays, type ParsedBays } from '../units/parse-bays';
import type { Result } from '../model/result';

/** Millimetres of every named dimension. Circles cannot be stored, so each is worked out after those it uses. */
const dimensionValues = derived('dimensions', (framework): ReadonlyMap<Id, number> => {
  const values = new Map<Id, number>();
  const records = new Map(recordsOf(framework, 'dimension').map((record) => [record.id, record]));
  const valueOf = (id: Id): number | undefined => {
    const known = values.get(id);
    if (known !== undefined) return known;
    const record = records.get(id);
    if (!record) return undefined;
    records.delete(id);
    const mm = lengthMm(record.value, valueOf) ?? 0;
    values.set(id, mm);
    return mm;
  };
  for (const id of [...records.keys()]) valueOf(id);
  return values;
});

/** Millimetres of a stored length. */
export function mmOf(framework: Framework, length: Length): number {
  if (typeof length === 'number') return length;
  const values = dimensionValues(framework);
  return quantiseMm(lengthMm(length, (id) => values.get(id)) ?? 0);
}

/** A framework's named dimensions, for what is typed. */
function namesIn(framework: Framework): Pick<LengthContext, 'named' | 'byId'> {
  const values = dimensionValues(framework);
  const byName = new Map(recordsOf(framework, 'dimension').map((record) => [record.name, record.id]));
  return {
    named: (name) => {
      const id = byName.get(name);
      return id === undefined ? undefined : { id, mm: values.get(id) ?? 0 };
    },
    byId: (id) => values.get(id),
  };
}

/** Reads a typed length in which the framework's named dimensions may stand. */
export const parseLengthIn = (framework: Framework, text: string, context: LengthContext = {}): Result<ParsedLength> =>
  parseLength(text, { ...context, ...namesIn(framework) });

/** Reads a list of bays in the same way. */
export const parseBaysIn = (framework: Framework, text: string, context: LengthContext = {}): Result<ParsedBays> =>
  parseBays(text, { ...context, ...namesIn(framework) });

/** A stored length plus a number of millimetres; an expression stays one. */
export function lengthPlus(length: Length, mm: number): Length {
  const shift = quantiseMm(mm);
  if (shift === 0) return length;
  if (typeof length === 'number') return quantiseMm(length + shift);
  return { expr: `${length.expr} ${shift < 0 ? '-' : '+'} ${Math.abs(shift)}mm` };
}
