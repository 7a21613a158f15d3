/** A file's name as somebody brought it, without what cannot be shown, and not longer than anybody reads. */
export const fileName = (name: string | undefined, otherwise: string): string =>
  (name ?? '')
    .toWellFormed()
    .replace(/[\p{Cc}\p{Cf}]/gu, '')
    .trim()
    .slice(0, 200)
    .toWellFormed() || otherwise;

/** Headers of an answer that is saved under a name. */
export const attachment = (name: string, type: string): Record<string, string> => ({
  'content-type': type,
  'content-disposition': `attachment; filename="${encodeURIComponent(name)}"`,
});

/** A file as an answer that is saved under its name. */
export const fileAnswer = ({ bytes, type, name }: { bytes: Uint8Array; type: string; name: string }): Response =>
  new Response(bytes as Uint8Array<ArrayBuffer>, { headers: attachment(name, type) });
