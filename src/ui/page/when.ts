const STAMP = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short', timeZone: 'UTC' });
const DAY = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeZone: 'UTC' });

/** A moment as it is read, the same on the server and in every browser. */
export const when = (iso: string): string => STAMP.format(new Date(iso));

/** A day as it is read. */
export const onDay = (iso: string): string => DAY.format(new Date(iso));
