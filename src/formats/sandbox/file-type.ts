/** Kinds of file told by how they begin. */
const BEGINS = {
  png: [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
  jpeg: [0xff, 0xd8, 0xff],
  pdf: [0x25, 0x50, 0x44, 0x46],
  // ISO-10303-21;
  step: [0x49, 0x53, 0x4f, 0x2d, 0x31, 0x30, 0x33, 0x30, 0x33, 0x2d, 0x32, 0x31, 0x3b],
  zip: [0x50, 0x4b, 0x03, 0x04],
} as const;

/** True if bytes begin as a file of that kind does. */
export const isA = (kind: keyof typeof BEGINS, bytes: Uint8Array): boolean =>
  BEGINS[kind].every((byte, i) => bytes[i] === byte);

/** The media type of a picture that is kept; null for anything else. */
export const pictureType = (bytes: Uint8Array): string | null =>
  isA('png', bytes) ? 'image/png' : isA('jpeg', bytes) ? 'image/jpeg' : null;
