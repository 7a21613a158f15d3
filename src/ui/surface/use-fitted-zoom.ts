import { select as selectElement, zoom, zoomIdentity, type ZoomBehavior, type ZoomTransform } from 'd3';
import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';

/** Nothing is written smaller on the screen, px. */
const LEAST_TEXT_PX = 10;
/** The smallest of what drawings write, mm on paper. */
export const LEAST_ON_SCREEN_MM = 2.3;
/** Texts are so much larger on the screen than on paper that the smallest can be read at every step of the scale. */
const SCREEN_TEXT = (LEAST_TEXT_PX / (LEAST_ON_SCREEN_MM * (96 / 25.4))) * 2 ** (1 / 8);

/** Kept free at the foot of a view for its scale bar. */
const FOOT_PX = 44;

interface Box {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

/** Pixels per millimetre of paper: 96 pixels to the inch. */
export const PX_PER_PAPER_MM = 96 / 25.4;

/** A view that is moved and zoomed by the person. */
interface ZoomedView {
  transform: ZoomTransform;
  /** Scale of the paper it is drawn for, 1 : scale; changes in steps, since texts and bubbles keep their size on it. */
  scale: number;
  zoomerRef: RefObject<ZoomBehavior<SVGSVGElement, unknown> | null>;
  /** True once the person has moved the view themselves. */
  isOwnRef: RefObject<boolean>;
  /** Keeps the view as it is, as if the person had moved it: what is being drawn stays under the pointer. */
  keep: () => void;
}

/** Moving and zooming of a drawing. `mayPan` says where a press moves the drawing. */
export function useZoom(
  svgRef: RefObject<SVGSVGElement | null>,
  mayPan: RefObject<(event: Event) => boolean>,
): ZoomedView {
  const zoomerRef = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
  const isOwnRef = useRef(false);
  const [transform, setTransform] = useState<ZoomTransform>(zoomIdentity);
  useEffect(() => {
    const element = svgRef.current;
    if (!element) return;
    const behaviour = zoom<SVGSVGElement, unknown>()
      .scaleExtent([1e-5, 2])
      .filter(
        (event: MouseEvent | WheelEvent) =>
          event.type === 'wheel' ||
          event.button === 1 ||
          (event.button === 0 && !event.shiftKey && mayPan.current(event)),
      )
      .on('zoom', ({ transform: next, sourceEvent }: { transform: ZoomTransform; sourceEvent: Event | null }) => {
        if (sourceEvent) isOwnRef.current = true;
        setTransform(next);
      });
    zoomerRef.current = behaviour;
    selectElement(element).call(behaviour).on('dblclick.zoom', null);
    return () => void selectElement(element).on('.zoom', null);
  }, [svgRef, mayPan]);
  const scale = SCREEN_TEXT * 2 ** (Math.round(Math.log2(1 / Math.max(1e-6, transform.k * (25.4 / 96))) * 4) / 4);
  const keep = useCallback(() => {
    isOwnRef.current = true;
  }, []);
  return { transform, scale, zoomerRef, isOwnRef, keep };
}

/**
 * Fits a view until the person moves it themselves: to the first drawing, whose paper sizes settle in a second pass,
 * and to the room there is. Answers how to fit it again.
 */
export function useFit(
  svgRef: RefObject<SVGSVGElement | null>,
  view: ZoomedView,
  box: Box | null,
  /** What is shown: another one is fitted anew. */
  what = '',
): () => void {
  const { zoomerRef, isOwnRef } = view;
  const fit = useCallback(() => {
    const element = svgRef.current;
    if (!element || !zoomerRef.current || !box) return;
    const { width, height: whole } = element.getBoundingClientRect();
    const height = Math.max(1, whole - FOOT_PX);
    const { minX, minY, maxX, maxY } = box;
    const k = Math.min(width / (maxX - minX), height / (maxY - minY)) * 0.92;
    const to = zoomIdentity
      .translate(width / 2 - (k * (minX + maxX)) / 2, height / 2 + (k * (minY + maxY)) / 2)
      .scale(k);
    selectElement(element).call(zoomerRef.current.transform, to);
  }, [svgRef, zoomerRef, box]);
  const latest = useRef(fit);
  const passes = useRef(0);
  useEffect(() => {
    passes.current = 0;
  }, [what]);
  useEffect(() => {
    latest.current = fit;
    if (isOwnRef.current || passes.current > 3 || !box) return;
    passes.current += 1;
    fit();
  }, [box, fit, isOwnRef]);
  useEffect(() => {
    const element = svgRef.current;
    if (!element) return;
    const observer = new ResizeObserver(() => {
      passes.current = 0;
      if (!isOwnRef.current) latest.current();
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [svgRef, isOwnRef]);
  return useCallback(() => {
    isOwnRef.current = false;
    latest.current();
  }, [isOwnRef]);
}
