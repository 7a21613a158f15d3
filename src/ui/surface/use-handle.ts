import { useEffect, useRef, type DOMAttributes } from 'react';
import { useDrag } from '@use-gesture/react';

/** Where the pointer is, in pixels of the page. */
export interface PointerAt {
  clientX: number;
  clientY: number;
}

/** What happens while something is held and dragged. */
interface Handled<What, Held> {
  /** A press on something: what is held from then on; null: nothing is, and the press is left to others. */
  begin: (what: What, at: PointerAt, event: React.PointerEvent) => Held | null;
  /** Where it was dragged to: once a frame at most. */
  move: (held: Held, at: PointerAt) => void;
  /** Let go of there. Not taken: given up by Esc or by the system, and nothing is to be done. */
  end: (held: Held, at: PointerAt, isTaken: boolean) => void;
  /** A press takes the focus from where one types, as on a whole view; a handle leaves it there. */
  takesFocus?: boolean;
}

/**
 * Keeps the press that a let-go is as well from choosing what lies under it: a handle that is drawn a little behind the pointer is not
 * under it then.
 */
export function swallowPress(): void {
  const swallow = (event: MouseEvent) => event.stopPropagation();
  window.addEventListener('click', swallow, { capture: true, once: true });
  setTimeout(() => window.removeEventListener('click', swallow, true));
}

/** The one gesture of plan, section, strip and board: hold, drag, let go; Esc gives up. Answers what an element is bound with. */
export function useHandle<What, Held>(handled: Handled<What, Held>): (what: What) => DOMAttributes<SVGElement> {
  const latest = useRef(handled);
  useEffect(() => {
    latest.current = handled;
  });
  const now = useRef<{ held: Held; cancel: () => void; frame: number; at: PointerAt; isMoved: boolean } | null>(null);
  useEffect(() => {
    const giveUp = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || !now.current) return;
      event.stopPropagation();
      now.current.cancel();
      // Letting go afterwards chooses nothing either.
      window.addEventListener('pointerup', swallowPress, { capture: true, once: true });
    };
    window.addEventListener('keydown', giveUp, true);
    return () => {
      window.removeEventListener('keydown', giveUp, true);
      cancelAnimationFrame(now.current?.frame ?? 0);
      now.current = null;
    };
  }, []);
  const bind = useDrag(
    ({ args, first, last, canceled, cancel, xy: [clientX, clientY], event }) => {
      const at = { clientX, clientY };
      if (first) {
        const held = latest.current.begin(args[0] as What, at, event as unknown as React.PointerEvent);
        now.current = held === null ? null : { held, cancel, frame: 0, at, isMoved: false };
        if (held !== null) {
          event.stopPropagation();
          if (!latest.current.takesFocus) event.preventDefault();
        }
        return;
      }
      const drag = now.current;
      if (!drag) return;
      cancelAnimationFrame(drag.frame);
      // A press that goes nowhere is no drag.
      drag.isMoved ||= clientX !== drag.at.clientX || clientY !== drag.at.clientY;
      drag.at = at;
      if (last) {
        now.current = null;
        const isTaken = !canceled && event.type !== 'pointercancel';
        if (isTaken && drag.isMoved) latest.current.move(drag.held, at);
        latest.current.end(drag.held, at, isTaken);
        return;
      }
      if (drag.isMoved) drag.frame = requestAnimationFrame(() => latest.current.move(drag.held, drag.at));
    },
    // Listens on the window, since what was pressed may be drawn anew meanwhile; arrow keys are not for dragging.
    { pointer: { capture: false, keys: false } },
  );
  return (what) => bind(what) as DOMAttributes<SVGElement>;
}
