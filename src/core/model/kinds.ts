/** Every kind of record there is, by name. The folder of each noun adds its own; this file knows none. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface Kinds {}

export type Kind = keyof Kinds & string;
export type RecordOf<K extends Kind> = Kinds[K];
/** Any record. */
export type Rec = Kinds[Kind];
