/** Corners written as `0,0 9000,0 9000,6000`. */
export const corners = (text: string): { xMm: number; yMm: number }[] =>
  text.split(' ').map((pair) => {
    const [xMm, yMm] = pair.split(',').map(Number);
    return { xMm: xMm!, yMm: yMm! };
  });

/** A rectangle from its corner at a place. */
export const rectangle = (place: string, widthMm: number, depthMm: number) => ({
  type: 'rectangle' as const,
  place,
  widthMm,
  depthMm,
});

/** A wall type of one layer of 200. */
export const WALL_200 = { name: 'T', layers: [{ name: 'concrete', thicknessMm: 200, core: true }] };
