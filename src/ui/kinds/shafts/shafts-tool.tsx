'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { heldLine } from '@/core/setting-out/held-line';
import { previewShaft } from '@/core/shafts/preview-shaft';
import { freeName } from '@/core/commands/free-name';
import { SHAFT_PURPOSES } from '@/core/shafts/shaft';
import { formatLength } from '@/core/units/format-length';
import { CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { useProject } from '../../session/store';
import { useGhost, usePlanLines } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { useCircle } from '../../tools/use-circle';
import { usePath } from '../../tools/use-path';
import { useRectangle } from '../../tools/use-rectangle';
import type { CommandInputs } from '@/core/commands/command-inputs';
import type { OutlineInput } from '@/core/outlines/outline-input';
import { usePreview } from '../../session/use-preview';

/** A shaft by rectangle, circle or path, typed or drawn in the plan; or with its edges held to chosen lines. */
export function ShaftsTool() {
  const { framework, building, mayEdit, display, run, solved } = useProject((project) => project);
  const [way, setWay] = useState<'rectangle' | 'circle' | 'path' | 'lines'>('rectangle');
  // The latest is what Enter in the plan adds.
  const adding = useRef<() => string | null>(() => null);
  const end = () => adding.current();
  const rectangle = useRectangle([2400, 2700], way === 'rectangle', end);
  const circle = useCircle(1200, way === 'circle');
  const path = usePath(way === 'path', { end });
  const drawn = useMemo(
    (): OutlineInput =>
      path.path
        ? { type: 'polygon', place: path.path.place, points: path.path.points }
        : { type: 'polygon', points: [] },
    [path.path],
  );
  const [name, setName] = useState('');
  const [purpose, setPurpose] = useState<(typeof SHAFT_PURPOSES)[number]>('lift');
  const [opensFoot, setOpensFoot] = useState(false);
  const [opensHead, setOpensHead] = useState(false);
  const typed =
    way === 'path'
      ? {
          outline: drawn,
          fields: [],
          wrong: path.corners.length < 3 ? 'Press three corners or more in the plan, or type a path' : null,
        }
      : way === 'circle'
        ? circle
        : rectangle;
  const [lines, choose] = usePlanLines(mayEdit && building && way === 'lines' ? 'lines' : null);
  const edges = way === 'lines' ? lines : null;
  const edgesKey = edges?.join() ?? null;

  const input: CommandInputs['shafts.add'] = useMemo(() => {
    const outline: OutlineInput =
      edgesKey === null ? typed.outline : { type: 'lines', edges: edgesKey.split(',').map((line) => ({ line })) };
    return {
      ...(building ? { building } : {}),
      name: name.trim() || freeName(framework, 'shaft'),
      purpose,
      outline,
      opensFoot,
      opensHead,
    };
  }, [building, name, framework, purpose, typed.outline, edgesKey, opensFoot, opensHead]);

  const preview = usePreview('shafts.add', input);
  const shown = useMemo(() => {
    const added = preview?.ok ? preview.value.changes.added.find(({ kind }) => kind === 'shaft') : undefined;
    return preview?.ok && added?.kind === 'shaft' ? previewShaft(preview.value.after, added) : null;
  }, [preview]);
  const levelName = (id: string) => solved?.levels.find((level) => level.id === id)?.name ?? '';
  const note = shown
    ? `Shaft ${shown.name} cuts ${shown.cuts.length} ${shown.cuts.length === 1 ? 'slab' : 'slabs'}`
    : '';
  useGhost(shown?.ring ? { rings: [[...shown.ring]], points: [], note } : null);

  const add = () => {
    if (way === 'lines' && (edges?.length ?? 0) < 3) return 'Choose three lines or more in the plan, going round';
    if (way !== 'lines' && typed.wrong) return typed.wrong;
    const refusal = run('shafts.add', input);
    if (refusal) return refusal;
    setName('');
    if (way === 'path') path.setText('');
    if (way === 'lines') choose([]);
    return null;
  };
  const slabs = solved?.floors.length ?? 0;
  useEffect(() => {
    adding.current = add;
  });
  if (!mayEdit) return <p className="text-ink2">Press a shaft in the plan to see which slabs it cuts.</p>;
  return (
    <ToolForm does="Add the shaft" preview={typed.wrong || way === 'lines' ? null : preview} act={add}>
      <p className="text-ink2">
        {way === 'lines'
          ? 'Press grid or setting-out lines in the plan, going round.'
          : way === 'circle'
            ? 'Press its centre in the plan and drag, or type.'
            : way === 'path'
              ? 'Press its corners in the plan, one after the other, or type the path.'
              : 'Drag a rectangle in the plan, or type.'}{' '}
        It cuts every floor it passes{slabs === 0 ? ', once there are floors' : ''}.
      </p>
      <ChoiceField
        label="Outline"
        value={way}
        choices={[
          ['rectangle', 'rectangle'],
          ['circle', 'circle'],
          ['path', 'corner by corner'],
          ['lines', 'edges on chosen lines'],
        ]}
        onChoose={setWay}
      />
      <PlainField
        label="Name"
        value={name}
        onChange={setName}
        note={name === '' ? `empty: ${freeName(framework, 'shaft')}` : null}
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
      {way === 'path' && (
        <PlainField label="Path" value={path.text} onChange={path.setText} note={path.words} wrong={path.wrong} wide />
      )}
      {way !== 'lines' && typed.fields.map((field) => <PlainField key={field.label} {...field} />)}
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
    </ToolForm>
  );
}
