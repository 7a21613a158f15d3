'use client';

import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import type { RefObject } from 'react';

interface Wanted {
  count: number;
  /** Of one row or column, px. */
  sizePx: number;
  /** What scrolls. */
  scroll: RefObject<HTMLElement | null>;
  across?: boolean;
  /** One that stays although it is out of sight: somebody is typing in it. */
  kept?: number | null;
}

/** The part of a long table that is in sight, and the room of what is left out before each of its rows or columns and behind the last. */
export interface Window {
  shown: { index: number; gapPx: number }[];
  restPx: number;
  /** Brings one into sight. */
  show: (index: number) => void;
}

/** Rows or columns of a table of any length: only those in sight are drawn, with some to spare. */
export function useWindow({ count, sizePx, scroll, across = false, kept = null }: Wanted): Window {
  const virtual = useVirtualizer({
    count,
    getScrollElement: () => scroll.current,
    estimateSize: () => sizePx,
    horizontal: across,
    overscan: 8,
    // Before it is measured: what a screen of 1280 × 800 has room for.
    initialRect: { width: 1280, height: 800 },
    rangeExtractor: (range) => {
      const inSight = defaultRangeExtractor(range);
      return kept === null || kept >= count || inSight.includes(kept)
        ? inSight
        : [...inSight, kept].sort((a, b) => a - b);
    },
  });
  const items = virtual.getVirtualItems();
  let at = 0;
  const shown = items.map(({ index, start, end }) => {
    const gapPx = start - at;
    at = end;
    return { index, gapPx };
  });
  return {
    shown,
    restPx: Math.max(0, virtual.getTotalSize() - at),
    show: (index) => virtual.scrollToIndex(index, { align: 'auto' }),
  };
}
