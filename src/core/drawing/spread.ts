/**
 * Moves positions along a line apart so that neighbours keep a least gap, with the least sum of squared moves; those
 * that are `fixed` stay where they are. Pool-adjacent-violators after taking the gaps out (isotonic regression; Ayer et
 * al., 1955), clamped between fixed neighbours, which is the optimum under bounds. O(n log n). Answers the new positions
 * in the order given. Fixed ones too near to one another leave no room, and what is between them overlaps.
 */
export function spreadApart(positions: readonly number[], gap: number, fixed: readonly boolean[] = []): number[] {
  const order = positions.map((_, i) => i).sort((a, b) => positions[a]! - positions[b]! || a - b);
  const spread = new Array<number>(positions.length);
  let start = 0;
  let low = -Infinity;
  for (let rank = 0; rank <= order.length; rank += 1) {
    const isEnd = rank === order.length;
    if (!isEnd && !fixed[order[rank]!]) continue;
    const high = isEnd ? Infinity : positions[order[rank]!]! - rank * gap;
    const wanted = order.slice(start, rank).map((index, i) => positions[index]! - (start + i) * gap);
    isotonic(wanted).forEach((value, i) => {
      spread[order[start + i]!] = Math.max(low, Math.min(high, value)) + (start + i) * gap;
    });
    if (!isEnd) spread[order[rank]!] = positions[order[rank]!]!;
    low = high;
    start = rank + 1;
  }
  return spread;
}

/** The nondecreasing values with the least sum of squared differences from those given. */
function isotonic(values: readonly number[]): number[] {
  const blocks: { sum: number; count: number }[] = [];
  for (const value of values) {
    blocks.push({ sum: value, count: 1 });
    while (blocks.length > 1) {
      const [before, last] = [blocks.at(-2)!, blocks.at(-1)!];
      if (before.sum / before.count <= last.sum / last.count) break;
      blocks.splice(-2, 2, { sum: before.sum + last.sum, count: before.count + last.count });
    }
  }
  return blocks.flatMap(({ sum, count }) => new Array<number>(count).fill(sum / count));
}
