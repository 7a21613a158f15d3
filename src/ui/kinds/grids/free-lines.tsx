'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { endsOf, type Curve } from '@/core/geometry/curve';
import { distance, minus, type Point } from '@/core/geometry/point';
import { directionDeg } from '@/core/geometry/trig';
import { axisLine } from '@/core/grids/axis-lines';
import { gridsOf } from '@/core/grids/resolve-grids';
import type { Id } from '@/core/model/ids';
import { formatLength } from '@/core/units/format-length';
import { ChoiceField, PlainField } from '../../fields/fields';
import { readPlaceText, writePlace } from '../../fields/place-text';
import { pointOfPlace } from '../../section/point-of-place';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import type { Pen } from '../../session/busy';
import { useEnd, useGhost, usePen, usePlanPoints } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { PickedLines } from './picked-lines';
import type { CommandInputs } from '@/core/commands/command-inputs';

type Form = 'line' | 'arc' | 'picked';
const WANTED: Record<Exclude<Form, 'picked'>, readonly string[]> = {
  line: ['From', 'To'],
  arc: ['Centre', 'Arc from', 'Arc to'],
};

/** The arc about a centre from one point counter-clockwise to the direction of another. */
function arcThrough([centre, from, to]: readonly Point[]): Extract<Curve, { kind: 'arc' }> | null {
  const radiusMm = distance(centre!, from!);
  if (radiusMm < 10) return null;
  const deg = (point: Point) => {
    const spoke = minus(point, centre!);
    return directionDeg(spoke.y, spoke.x);
  };
  const sweep = (((deg(to!) - deg(from!)) % 360) + 360) % 360;
  return { kind: 'arc', centre: centre!, radiusMm, fromDeg: deg(from!), sweepDeg: sweep === 0 ? 360 : sweep };
}

const curveOf = (form: Exclude<Form, 'picked'>, points: readonly Point[]): Curve | null =>
  form === 'arc' ? arcThrough(points) : { kind: 'segment', from: points[0]!, to: points[1]! };

/** Free grid lines and arcs: drawn or typed one by one, or picked from a drawing that lies under the plan. */
export function FreeLines() {
  const [form, setForm] = useState<Form>('line');
  return (
    <>
      <ChoiceField
        label="Form"
        value={form}
        choices={[
          ['line', 'straight line'],
          ['arc', 'arc, counter-clockwise'],
          ['picked', 'lines of an underlay'],
        ]}
        onChoose={setForm}
      />
      {form === 'picked' ? <PickedLines /> : <OneLine key={form} form={form} />}
    </>
  );
}

/** The command that adds a line or arc to a grid of free lines, or to a new one. */
function inputFor(
  building: Id | null,
  system: { id: Id; origin: Point } | undefined,
  curve: Curve,
  label: string,
): CommandInputs['grids.addFree'] {
  const origin = system?.origin ?? { x: 0, y: 0 };
  const path: CommandInputs['grids.addFree']['lines'][number]['path'] =
    curve.kind === 'arc'
      ? {
          xMm: curve.centre.x - origin.x,
          yMm: curve.centre.y - origin.y,
          radiusMm: curve.radiusMm,
          fromDeg: curve.fromDeg,
          sweepDeg: curve.sweepDeg,
        }
      : {
          x0Mm: curve.from.x - origin.x,
          y0Mm: curve.from.y - origin.y,
          x1Mm: curve.to.x - origin.x,
          y1Mm: curve.to.y - origin.y,
        };
  return {
    ...(building ? { building } : {}),
    ...(system ? { system: system.id } : {}),
    lines: [{ path, ...(label.trim() ? { label: label.trim() } : {}) }],
  };
}

/** One line or arc, pressed in the plan point by point, or typed. */
function OneLine({ form }: { form: Exclude<Form, 'picked'> }) {
  const { framework, building, display, run } = useSlice('framework', 'building', 'display', 'run');
  const [texts, setTexts] = useState<string[]>([]);
  const [label, setLabel] = useState('');
  const own = gridsOf(framework).filter(
    ({ record }) => record.building === building && record.shape === 'free' && record.turnDeg === 0,
  );
  const system = own.at(-1);
  const wanted = WANTED[form];
  const points = texts.flatMap((text) => {
    const read = readPlaceText(text, display);
    const at = read.ok && building ? pointOfPlace(framework, building, read.value.input) : null;
    return at ? [at] : [];
  });
  const isWhole = points.length === wanted.length && texts.length === wanted.length;
  const curve = isWhole ? curveOf(form, points) : null;
  // The latest is what Enter in the plan adds.
  const adding = useRef<() => string | null>(() => null);
  const make = useEnd(() => adding.current());
  usePlanPoints(
    building
      ? (at, phase) => {
          if (phase !== 'press') return;
          const kept = texts.length >= wanted.length ? [] : texts;
          setTexts([...kept, writePlace(framework, building, at.x, at.y, display)]);
        }
      : null,
  );
  const input = curve && inputFor(building, system && { id: system.id, origin: system.origin }, curve, label);
  const preview = usePreview('grids.addFree', input);
  const added = preview?.ok ? preview.value.changes.added.find(({ kind }) => kind === 'gridLine') : undefined;
  const called = preview?.ok && added ? axisLine(preview.value.after, added.id)?.label : null;
  useGhost({
    rings: [],
    points,
    curves: curve ? [curve] : [],
    labels: curve && called ? [{ at: endsOf(curve)[1]!, text: called }] : [],
    note: curve ? 'A new grid line' : `${wanted[points.length] ?? ''}: press a point in the plan`,
  });

  const isDrawn = curve !== null;
  const drawn = JSON.stringify(isWhole ? [] : points);
  const pen = useMemo((): Pen | null => {
    if (!building) return null;
    const corners = JSON.parse(drawn) as Point[];
    return {
      kind: 'path',
      corners,
      turnDeg: 0,
      mayClose: false,
      isWhole: isDrawn,
      back: () => setTexts((was) => was.slice(0, -1)),
      ...(make ? { end: make } : {}),
      shape: (run) => {
        const arc = form === 'arc' && run.length === 3 ? arcThrough(run) : null;
        return { rings: [], curves: arc ? [arc] : [] };
      },
    };
  }, [building, drawn, isDrawn, form, make]);
  usePen(pen);

  const add = () => {
    if (!curve) return `Type or press ${wanted.join(', ').toLowerCase()}`;
    const refusal = input ? run('grids.addFree', input) : null;
    if (refusal) return refusal;
    setTexts([]);
    setLabel('');
    return null;
  };
  useEffect(() => {
    adding.current = add;
  });
  return (
    <ToolForm label="Free lines" does="Add the line" isReady={curve !== null} act={add}>
      {wanted.map((words, i) => {
        const text = texts[i] ?? '';
        const read = text === '' ? null : readPlaceText(text, display);
        return (
          <PlainField
            key={words}
            label={words}
            value={text}
            onChange={(typed) =>
              setTexts(
                wanted.map((_, j) => (j === i ? typed : (texts[j] ?? ''))).slice(0, Math.max(i + 1, texts.length)),
              )
            }
            note={read === null ? null : read.ok ? read.value.words : read.refusal.message}
            wrong={read !== null && !read.ok}
          />
        );
      })}
      <PlainField
        label="Label"
        value={label}
        onChange={setLabel}
        note={label === '' ? 'empty: the next one of the run' : null}
      />
      {curve && (
        <p role="status" className="text-ink2">
          {curve.kind === 'arc'
            ? `Radius ${formatLength(curve.radiusMm, display)}, sweep ${Math.round(curve.sweepDeg * 100) / 100}°`
            : `${formatLength(distance(curve.from, curve.to), display)} long`}
        </p>
      )}
    </ToolForm>
  );
}
