'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { mmOf } from '@/core/dimensions/resolve-length';
import type { Point } from '@/core/geometry/point';
import { recordsOf } from '@/core/model/framework';
import { WALL_USES, type WallUse } from '@/core/walls/wall';
import type { WallFace } from '@/core/walls/wall-faces';
import { freeWallName } from '@/core/walls/wall-input';
import { startingTypes, usualType } from '@/core/walls/wall-type';
import { wallAsDrawn } from '@/core/walls/wall-as-drawn';
import { stripsOf, wallPath } from '@/core/walls/wall-path';
import { ActionButton, CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { FACE_CHOICES, USE_CHOICES } from './wall-words';
import { useGhost } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { useLengthEntry } from '../../tools/use-length-entry';
import { usePath } from '../../tools/use-path';
import type { CommandInputs } from '@/core/commands/command-inputs';

/** A wall along a path typed or pressed in the plan, from the current level up to the soffit of a level above. */
export function WallsTool() {
  const { framework, solved, building, level, mayEdit, display, run } = useSlice(
    'framework',
    'solved',
    'building',
    'level',
    'mayEdit',
    'display',
    'run',
  );
  const [name, setName] = useState('');
  const [use, setUse] = useState<WallUse>('exterior');
  const [type, setType] = useState<string | null>(null);
  const [on, setOn] = useState<WallFace>('outside');
  const [outside, setOutside] = useState<'auto' | 'left' | 'right'>('auto');
  const [top, setTop] = useState('');
  const [isHigh, setHigh] = useState(false);
  const [h, c] = [useLengthEntry(1100), useLengthEntry(20)];
  const [passes, setPasses] = useState(false);
  const levels = (solved?.levels ?? []).filter((each) => each.building === building && each.bounding);
  const here = levels.find(({ id }) => id === level);
  const above = levels.filter(({ fflMm }) => here && fflMm > here.fflMm);
  const types = useMemo(() => {
    const own = recordsOf(framework, 'wallType').map(({ name: each }) => each);
    return [
      ...own,
      ...startingTypes(display.system)
        .map((each) => each.name)
        .filter((each) => !own.includes(each)),
    ];
  }, [framework, display.system]);
  const typeName: string = type ?? usualType(use, display.system);
  const starting = startingTypes(display.system).find((each) => each.name === typeName);
  const isOwn = recordsOf(framework, 'wallType').some((each) => each.name === typeName);
  const stopsAt: CommandInputs['walls.add']['stopsAt'] = isHigh
    ? level
      ? { level, face: 'FFL', offsetMm: h.orZero }
      : undefined
    : top
      ? { level: top, face: passes ? 'SSL' : 'soffit' }
      : passes && above[0]
        ? { level: above[0].id, face: 'SSL' }
        : undefined;
  const ownType = recordsOf(framework, 'wallType').find((each) => each.name === typeName);
  const layers = useMemo(
    () =>
      (ownType?.layers ?? starting?.layers ?? []).map(({ name: layer, core, thicknessMm }) => ({
        name: layer,
        core,
        thicknessMm: mmOf(framework, thicknessMm),
      })),
    [ownType, starting, framework],
  );
  const shape = useCallback(
    (corners: readonly Point[], closed: boolean) => wallAsDrawn(layers, on, outside, corners, closed),
    [layers, on, outside],
  );
  // The latest is what Enter in the plan adds.
  const adding = useRef<() => string | null>(() => null);
  const path = usePath(true, { shape, end: () => adding.current() });
  const input: CommandInputs['walls.add'] | null =
    path.path && building && level && path.corners.length > 1
      ? {
          building,
          name: name.trim() || freeWallName(framework),
          use,
          type: isOwn || !starting ? typeName : starting,
          place: path.path.place,
          points: path.path.points,
          closed: path.closed,
          on,
          outside,
          startsAt: { level },
          ...(stopsAt ? { stopsAt } : {}),
          passesClearMm: passes && c.ok ? c.input : null,
        }
      : null;
  const preview = usePreview('walls.add', input);
  const added = preview?.ok ? preview.value.changes.added.find(({ kind }) => kind === 'wall') : undefined;
  const shown = added?.kind === 'wall' && preview?.ok ? wallPath(preview.value.after, added) : null;
  const rings = shown ? stripsOf(shown, 0, shown.build.thicknessMm).map((ring) => [...ring]) : [];
  useGhost(path.corners.length > 0 ? { rings, points: [...path.corners], note: path.words } : null);
  const add = () => {
    if (!input) return path.wrong ? path.words : 'Press two places in the plan, or type a path';
    if (isHigh && !h.ok) return h.words;
    const refusal = run('walls.add', input);
    if (refusal) return refusal;
    path.setText('');
    setName('');
    return null;
  };
  useEffect(() => {
    adding.current = add;
  });
  if (!mayEdit) return <p className="text-ink2">Press a wall in the plan to see where it runs.</p>;
  return (
    <ToolForm does="Add the wall" preview={preview} act={add}>
      <p className="text-ink2">Press the corners in the plan, one after the other, or type the path.</p>
      <PlainField label="Path" value={path.text} onChange={path.setText} note={path.words} wrong={path.wrong} wide />
      <span className="flex gap-2 self-end">
        <ActionButton disabled={path.text === ''} onClick={path.takeBack}>
          Take one back
        </ActionButton>
        <ActionButton disabled={path.corners.length < 3 || path.closed} onClick={path.close}>
          Close it
        </ActionButton>
      </span>
      <PlainField
        label="Name"
        value={name}
        onChange={setName}
        note={name === '' ? `empty: ${freeWallName(framework)}` : null}
      />
      <ChoiceField
        label="For"
        value={use}
        choices={USE_CHOICES.filter(([key]) => WALL_USES.includes(key))}
        onChoose={(next) => {
          setUse(next);
          setType(null);
          setOn(next === 'exterior' || next === 'glazed' ? 'outside' : 'centre');
          setPasses(next === 'glazed' || next === 'core');
        }}
      />
      <ChoiceField
        label="Type"
        value={typeName}
        choices={types.map((each) => [each, each] as const)}
        onChoose={setType}
      />
      <ChoiceField label="Its path runs along" value={on} choices={FACE_CHOICES} onChoose={setOn} />
      <ChoiceField
        label="Outside, going along"
        value={outside}
        choices={[
          ['auto', 'around a closed one, else left'],
          ['left', 'on the left'],
          ['right', 'on the right'],
        ]}
        onChoose={setOutside}
      />
      <CheckField label="Of a typed height" value={isHigh} onChange={setHigh} />
      {isHigh ? (
        <PlainField label="High" {...h.field} />
      ) : (
        <ChoiceField
          label="Up to"
          value={top || (above[0]?.id ?? '')}
          choices={[...above].reverse().map(({ id, name: each }) => [id, `under ${each}`] as const)}
          onChoose={setTop}
        />
      )}
      <CheckField label="Runs past the slabs" value={passes} onChange={setPasses} />
      {passes && <PlainField label="slabs clear of it by" {...c.field} />}
    </ToolForm>
  );
}
