/** A file name's beginning from a thing's name: letters and digits, the rest as hyphens. */
export const fileStem = (name: string): string => name.replace(/[^\p{L}\d]+/gu, '-').toLowerCase();
