'use client';

import { useEffect, useMemo, useState } from 'react';
import type { Sent } from '@/core/commands/command-inputs';
import { distance, minus, type Point } from '@/core/geometry/point';
import { quantiseMm } from '@/core/units/length-units';
import { ActionButton } from '../fields/fields';
import type { Pen } from '../session/busy';
import { useProjectStore, useSlice } from '../session/store';
import { usePen, usePlanPoints } from '../tools/plan-busy';
import { taken } from './taken';

const NOWHERE: Point = { x: 0, y: 0 };

/** Puts in what was taken along: shown as it would be in all views, with what clashes, until it is pressed where it goes. */
export function Paste() {
  const store = useProjectStore();
  const { building, level, solved, session, run, say, set } = useSlice(
    'building',
    'level',
    'solved',
    'session',
    'run',
    'say',
    'set',
  );
  const [pieces] = useState(taken);
  const [from, setFrom] = useState<Point | null>(null);
  const [to, setTo] = useState<Point | null>(null);
  const [upTo, setUpTo] = useState<string | null>(null);
  // As it stood before anything was tried: what snaps, and which findings are new.
  const [standing] = useState(() => store.getState().solved);
  const known = useMemo(() => new Set(standing?.findings.map(({ key }) => key)), [standing]);
  const leave = () => set({ act: null });
  const storeys = useMemo(
    () => (solved?.levels ?? []).filter((each) => each.building === building && each.bounding),
    [solved, building],
  );
  const here = storeys.findIndex(({ id }) => id === level);
  const above = storeys.slice(here + 1);
  const last =
    upTo === null
      ? here
      : Math.max(
          here,
          storeys.findIndex(({ id }) => id === upTo),
        );
  const levelsKey = (here < 0 ? [] : storeys.slice(here, last + 1)).map(({ id }) => id).join(' ');
  const by = from && to ? minus(to, from) : NOWHERE;
  const sent = useMemo(
    (): Sent | null =>
      pieces && building && levelsKey !== ''
        ? {
            command: 'elements.paste',
            input: {
              pieces,
              building,
              levels: levelsKey.split(' '),
              xMm: quantiseMm(by.x),
              yMm: quantiseMm(by.y),
            },
          }
        : null,
    [pieces, building, levelsKey, by.x, by.y],
  );
  const refused = useMemo(() => {
    const planned = sent && session?.previewOf(sent);
    return planned && !planned.ok ? planned.refusal.message : null;
  }, [sent, session]);
  useEffect(() => {
    session?.try(refused === null ? sent : null);
  }, [sent, refused, session]);
  useEffect(() => () => session?.try(null), [session]);
  const putIn = (shift: Point) => {
    if (sent?.command !== 'elements.paste') return;
    const { x, y } = shift;
    const refusal = run('elements.paste', { ...sent.input, xMm: quantiseMm(x), yMm: quantiseMm(y) });
    if (refusal) say(refusal);
    else leave();
  };
  usePlanPoints((at, phase) => {
    if (phase === 'move') return from ? setTo(at) : undefined;
    if (phase !== 'press') return;
    if (!from) return setFrom(at);
    if (distance(at, from) >= 1) putIn(minus(at, from));
  });
  const pen = useMemo(
    (): Pen => ({
      kind: 'path',
      corners: from ? [from] : [],
      turnDeg: 0,
      mayClose: false,
      ...(standing ? { standing } : {}),
      back: () => {
        setFrom(null);
        setTo(null);
      },
    }),
    [from, standing],
  );
  usePen(pen);
  const fresh = (solved?.findings ?? []).filter(({ key: each }) => !known.has(each));
  const n = pieces?.pieces.length ?? 0;
  return (
    <div
      role="group"
      aria-label="Put in by hand"
      className="absolute top-3 left-3 z-20 flex max-w-[calc(100%-24px)] flex-wrap items-center gap-x-3 gap-y-1 rounded-sm border border-now bg-sheet px-2.5 py-1.5"
    >
      <span role="status">
        <b className="text-now">Put in.</b> {n === 1 ? 'One thing' : `${n} things`} at{' '}
        {storeys[here]?.name ?? 'no storey'}.{' '}
        {from ? 'Press where that point goes' : 'Press the point to take hold of, or put it in where it stood'}
      </span>
      {above.length > 0 && (
        <label className="flex items-center gap-1 text-ink2">
          and up to
          <select
            className="rounded-sm border border-hair bg-sheet px-1 text-ink"
            value={upTo ?? ''}
            onChange={({ target }) => setUpTo(target.value || null)}
          >
            <option value="">only here</option>
            {above.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
      <ActionButton disabled={refused !== null && from === null} onClick={() => putIn(NOWHERE)}>
        Where it stood
      </ActionButton>
      <ActionButton onClick={leave}>Leave it</ActionButton>
      {refused ? (
        <span className="basis-full text-wrong">{refused}</span>
      ) : (
        <span className={`basis-full ${fresh.length > 0 ? 'text-wrong' : 'text-ink2'}`}>
          {fresh.length === 0
            ? 'Nothing clashes there.'
            : `${fresh.length} new ${fresh.length === 1 ? 'finding' : 'findings'}: ${fresh[0]!.message}`}
        </span>
      )}
    </div>
  );
}
