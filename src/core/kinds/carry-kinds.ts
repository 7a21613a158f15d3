/** What may be carried. Each kind adds what it is carried as, with its words in its definition. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface CarryKinds {}

export type CarryKind = keyof CarryKinds;
