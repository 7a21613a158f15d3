/** Lists one after the other. */
export const together = <T>(lists: readonly (readonly T[])[]): T[] => ([] as T[]).concat(...lists);
