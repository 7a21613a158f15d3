'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import type { CommandInputs } from '@/core/commands/command-inputs';
import { freeName } from '@/core/commands/free-name';
import type { PitchedRoof, RoofEdge } from '@/core/pitched-roofs/pitched-roof';
import { solvePitchedRoof } from '@/core/pitched-roofs/solve-pitched-roof';
import { FORM_WORDS } from '@/core/pitched-roofs/say-pitched-roofs';
import { readRoofSlope } from '@/core/roof-planes/slopes';
import { formatArea, formatElevation } from '@/core/units/format-length';
import { recordsOf } from '@/core/model/framework';
import type { WallFace } from '@/core/walls/wall-faces';
import { ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { useGhost } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { useLengthEntry } from '../../tools/use-length-entry';
import { outlineShape, usePath } from '../../tools/use-path';
import { useRectangle } from '../../tools/use-rectangle';
import { FACE_CHOICES } from '../walls/wall-words';
import { RoofBays } from './roof-bays';
import { CourtyardForm } from './courtyard-form';
import { edgeEnds, RoofEdges, type EdgeGiven } from './roof-edges';

type On = 'walls' | 'rectangle' | 'path';
const ON_CHOICES: readonly (readonly [On, string])[] = [
  ['walls', 'the exterior walls'],
  ['rectangle', 'a rectangle'],
  ['path', 'corner by corner'],
];

/** A pitched roof on walls or an outline: worked out while its edges and slopes are chosen. */
function NewRoof() {
  const { framework, solved, building, selection, display, run, mayEdit } = useSlice(
    'framework',
    'solved',
    'building',
    'selection',
    'display',
    'run',
    'mayEdit',
  );
  const adding = useRef<() => string | null>(() => null);
  const end = () => adding.current();
  const [on, setOn] = useState<On>('walls');
  const box = useRectangle([10_000, 8000], on === 'rectangle', end);
  const path = usePath(on === 'path', { shape: outlineShape, end });
  const [name, setName] = useState('');
  const [face, setFace] = useState<WallFace>('outside');
  const [slope, setSlope] = useState('40°');
  const [level, setLevel] = useState('');
  const [over, knee] = [useLengthEntry(500), useLengthEntry(0)];
  const [given, setGiven] = useState<readonly EdgeGiven[]>([]);
  const [bays, setBays] = useState<PitchedRoof['bays']>(null);
  const [looked, setLooked] = useState<number | null>(null);
  const storeys = (solved?.levels ?? []).filter((each) => each.building === building && each.bounding);
  const at = level || (storeys.at(-1)?.id ?? '');
  const walls = selection.filter((id) => framework.records.get(id)?.kind === 'wall');
  const { path: typed } = path;
  const stands =
    on === 'rectangle'
      ? { outline: box.outline }
      : on === 'path'
        ? { outline: { type: 'polygon' as const, place: typed?.place ?? '0,0', points: typed?.points ?? [] } }
        : { face, ...(walls.length > 0 ? { walls } : {}) };
  const input: CommandInputs['pitchedRoofs.add'] = {
    ...(building ? { building } : {}),
    name: name.trim() || freeName(framework, 'pitchedRoof'),
    ...stands,
    eavesAt: { level: at, offsetMm: knee.orZero },
    overhangMm: over.orZero,
    slope,
    bays,
    edges: given.map(({ edge, is, slope: own, upper }) => ({ edge, is, slope: own, upper })),
  };
  const wrong = {
    walls: null,
    rectangle: box.wrong,
    path: path.corners.length < 3 ? 'Press three corners or more in the plan, or type a path' : null,
  }[on];
  const lengthWrong = [over, knee].find((each) => !each.ok)?.words ?? null;
  const isWrong =
    wrong ?? lengthWrong ?? (readRoofSlope(slope) === null ? 'Type a slope like 40°, 1:1.5 or 60 %' : null);
  const preview = usePreview('pitchedRoofs.add', isWrong ? null : input);
  const shown = useMemo(() => {
    const added = preview?.ok ? preview.value.changes.added.find(({ kind }) => kind === 'pitchedRoof') : undefined;
    if (!preview?.ok || added?.kind !== 'pitchedRoof') return null;
    const done = solvePitchedRoof(preview.value.after, added);
    return 'made' in done ? { record: added, made: done.made } : null;
  }, [preview]);
  const info = shown?.made.info;
  const said = info
    ? `${FORM_WORDS[info.form]}, ${formatArea(info.areaMm2, display)}, highest at ${formatElevation(info.ridgeMm, display)}`
    : '';
  useGhost(
    info
      ? {
          rings: info.faces.map(({ points }) => points.map(({ x, y }) => ({ x, y }))),
          // The edge that is looked at has its two ends marked.
          points: looked === null ? [] : edgeEnds(info.footprint, looked),
          note: said,
        }
      : null,
  );
  const setEdge = (edge: EdgeGiven) => {
    const isPlain = edge.is === 'slope' && edge.slope === null && edge.upper === null;
    const typed = [edge.slope, edge.upper?.slope ?? null].filter((each) => each !== null);
    if (typed.some((each) => readRoofSlope(String(each)) === null)) return 'Type a slope like 40°, 1:1.5 or 60 %';
    setGiven((all) => [...all.filter((each) => each.edge !== edge.edge), ...(isPlain ? [] : [edge])]);
    return null;
  };
  const add = () => {
    const refusal = isWrong ?? run('pitchedRoofs.add', input);
    if (refusal) return refusal;
    setName('');
    setGiven([]);
    setBays(null);
    if (on === 'path') path.setText('');
    return null;
  };
  useEffect(() => {
    adding.current = add;
  });
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  const chooseOn = (next: On) => {
    setOn(next);
    setGiven([]);
    setBays(null);
  };
  const fields = on === 'rectangle' ? box.fields : [];
  return (
    <ToolForm does="Add the roof" preview={isWrong ? null : preview} wrong={on === 'walls' ? isWrong : null} act={add}>
      <ChoiceField label="Stands on" value={on} choices={ON_CHOICES} onChoose={chooseOn} />
      {on === 'walls' && <ChoiceField label="Their face" value={face} choices={FACE_CHOICES} onChoose={setFace} />}
      {on === 'path' && (
        <PlainField label="Path" value={path.text} onChange={path.setText} note={path.words} wrong={path.wrong} wide />
      )}
      {fields.map((field) => (
        <PlainField key={field.label} {...field} />
      ))}
      <PlainField
        label="Name"
        value={name}
        onChange={setName}
        note={name === '' ? `empty: ${freeName(framework, 'pitchedRoof')}` : null}
      />
      <ChoiceField
        label="Eaves at level"
        value={at}
        choices={[...storeys].reverse().map(({ id, name: words }) => [id, words] as const)}
        onChoose={setLevel}
      />
      <PlainField label="Knee wall over that" {...knee.field} />
      <PlainField label="Slope" value={slope} onChange={setSlope} wrong={readRoofSlope(slope) === null} />
      <PlainField label="Overhang" {...over.field} />
      {(shown || bays) && (
        <RoofBays
          ring={shown?.made.info.footprint[0] ?? []}
          bays={bays}
          onSet={(next) => {
            // Slopes of its edges are none of a roof in bays.
            if (next && !bays) setGiven((all) => all.filter(({ is, upper }) => is !== 'slope' && !upper));
            setBays(next);
            return null;
          }}
        />
      )}
      {shown && (
        <RoofEdges
          rings={shown.made.info.footprint}
          edges={shown.record.edges satisfies readonly RoofEdge[]}
          slope={slope}
          inBays={bays !== null}
          onSet={setEdge}
          onLook={setLooked}
        />
      )}
      {said !== '' && (
        <p role="status" className="border-t border-faint pt-1.5">
          {said}
        </p>
      )}
    </ToolForm>
  );
}

/** Adds a pitched roof, or leaves a courtyard open in one that is there. */
export function PitchedRoofTool() {
  const { framework, building } = useSlice('framework', 'building');
  const [adds, setAdds] = useState<'roof' | 'courtyard'>('roof');
  const roofs = recordsOf(framework, 'pitchedRoof').filter((roof) => roof.building === building);
  if (roofs.length === 0) return <NewRoof />;
  return (
    <div className="flex flex-col gap-2">
      <ChoiceField
        label="Adds"
        value={adds}
        choices={[
          ['roof', 'a roof'],
          ['courtyard', 'a courtyard in a roof'],
        ]}
        onChoose={setAdds}
      />
      {adds === 'roof' ? <NewRoof /> : <CourtyardForm roofs={roofs} />}
    </div>
  );
}
