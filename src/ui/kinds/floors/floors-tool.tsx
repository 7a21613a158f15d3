'use client';

import { useEffect, useRef, useState } from 'react';
import { resolveOutline } from '@/core/setting-out/resolve-outline';
import { recordsOf, type Framework } from '@/core/model/framework';
import type { WallFace } from '@/core/walls/wall-faces';
import { heldLine } from '@/core/setting-out/held-line';
import { ActionButton, CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { useProject } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { FACE_CHOICES } from '../walls/wall-words';
import { useGhost, usePlanLines } from '../../tools/plan-busy';
import { outlineShape, usePath } from '../../tools/use-path';
import { ToolForm } from '../../tools/tool-form';
import { useLengthEntry } from '../../tools/use-length-entry';
import type { CommandInputs } from '@/core/commands/command-inputs';
import type { OutlineInput } from '@/core/outlines/outline-input';

type Way = 'grid' | 'lines' | 'walls' | 'drawn';

/**
 * A floor plate from the grid with an offset, with edges on chosen lines, along walls, or drawn corner by corner; through all storeys,
 * some, or on the current level only.
 */
export function FloorsTool() {
  const { framework, solved, building, level, mayEdit, run } = useProject((project) => project);
  const systems = [...new Set(solved?.lines.filter((line) => line.building === building).map(({ system }) => system))];
  const [way, setWay] = useState<Way>(systems.length > 0 ? 'grid' : 'drawn');
  const [o, t] = [useLengthEntry(300), useLengthEntry(250)];
  // The latest is what Enter in the plan adds.
  const adding = useRef<() => string | null>(() => null);
  const path = usePath(way === 'drawn', { shape: outlineShape, end: () => adding.current() });
  const { corners } = path;
  const storeys = (solved?.levels ?? []).filter((level) => level.building === building && level.bounding);
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [isHereOnly, setHereOnly] = useState(false);
  const [wanted, setWanted] = useState<string | null>(null);
  const [face, setFace] = useState<WallFace>('coreOutside');
  const here = solved?.levels.find(({ id }) => id === level);
  const [edges, choose] = usePlanLines(way === 'lines' && mayEdit ? 'lines' : null);
  const range: [string, string] = [from || (storeys[0]?.id ?? ''), to || (storeys.at(-1)?.id ?? '')];
  const round = wallsRound(framework, building, wanted);
  const system = systems[0];
  const outline: OutlineInput =
    way === 'grid'
      ? { type: 'gridOffset', ...(system ? { system } : {}), offsetMm: o.orZero }
      : way === 'lines'
        ? { type: 'lines', edges: edges.map((line) => ({ line, offsetMm: o.orZero })) }
        : way === 'walls'
          ? { type: 'walls', walls: round.chosen, face, offsetMm: o.orZero }
          : path.path
            ? { type: 'polygon', place: path.path.place, points: path.path.points }
            : { type: 'polygon', points: [] };
  const input: CommandInputs['floors.add'] = {
    ...(building ? { building } : {}),
    outline,
    thicknessMm: t.orZero,
    levels: isHereOnly && level ? { at: [level] } : { range },
  };
  const preview = usePreview('floors.add', input);

  const added = preview?.ok ? preview.value.changes.added.find(({ kind }) => kind === 'floorPlate') : undefined;
  const ring = added?.kind === 'floorPlate' && preview?.ok ? resolveOutline(preview.value.after, added.outline) : null;
  const note =
    way === 'lines' ? 'Edges on the chosen lines' : way === 'walls' ? 'Along the walls' : 'Outline from the grid';
  useGhost(
    way === 'drawn'
      ? { rings: corners.length > 2 ? [[...corners]] : [], points: [...corners], note: path.words }
      : ring && { rings: [[...ring]], points: [], note },
  );
  const add = () => {
    if (way !== 'drawn' && !o.ok) return o.words;
    if (!t.ok) return t.words;
    const refusal = run('floors.add', input);
    if (refusal) return refusal;
    path.setText('');
    if (way === 'lines') choose([]);
    return null;
  };
  useEffect(() => {
    adding.current = add;
  });
  if (!mayEdit) return <p className="text-ink2">Press a floor in the plan to see its areas.</p>;
  const choices = [...storeys].reverse().map(({ id, name }) => [id, name] as const);
  return (
    <ToolForm
      does="Add the floor plate"
      isReady={(way !== 'drawn' || corners.length > 2) && (way !== 'lines' || edges.length > 2)}
      act={add}
    >
      <ChoiceField
        label="Outline"
        value={way}
        choices={[
          ['grid', 'from the grid'],
          ['lines', 'edges on chosen lines'],
          ...(round.choices.length > 0 ? ([['walls', 'along walls']] as const) : []),
          ['drawn', 'drawn by corners'],
        ]}
        onChoose={(next) => {
          setWay(next);
          // Along walls the slab ends at their face; off a grid it stands out.
          if (next === 'walls') o.begin(0);
        }}
      />
      {way === 'walls' && (
        <>
          <ChoiceField label="Round" value={round.key} choices={round.choices} onChoose={setWanted} />
          <ChoiceField label="Up to" value={face} choices={FACE_CHOICES} onChoose={setFace} />
        </>
      )}
      {way === 'lines' && (
        <p className="text-ink2">
          {edges.length === 0
            ? 'Press grid or setting-out lines in the plan, going round.'
            : `Edges on ${edges.map((id) => heldLine(framework, id)?.label ?? 'a line').join(', ')}`}
        </p>
      )}
      {way !== 'drawn' ? (
        <PlainField
          label={way === 'grid' ? 'Outside the grid by' : way === 'walls' ? 'Outside that by' : 'Outside the lines by'}
          {...o.field}
        />
      ) : (
        <>
          <p className="text-ink2">Press the corners in the plan, one after the other, or type them.</p>
          <PlainField
            label="Corners"
            value={path.text}
            onChange={path.setText}
            note={path.words}
            wrong={path.wrong}
            wide
          />
          <span className="self-end">
            <ActionButton disabled={corners.length === 0} onClick={path.takeBack}>
              Take one back
            </ActionButton>
          </span>
        </>
      )}
      <PlainField label="Thickness" {...t.field} />
      {here && (here.bounding || here.levelKind === 'mezzanine') && (
        <CheckField label={`On level ${here.name} only`} value={isHereOnly} onChange={setHereOnly} />
      )}
      <ChoiceField label="From level" value={range[0]} choices={choices} onChoose={setFrom} />
      <ChoiceField label="To level" value={range[1]} choices={choices} onChoose={setTo} />
    </ToolForm>
  );
}

/** An outline as it will be, with the corner under the pointer. */

const ALL_EXTERIOR = 'all exterior';

/** Walls a slab may follow: each closed one, or all open exterior ones together, which have to go round. */
function wallsRound(framework: Framework, building: string | null, wanted: string | null) {
  const walls = recordsOf(framework, 'wall').filter((wall) => wall.building === building);
  const closed = walls.filter((wall) => wall.closed);
  const open = walls.filter((wall) => !wall.closed && wall.use === 'exterior');
  const choices: (readonly [string, string])[] = [
    ...closed.map(({ id, name }) => [id, `wall ${name}`] as const),
    ...(open.length > 2 ? [[ALL_EXTERIOR, 'all exterior walls'] as const] : []),
  ];
  const key = choices.some(([each]) => each === wanted) ? wanted! : (choices[0]?.[0] ?? '');
  return { choices, key, chosen: key === ALL_EXTERIOR ? open.map(({ id }) => id) : [key] };
}
