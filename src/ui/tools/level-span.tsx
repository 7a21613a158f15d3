'use client';

import { LevelOptions, OtherLevels } from '../details/level-options';
import { useSlice } from '../session/store';

const BOX = 'w-32 min-w-0 rounded-sm border border-hair bg-sheet px-1.5 py-0.5';

/** From which level to which something runs: all the way where nothing is chosen. */
export function LevelSpan({
  from,
  to,
  words = ['Starts at', 'Stops at'],
  mayBeOther = false,
  onChange,
}: {
  from: string | null;
  to: string | null;
  /** What its two ends are called. */
  words?: readonly [string, string];
  /** It may stop at a level of another building. */
  mayBeOther?: boolean;
  onChange: (part: { from?: string | null; to?: string | null }) => void;
}) {
  const { solved, building } = useSlice('solved', 'building');
  const levels = (solved?.levels ?? []).filter((level) => level.building === building && level.bounding);
  const choice = (label: string, empty: string, value: string | null, key: 'from' | 'to') => (
    <label className="flex items-baseline gap-1.5 pr-6">
      <span className="flex-1 text-ink2">{label}</span>
      <select className={BOX} value={value ?? ''} onChange={({ target }) => onChange({ [key]: target.value || null })}>
        <option value="">{empty}</option>
        <LevelOptions levels={levels} />
        {key === 'to' && mayBeOther && <OtherLevels than={building} />}
      </select>
    </label>
  );
  return (
    <>
      {choice(words[0], 'the lowest', from, 'from')}
      {choice(words[1], 'the topmost', to, 'to')}
    </>
  );
}
