import type { WallUse } from '@/core/walls/wall';
import type { WallFace } from '@/core/walls/wall-faces';

export const USE_CHOICES: readonly (readonly [WallUse, string])[] = [
  ['exterior', 'exterior'],
  ['interior', 'interior'],
  ['core', 'core'],
  ['party', 'party wall'],
  ['glazed', 'glazed'],
];

export const FACE_CHOICES: readonly (readonly [WallFace, string])[] = [
  ['outside', 'its outside face'],
  ['coreOutside', 'outside of its core'],
  ['coreCentre', 'middle of its core'],
  ['coreInside', 'inside of its core'],
  ['inside', 'its inside face'],
  ['centre', 'its middle'],
];
