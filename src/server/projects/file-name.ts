/** A file's name as somebody brought it, without what cannot be shown, and not longer than anybody reads. */
export const fileName = (name: string | undefined, otherwise: string): string =>
  (name ?? '')
    .toWellFormed()
    .replace(/[\p{Cc}\p{Cf}]/gu, '')
    .trim()
    .slice(0, 200)
    .toWellFormed() || otherwise;
