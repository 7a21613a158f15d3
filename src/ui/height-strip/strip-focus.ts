/** What can be chosen by keyboard at a level of the strip. */
export type StripFigure = 'name' | 'elevation' | 'height';

/** Marks a figure in the page, so that it can be found by its level. */
export const figureAttributes = (figure: StripFigure, level: string) => ({
  'data-figure': figure,
  'data-level': level,
});

const all = (root: ParentNode, figure: string): HTMLElement[] => [
  ...root.querySelectorAll<HTMLElement>(`[data-figure="${figure}"]`),
];

/** Puts the focus on a figure of a level, once the page has been drawn anew. */
export function focusFigure(figure: StripFigure, level: string): void {
  requestAnimationFrame(() => {
    const found = all(document, figure).find((element) => element.dataset.level === level);
    found?.focus();
  });
}

/**
 * The arrow keys in the strip: up and down to the same figure of the next level, left and right along a level. Tab stops at the
 * current level only.
 */
export function moveInStrip(event: React.KeyboardEvent<SVGSVGElement>): void {
  const from = event.target as HTMLElement;
  const { figure, level } = from.dataset;
  if (!figure || !level) return;
  const along = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
  const up = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
  if (along === 0 && up === 0) return;
  event.preventDefault();
  if (up !== 0) {
    // They are drawn from the lowest level up.
    const same = all(event.currentTarget, figure);
    same[same.indexOf(from) + up]?.focus();
    return;
  }
  const order: StripFigure[] = ['height', 'name', 'elevation'];
  const beside = order.filter((each) =>
    all(event.currentTarget, each).some((element) => element.dataset.level === level),
  );
  const next = beside[beside.indexOf(figure as StripFigure) + along];
  if (next)
    all(event.currentTarget, next)
      .find((element) => element.dataset.level === level)!
      .focus();
}
