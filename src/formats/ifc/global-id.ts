import { derivedCommandId, type Id } from '@/core/model/ids';

const SIGNS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz_$';

/** The 22-character form of a UUID that IFC uses: base 64, two bits in the first character. */
export function globalIdOf(id: Id): string {
  let value = BigInt(`0x${id.replaceAll('-', '')}`);
  let text = '';
  for (let i = 0; i < 22; i += 1) {
    text = SIGNS[Number(value & 63n)]! + text;
    value >>= 6n;
  }
  return text;
}

/** A GlobalId that stays the same from export to export, for something made from records: a piece, a relation. */
export const derivedGlobalId = (...parts: string[]): string => globalIdOf(derivedCommandId('ifc', ...parts));
