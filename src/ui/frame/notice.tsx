'use client';

import { useEffect } from 'react';
import { useSlice } from '../session/store';

/** What just happened, or why not, said once in words. Trouble stays until it is put away. */
export function Notice() {
  const { notice, set } = useSlice('notice', 'set');
  useEffect(() => {
    if (notice?.kind !== 'done') return;
    const timer = setTimeout(() => set({ notice: null }), 4000);
    return () => clearTimeout(timer);
  }, [notice, set]);
  if (!notice) return null;
  const isTrouble = notice.kind === 'trouble';
  return (
    <div
      role={isTrouble ? 'alert' : 'status'}
      className={`fixed bottom-[64px] left-1/2 z-50 flex max-w-[560px] -translate-x-1/2 items-center gap-3 rounded-sm border px-3 py-1.5 shadow-md ${isTrouble ? 'border-wrong bg-sheet' : 'border-ink bg-ink text-sheet'}`}
    >
      <span>{notice.text}</span>
      {notice.again && (
        <button
          type="button"
          className="font-semibold whitespace-nowrap text-now"
          onClick={() => {
            set({ notice: null });
            notice.again!();
          }}
        >
          Do mine all the same
        </button>
      )}
      {isTrouble && (
        <button type="button" className="font-semibold text-now" onClick={() => set({ notice: null })}>
          Put away
        </button>
      )}
    </div>
  );
}
