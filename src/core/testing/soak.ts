/** `npm run soak` tries random runs longer than `npm test` has time for. Jest's configuration says which it is. */
export const IS_SOAK = (globalThis as { isSoak?: boolean }).isSoak === true;

/** Time a random run may take, milliseconds; nothing is measured by the clock. */
export const SOAK_MS = IS_SOAK ? 3_600_000 : 300_000;
