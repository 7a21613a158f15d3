/**
 * Moves positions along a line apart so that neighbours keep a least gap, with the least sum of squared moves.
 * Pool-adjacent-violators after taking the gaps out (isotonic regression; Ayer et al., 1955). O(n log n).
 * Answers the new positions in the order given.
 */
export function spreadApart(positions: readonly number[], gap: number): number[] {
  const order = positions.map((_, i) => i).sort((a, b) => positions[a]! - positions[b]! || a - b);
  const blocks: { sum: number; count: number }[] = [];
  order.forEach((index, rank) => {
    blocks.push({ sum: positions[index]! - rank * gap, count: 1 });
    while (blocks.length > 1) {
      const [before, last] = [blocks.at(-2)!, blocks.at(-1)!];
      if (before.sum / before.count <= last.sum / last.count) break;
      blocks.splice(-2, 2, { sum: before.sum + last.sum, count: before.count + last.count });
    }
  });
  const spread = new Array<number>(positions.length);
  let rank = 0;
  for (const { sum, count } of blocks) {
    for (let i = 0; i < count; i += 1, rank += 1) spread[order[rank]!] = sum / count + rank * gap;
  }
  return spread;
}
