/** Corners typed as pairs of millimetres. */
export const corners = (text: string) =>
  text.split(' ').map((pair) => {
    const [xMm = 0, yMm = 0] = pair.split(',').map(Number);
    return { xMm, yMm };
  });
