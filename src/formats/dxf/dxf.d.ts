declare module 'dxf' {
  /** Parses the text of an ASCII DXF file into plain objects. */
  export function parseString(text: string): unknown;
}
