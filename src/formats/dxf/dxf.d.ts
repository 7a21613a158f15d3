declare module 'dxf' {
  /** Parses the text of an ASCII DXF file into plain objects. */
  export function parseString(text: string): unknown;
  /** Draws parsed entities as runs of points; arcs, ellipses, splines and bulges by chords. */
  export function toPolylines(parsed: unknown): { polylines: { vertices: [number, number][] }[] };
}
