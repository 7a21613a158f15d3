import type { Profile } from './boolean';
import type { Ring } from './polygon';

/** Profiles by plan key. Equal keys share one profile, so typical floors are cut once. */
export interface ProfileStore {
  get: (key: string, outline: Ring, holes: readonly Ring[]) => Profile;
}

/** Profiles of rings together less others, kept by what they are made of. */
export type UnionStore = (key: string, rings: readonly Ring[], holes: readonly Ring[]) => Profile;
