'use client';

import { useMemo, useState } from 'react';
import type { CommandInputs } from '@/core/commands/command-inputs';
import { freeName } from '@/core/commands/free-name';
import { contains } from '@/core/geometry/polygon';
import type { Point } from '@/core/geometry/point';
import { recordsOf } from '@/core/model/framework';
import { solvePitchedRoof } from '@/core/pitched-roofs/solve-pitched-roof';
import { placeInFace } from '@/core/roof-openings/place-in-face';
import type { RoofOpening } from '@/core/roof-openings/roof-opening';
import { solveRoofOpening } from '@/core/roof-openings/solve-roof-opening';
import { assembliesOf } from '@/core/slants/assembly';
import { CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { useGhost, usePlanPoints } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { useLengthEntry } from '../../tools/use-length-entry';
import { edgeWords } from '../pitched-roofs/roof-edges';
import { OPENING_CHOICES } from './roof-opening-fields';

const FIRST = { window: [900, 1400, '0°'], slope: [3000, 1500, '10°'], saddle: [2000, 1300, '40°'] } as const;

/** Dormers and roof windows: pressed on a roof in the plan, its front where one pressed. */
export function RoofOpeningsTool() {
  const { framework, solved, building, mayEdit, run } = useSlice('framework', 'solved', 'building', 'mayEdit', 'run');
  const [is, setIs] = useState<RoofOpening['is']>('saddle');
  const [name, setName] = useState('');
  const [roofId, setRoof] = useState('');
  const [edge, setEdge] = useState(0);
  const [along, up] = [useLengthEntry(null), useLengthEntry(600)];
  const [w, h] = [useLengthEntry(FIRST.saddle[0]), useLengthEntry(FIRST.saddle[1])];
  const [slope, setSlope] = useState<string>(FIRST.saddle[2]);
  const [glazed, setGlazed] = useState(true);
  const roofs = recordsOf(framework, 'pitchedRoof').filter((roof) => roof.building === building);
  const roof = roofs.find(({ id }) => id === roofId) ?? roofs[0];
  const made = assembliesOf(solved?.assemblies ?? [], 'pitchedRoof');
  usePlanPoints(
    mayEdit && roofs.length > 0
      ? (at: Point, phase) => {
          if (phase !== 'press') return;
          const on = made.find(
            ({ thing, info }) =>
              roofs.some(({ id }) => id === thing) && info.faces.some(({ points }) => contains(points, at)),
          );
          const place = on && placeInFace(on.info, at);
          if (!on || !place) return;
          setRoof(on.thing);
          setEdge(place.edge);
          along.begin(Math.round(place.alongMm));
          up.begin(Math.round(place.upMm));
        }
      : null,
  );
  const isPlaced = along.field.value.trim() !== '';
  const input: CommandInputs['roofOpenings.add'] | null = roof
    ? {
        roof: roof.id,
        name: name.trim() || freeName(framework, 'roofOpening'),
        is,
        edge,
        alongMm: along.orZero,
        upMm: up.orZero,
        widthMm: w.orZero,
        heightMm: h.orZero,
        ...(is === 'window' ? {} : { slope, glazed }),
      }
    : null;
  const lengthWrong = [along, up, w, h].find((each) => !each.ok)?.words ?? null;
  const wrong = isPlaced ? lengthWrong : 'Press in the plan where its front is to be, or type it';
  const preview = usePreview('roofOpenings.add', wrong ? null : input);
  const shown = useMemo(() => {
    const added = preview?.ok ? preview.value.changes.added.find(({ kind }) => kind === 'roofOpening') : undefined;
    const own =
      added?.kind === 'roofOpening'
        ? recordsOf(framework, 'pitchedRoof').find(({ id }) => id === added.roof)
        : undefined;
    if (!preview?.ok || added?.kind !== 'roofOpening' || !own) return null;
    const under = solvePitchedRoof(preview.value.after, own);
    const done = 'made' in under ? solveRoofOpening(preview.value.after, added, under.made) : null;
    return done && 'made' in done ? done.made.info : null;
  }, [preview, framework]);
  useGhost(
    shown
      ? { rings: [...shown.seen, shown.hole].map((ring) => ring.map(({ x, y }) => ({ x, y }))), points: [], note: '' }
      : null,
  );
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  if (!roof) return <p className="text-ink2">Add a pitched roof first: dormers and roof windows lie in its faces.</p>;
  const footprint = made.find(({ thing }) => thing === roof.id)?.info.footprint ?? [];
  const act = () => {
    const refusal = wrong ?? (input ? run('roofOpenings.add', input) : 'Add a pitched roof first');
    if (refusal) return refusal;
    setName('');
    along.begin(null);
    return null;
  };
  return (
    <ToolForm does={is === 'window' ? 'Add the window' : 'Add the dormer'} preview={wrong ? null : preview} act={act}>
      <ChoiceField
        label="What"
        value={is}
        choices={OPENING_CHOICES}
        onChoose={(next) => {
          setIs(next);
          w.begin(FIRST[next][0]);
          h.begin(FIRST[next][1]);
          setSlope(FIRST[next][2]);
        }}
      />
      <p className="text-ink2">Press in the plan where the middle of its front is to be.</p>
      <ChoiceField
        label="On roof"
        value={roof.id}
        choices={roofs.map((each) => [each.id, each.name] as const)}
        onChoose={setRoof}
      />
      <ChoiceField
        label="In the face over"
        value={String(edge)}
        choices={edgeWords(footprint).map((words, i) => [String(i), words] as const)}
        onChoose={(next) => setEdge(Number(next))}
      />
      <PlainField
        label="Middle, along its edge"
        {...along.field}
        wrong={isPlaced && !along.ok}
        note={isPlaced ? along.words : 'pressed in the plan'}
      />
      <PlainField label="Front, in from the edge" {...up.field} />
      <PlainField label="Width" {...w.field} />
      <PlainField label={is === 'window' ? 'Long, up the slope' : 'Eaves over the roof'} {...h.field} />
      {is !== 'window' && (
        <>
          <PlainField label="Slope of its own roof" value={slope} onChange={setSlope} />
          <CheckField label="With a window in its front" value={glazed} onChange={setGlazed} />
        </>
      )}
      <PlainField
        label="Name"
        value={name}
        onChange={setName}
        note={name === '' ? `empty: ${freeName(framework, 'roofOpening')}` : null}
      />
    </ToolForm>
  );
}
