'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { heldLine } from '@/core/setting-out/held-line';
import { previewShaft } from '@/core/shafts/preview-shaft';
import { freeShaftName } from '@/core/shafts/shaft-commands';
import { SHAFT_PURPOSES } from '@/core/shafts/shaft';
import { formatForEntry, formatLength } from '@/core/units/format-length';
import type { Json } from '@/core/model/json';
import { ActionButton, CheckField, ChoiceField, PlainField } from '../fields/fields';
import { useLengthReader } from '../fields/length-field';
import { readPlaceText, writePlace } from '../fields/place-text';
import { useProject } from '../session/store';
import { Refused } from './refused';

/** A shaft by rectangle, typed or drawn between two points in the plan; or with its edges held to chosen lines. */
export function ShaftsTool() {
  const { framework, session, building, chosenLines, mayEdit, display, run, set, solved } = useProject(
    (project) => project,
  );
  const read = useLengthReader();
  const [way, setWay] = useState<'rectangle' | 'lines'>('rectangle');
  const [name, setName] = useState('');
  const [purpose, setPurpose] = useState<(typeof SHAFT_PURPOSES)[number]>('lift');
  const [place, setPlace] = useState('0,0');
  const [width, setWidth] = useState(() => formatForEntry(2400, display));
  const [depth, setDepth] = useState(() => formatForEntry(2700, display));
  const [opensFoot, setOpensFoot] = useState(false);
  const [opensHead, setOpensHead] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const w = read(width);
  const d = read(depth);
  const at = readPlaceText(place, display);
  const placeInput = at.ok ? at.value.input : '';
  const edges = way === 'lines' ? (chosenLines ?? []) : null;
  const edgesKey = edges?.join() ?? null;
  const [widthMm, depthMm] = [w.ok ? w.input : 0, d.ok ? d.input : 0];
  const start = useRef<{ x: number; y: number } | null>(null);

  const input: Json = useMemo(() => {
    const outline: Json =
      edgesKey === null
        ? { type: 'rectangle', place: placeInput, widthMm, depthMm }
        : { type: 'lines', edges: edgesKey.split(',').map((line) => ({ line })) };
    return {
      ...(building ? { building } : {}),
      name: name.trim() || freeShaftName(framework),
      purpose,
      outline,
      opensFoot,
      opensHead,
    };
  }, [building, name, framework, purpose, placeInput, widthMm, depthMm, edgesKey, opensFoot, opensHead]);

  const preview = useMemo(() => session?.preview('shafts.add', input) ?? null, [session, input]);
  const shown = useMemo(() => {
    const added = preview?.ok ? preview.value.changes.added.find(({ kind }) => kind === 'shaft') : undefined;
    return preview?.ok && added?.kind === 'shaft' ? previewShaft(preview.value.after, added) : null;
  }, [preview]);
  const levelName = (id: string) => solved?.levels.find((level) => level.id === id)?.name ?? '';
  const note = shown
    ? `Shaft ${shown.name} cuts ${shown.cuts.length} ${shown.cuts.length === 1 ? 'slab' : 'slabs'}`
    : '';
  useEffect(() => {
    if (!preview?.ok) return set({ ghost: null });
    const ring = shown ? shown.ring : null;
    set({ ghost: ring ? { rings: [[...ring]], points: [], note } : null });
  }, [preview, shown, note, set]);

  useEffect(() => {
    if (!mayEdit || !building) return;
    if (way === 'lines') {
      set({ chosenLines: [] });
      return () => set({ chosenLines: null, ghost: null });
    }
    set({
      onPlanPoint: (at, phase) => {
        if (phase === 'press') start.current = at;
        if (!start.current || phase === 'press') return;
        const from = start.current;
        const [x, y] = [Math.min(from.x, at.x), Math.min(from.y, at.y)];
        const [wide, deep] = [Math.abs(at.x - from.x), Math.abs(at.y - from.y)];
        if (phase === 'release') start.current = null;
        if (wide < 50 || deep < 50) {
          if (phase === 'release') setPlace(writePlace(framework, building, at.x, at.y, display));
          return;
        }
        setPlace(writePlace(framework, building, x, y, display));
        setWidth(formatForEntry(wide, display));
        setDepth(formatForEntry(deep, display));
      },
    });
    return () => set({ onPlanPoint: null, ghost: null });
  }, [mayEdit, way, building, framework, display, set]);

  if (!mayEdit) return <p className="text-ink2">Press a shaft in the plan to see which slabs it cuts.</p>;
  const add = () => {
    if (way === 'lines' && (edges?.length ?? 0) < 3)
      return setRefused('Choose three lines or more in the plan, going round');
    if (way === 'rectangle' && !at.ok) return setRefused(at.refusal.message);
    if (way === 'rectangle' && !w.ok) return setRefused(w.words);
    if (way === 'rectangle' && !d.ok) return setRefused(d.words);
    const refusal = run('shafts.add', input);
    setRefused(refusal);
    if (refusal) return;
    setName('');
    if (way === 'lines') set({ chosenLines: [] });
  };
  const placeWrong = !at.ok ? at.refusal.message : preview && !preview.ok ? preview.refusal.message : null;
  const slabs = solved?.floors.length ?? 0;
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <p className="text-ink2">
        {way === 'lines'
          ? 'Press grid or setting-out lines in the plan, going round.'
          : 'Drag a rectangle in the plan, or type.'}{' '}
        It cuts every floor it passes{slabs === 0 ? ', once there are floors' : ''}.
      </p>
      <ChoiceField
        label="Outline"
        value={way}
        choices={[
          ['rectangle', 'rectangle'],
          ['lines', 'edges on chosen lines'],
        ]}
        onChoose={(next) => {
          setWay(next);
          setRefused(null);
        }}
      />
      <PlainField
        label="Name"
        value={name}
        onChange={setName}
        note={name === '' ? `empty: ${freeShaftName(framework)}` : null}
      />
      <ChoiceField
        label="Purpose"
        value={purpose}
        choices={SHAFT_PURPOSES.map((each) => [each, each] as const)}
        onChoose={setPurpose}
      />
      {way === 'lines' && (
        <p className="font-semibold text-now">
          {edges && edges.length > 0
            ? `Edges on ${edges.map((id) => heldLine(framework, id)?.label ?? 'a line').join(', ')}`
            : 'No line chosen yet'}
        </p>
      )}
      {way === 'rectangle' && (
        <>
          <PlainField
            label="Corner at"
            value={place}
            onChange={setPlace}
            note={placeWrong ?? (at.ok ? at.value.words : null)}
            wrong={placeWrong !== null}
          />
          <PlainField label="Width" value={width} onChange={setWidth} note={w.words} wrong={!w.ok} />
          <PlainField label="Depth" value={depth} onChange={setDepth} note={d.words} wrong={!d.ok} />
        </>
      )}
      <CheckField label="Opens the slab at its foot" value={opensFoot} onChange={setOpensFoot} />
      <CheckField label="Goes out through the roof" value={opensHead} onChange={setOpensHead} />
      {shown && slabs > 0 && (
        <div role="status" className="border-t border-faint pt-1.5 text-ink2">
          <p>
            {note}
            {shown.cuts.length > 0 && ': '}
            <span className="figures text-ink">{shown.cuts.map(({ level }) => levelName(level)).join(' ')}</span>
          </p>
          {shown.misses.map((miss) => (
            <p key={`${miss.plate} ${miss.level}`} className="text-wrong">
              Just misses the slab at {levelName(miss.level)} by {formatLength(miss.byMm, display)}
            </p>
          ))}
        </div>
      )}
      <Refused words={refused} />
      <span className="self-end">
        <ActionButton type="submit" weight="main">
          Add the shaft
        </ActionButton>
      </span>
    </form>
  );
}
