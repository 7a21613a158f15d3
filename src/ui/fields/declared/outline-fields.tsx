'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import { asGiven } from '@/core/dimensions/uses';
import type { Id } from '@/core/model/ids';
import { recordsOf } from '@/core/model/framework';
import type { Outline } from '@/core/outlines/outline';
import type { OutlineInput } from '@/core/outlines/outline-input';
import { useProject, useSlice } from '../../session/store';
import { FACE_CHOICES } from '../../kinds/walls/wall-words';
import { ActionButton, AngleField, ChoiceField, TextField } from '../fields';
import { LengthField } from '../length-field';
import { CornerFields } from './corner-fields';
import { PlaceField } from './place-field';

/** Outlines that stand at a place. */
type Placed = Extract<Outline, { type: 'rectangle' | 'circle' | 'polygon' }>;

interface OutlineFieldsProps {
  label: string;
  outline: Outline;
  /** What the sizes of a rectangle are called. */
  sizes: readonly [wide: string, deep: string];
  building: Id;
  disabled: boolean;
  put: (outline: OutlineInput) => string | null;
}

/** Every field of an outline: where it stands and its sizes or corners, or what it follows and at which distance. */
export function OutlineFields({ label, outline, sizes, building, disabled, put }: OutlineFieldsProps) {
  const { framework, solved, say } = useSlice('framework', 'solved', 'say');
  const attempt = (next: OutlineInput) => {
    const refusal = put(next);
    if (refusal) say(refusal);
  };
  if ('place' in outline) {
    const given = asGiven(framework, outline);
    return (
      <>
        <PlaceField
          label={`${label}, ${outline.type === 'circle' ? 'centre' : 'from'}`}
          place={outline.place}
          {...{ building, disabled }}
          put={(place) => put({ ...given, place })}
        />
        <Shape {...{ label, outline, sizes, disabled, put }} />
      </>
    );
  }
  switch (outline.type) {
    case 'gridOffset': {
      const given = asGiven(framework, outline);
      const grids = recordsOf(framework, 'gridSystem').filter((grid) => grid.building === building);
      return (
        <>
          <ChoiceField
            label={`${label} of grid`}
            value={outline.system}
            choices={grids.map(({ id, name }) => [id, name] as const)}
            disabled={disabled}
            onChoose={(system) => attempt({ ...given, system, lines: null })}
          />
          <GridLines outline={outline} disabled={disabled} put={attempt} />
          <LengthField
            label={`${label}, out by`}
            valueMm={mmOf(framework, outline.offsetMm)}
            disabled={disabled}
            onCommit={(offsetMm) => put({ ...given, offsetMm })}
          />
        </>
      );
    }
    case 'lines': {
      const given = asGiven(framework, outline);
      const called = (id: Id) =>
        solved?.lines.find((line) => line.id === id)?.label ??
        solved?.settingOut.find((line) => line.id === id)?.name ??
        '–';
      return (
        <fieldset aria-label={`${label}, edges`} className="flex flex-col gap-1.5">
          {outline.edges.map((edge, i) => (
            <LengthField
              key={i}
              label={`${label}, out of ${called(edge.line)} by`}
              valueMm={mmOf(framework, edge.offsetMm)}
              disabled={disabled}
              onCommit={(offsetMm) =>
                put({ ...given, edges: given.edges.map((each, k) => (k === i ? { ...each, offsetMm } : each)) })
              }
            />
          ))}
        </fieldset>
      );
    }
    case 'walls': {
      const given = asGiven(framework, outline);
      const walls = recordsOf(framework, 'wall');
      const names = outline.walls.map((id) => walls.find((wall) => wall.id === id)?.name ?? '–');
      return (
        <>
          <TextField
            wide
            label={`${label} along walls`}
            value={names.join(', ')}
            disabled={disabled}
            onCommit={(text) => put({ ...given, walls: text.split(',').map((name) => name.trim()) })}
          />
          <ChoiceField
            label={`${label} on their`}
            value={outline.face}
            choices={FACE_CHOICES}
            disabled={disabled}
            onChoose={(face) => attempt({ ...given, face })}
          />
          <LengthField
            label={`${label}, out by`}
            valueMm={mmOf(framework, outline.offsetMm)}
            disabled={disabled}
            onCommit={(offsetMm) => put({ ...given, offsetMm })}
          />
        </>
      );
    }
  }
}

/** Sizes or corners of an outline that stands at a place. */
function Shape({
  label,
  outline,
  sizes,
  disabled,
  put,
}: Omit<OutlineFieldsProps, 'building' | 'outline'> & { outline: Placed }) {
  const framework = useProject((project) => project.framework);
  if (outline.type === 'polygon') {
    const given = asGiven(framework, outline);
    return (
      <CornerFields
        label={`${label}, corners`}
        corners={outline.points}
        least={3}
        disabled={disabled}
        put={(points) => put({ ...given, points })}
      />
    );
  }
  if (outline.type === 'circle') {
    const given = asGiven(framework, outline);
    return (
      <LengthField
        label="Diameter"
        valueMm={mmOf(framework, outline.diameterMm)}
        disabled={disabled}
        onCommit={(diameterMm) => put({ ...given, diameterMm })}
      />
    );
  }
  const given = asGiven(framework, outline);
  return (
    <>
      {(['widthMm', 'depthMm'] as const).map((field, i) => (
        <LengthField
          key={field}
          label={sizes[i]!}
          valueMm={mmOf(framework, outline[field])}
          disabled={disabled}
          onCommit={(length) => put({ ...given, [field]: length })}
        />
      ))}
      <AngleField
        label={`${label}, turned`}
        valueDeg={outline.turnDeg}
        disabled={disabled}
        onCommit={(turnDeg) => put({ ...given, turnDeg })}
      />
    </>
  );
}

interface GridLinesProps {
  outline: Extract<Outline, { type: 'gridOffset' }>;
  disabled: boolean;
  put: (outline: OutlineInput) => void;
}

/** The first and last line each way: the outermost, or chosen ones. */
function GridLines({ outline, disabled, put }: GridLinesProps) {
  const { framework, solved } = useSlice('framework', 'solved');
  const given = asGiven(framework, outline);
  const own = (solved?.lines ?? []).filter(({ system, label }) => system === outline.system && label !== null);
  const ways = (['a', 'b'] as const).map((direction) => own.filter((line) => line.direction === direction));
  const [a, b] = ways;
  if (!a || !b || a.length < 2 || b.length < 2) return null;
  const all = { a: [a[0]!.id, a.at(-1)!.id] as [Id, Id], b: [b[0]!.id, b.at(-1)!.id] as [Id, Id] };
  const lines = outline.lines ?? all;
  return (
    <>
      {(['a', 'b'] as const).flatMap((direction, w) =>
        ([0, 1] as const).map((end) => (
          <ChoiceField
            key={`${direction}${end}`}
            label={end === 0 ? (w === 0 ? 'From line' : 'and from line') : 'to line'}
            value={lines[direction][end]}
            choices={ways[w]!.map(({ id, label }) => [id, label!] as const)}
            disabled={disabled}
            onChoose={(id) => {
              const pair: [Id, Id] = [...lines[direction]];
              pair[end] = id;
              put({ ...given, lines: { ...lines, [direction]: pair } });
            }}
          />
        )),
      )}
      {outline.lines && !disabled && (
        <span className="self-end">
          <ActionButton onClick={() => put({ ...given, lines: null })}>The outermost lines again</ActionButton>
        </span>
      )}
    </>
  );
}
