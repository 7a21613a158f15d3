/** Faces of a wall, from the outside inwards, and its middle. */
export const WALL_FACES = ['outside', 'coreOutside', 'coreCentre', 'coreInside', 'inside', 'centre'] as const;
export type WallFace = (typeof WALL_FACES)[number];
