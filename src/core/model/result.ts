/** Why something was not done: what is wrong, where, and what to do about it. Nothing has changed. */
export interface Refusal {
  message: string;
  /** Character position in a typed text, counted from 0, when the refusal is about one. */
  at?: number;
  /** Path of the field in the input, when the refusal is about one. */
  path?: (string | number)[];
}

export type Result<T> = { ok: true; value: T } | { ok: false; refusal: Refusal };

export const done = <T>(value: T): Result<T> => ({ ok: true, value });

export const refuse = (message: string, where: Omit<Refusal, 'message'> = {}): { ok: false; refusal: Refusal } => ({
  ok: false,
  refusal: { message, ...where },
});
