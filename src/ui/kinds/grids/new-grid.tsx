'use client';

import { useRef, useState } from 'react';
import { LETTERS, NUMBERS } from '@/core/grids/grid-input';
import { labelAfter, runPart } from '@/core/grids/labels';
import { endsOf } from '@/core/geometry/curve';
import { gridById, gridsOf } from '@/core/grids/resolve-grids';
import type { LabelRule } from '@/core/grids/grid';
import type { Preset } from '@/core/grids/preset';
import { recordsOf, type Framework } from '@/core/model/framework';
import type { Point } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import { parseAngle } from '@/core/units/parse-angle';
import { formatBays } from '@/core/units/parse-bays';
import { formatForEntry, formatLength, type LengthDisplay } from '@/core/units/format-length';
import { ActionButton, CheckField, ChoiceField, PlainField } from '../../fields/fields';
import { readPlaceText, writePlace } from '../../fields/place-text';
import { useSlice } from '../../session/store';
import { usePreviewOf } from '../../session/use-preview';
import { useGhost, usePlanPoints } from '../../tools/plan-busy';
import { Refused } from '../../tools/refused';
import { LabelFields, MoreLabelFields } from './label-fields';
import { LevelRangeFields } from './level-range-fields';
import { pointOfPlace } from '../../section/point-of-place';
import { readAnglesText, ringWords, useBaysReader } from './use-bays';
import type { Sent } from '@/core/commands/command-inputs';

type Shape = 'rectangular' | 'radial';
type Corner = 'low left' | 'low right' | 'top left' | 'top right';
const WAYS: Record<Corner, { a: 1 | -1; b: 1 | -1 }> = {
  'low left': { a: 1, b: 1 },
  'low right': { a: -1, b: 1 },
  'top left': { a: 1, b: -1 },
  'top right': { a: -1, b: -1 },
};

/**
 * A new rectangular or radial grid, shown in the plan while it is typed. Its place is typed or pressed in the plan, or the
 * whole of it drawn by two corners.
 */
export function NewGrid({ onDone }: { onDone: () => void }) {
  const { send, building, display, framework } = useSlice('send', 'building', 'display', 'framework');
  const isImperial = display.system === 'imperial';
  const [shape, setShape] = useState<Shape>('rectangular');
  const [a, setA] = useState(isImperial ? "2@24' 12' 3@24'" : '2@7200 3600 3@7200');
  const [b, setB] = useState(isImperial ? "22' 2@26' 22'" : '6600 2@7800 6600');
  const [isUneven, setUneven] = useState(false);
  const [farA, setFarA] = useState(a);
  const [farB, setFarB] = useState(b);
  const [angles, setAngles] = useState('6@15');
  const [radii, setRadii] = useState(isImperial ? "26' 2@20'" : '8000 2@6000');
  const [labelsA, setLabelsA] = useState<LabelRule>(() => continued(framework, building, 'a', NUMBERS));
  const [labelsB, setLabelsB] = useState<LabelRule>(() => continued(framework, building, 'b', LETTERS));
  const [corner, setCorner] = useState<Corner>('low left');
  const [place, setPlace] = useState('0,0');
  const [turn, setTurn] = useState('0');
  const [range, setRange] = useState<{ fromLevel: string | null; toLevel: string | null }>({
    fromLevel: null,
    toLevel: null,
  });
  const [refused, setRefused] = useState<string | null>(null);
  const start = useRef<Point | null>(null);
  const readBays = useBaysReader();
  const presets = recordsOf(framework, 'bayPreset');
  const baysA = readBays(a);
  const baysB = readBays(b);
  const baysFarA = readBays(farA);
  const baysFarB = readBays(farB);
  const bayRadii = readBays(radii);
  const angle = parseAngle(turn);
  const between = readAnglesText(angles);
  const typedPlace = readPlaceText(place, display);
  const at = typedPlace.ok && building ? pointOfPlace(framework, building, typedPlace.value.input) : null;

  const wanted = ((): Sent<'grids.add' | 'grids.addRadial'> | null => {
    if (!at || !angle.ok) return null;
    const common = {
      ...(building ? { building } : {}),
      xMm: at.x,
      yMm: at.y,
      turnDeg: angle.value,
      labelsA,
      labelsB,
      ...range,
    };
    if (shape === 'radial')
      return between.ok && bayRadii.ok
        ? {
            command: 'grids.addRadial',
            input: {
              ...common,
              angles: between.angles,
              radii: bayRadii.given,
              name: freeName(framework, 'Radial grid'),
            },
          }
        : null;
    if (!baysA.ok || !baysB.ok || (isUneven && (!baysFarA.ok || !baysFarB.ok))) return null;
    return {
      command: 'grids.add',
      input: {
        ...common,
        name: freeName(framework, 'Grid'),
        baysA: baysA.given,
        baysB: baysB.given,
        ...(isUneven ? { farBaysA: baysFarA.given, farBaysB: baysFarB.given } : {}),
        waysOf: WAYS[corner],
      },
    };
  })();
  const preview = usePreviewOf(wanted);
  const system = preview?.ok ? preview.value.changes.added.find(({ kind }) => kind === 'gridSystem') : undefined;
  const grid = preview?.ok && system ? gridById(preview.value.after, system.id) : undefined;
  const lines = grid ? [...grid.a, ...grid.b] : [];
  useGhost(
    grid
      ? {
          rings: [],
          points: [],
          curves: lines.map(({ curve }) => curve),
          labels: lines.flatMap(({ curve, label }) => (label === null ? [] : [{ at: endsOf(curve)[1]!, text: label }])),
          note: `${lines.length} lines: ${lines.map(({ label }) => label ?? '–').join(' ')}`,
        }
      : null,
  );
  usePlanPoints(
    building
      ? (point, phase) => {
          if (phase === 'press') {
            start.current = point;
            setPlace(writePlace(framework, building, point.x, point.y, display));
          }
          if (phase === 'press' || !start.current) return;
          const from = start.current;
          if (phase === 'release') start.current = null;
          const [wide, deep] = [Math.abs(point.x - from.x), Math.abs(point.y - from.y)];
          if (wide < LEAST_DRAWN_MM || deep < LEAST_DRAWN_MM) return;
          // Drawn by its two corners: as many equal bays as come near to the usual one.
          setPlace(writePlace(framework, building, Math.min(point.x, from.x), Math.min(point.y, from.y), display));
          setA(evenBays(wide, display));
          setB(evenBays(deep, display));
        }
      : null,
  );

  const add = () => {
    if (!wanted) return setRefused('Something typed above cannot be read yet');
    const refusal = send(wanted);
    setRefused(refusal);
    if (!refusal) onDone();
  };
  const takePreset = (preset: Preset) => {
    const write = (bays: readonly number[]) => formatBays(bays, (mm) => formatForEntry(mm, display));
    setA(write(preset.baysA));
    setB(write(preset.baysB));
    setUneven(preset.farBaysA !== null || preset.farBaysB !== null);
    setFarA(write(preset.farBaysA ?? preset.baysA));
    setFarB(write(preset.farBaysB ?? preset.baysB));
    setLabelsA(preset.labelsA);
    setLabelsB(preset.labelsB);
    const ways = Object.entries(WAYS).find(([, way]) => way.a === preset.waysOf.a && way.b === preset.waysOf.b)!;
    setCorner(ways[0] as Corner);
  };
  const placeWords = !typedPlace.ok ? typedPlace.refusal.message : typedPlace.value.words;
  return (
    <form
      aria-label="New grid"
      className="flex flex-col gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <ChoiceField
        label="Shape"
        value={shape}
        choices={[
          ['rectangular', 'rectangular'],
          ['radial', 'rays and rings'],
        ]}
        onChoose={setShape}
      />
      {presets.length > 0 && shape === 'rectangular' && (
        <ChoiceField
          label="Bays of a preset"
          value=""
          choices={[['', 'choose …'], ...presets.map(({ id, name }) => [id, name] as const)]}
          onChoose={(id) => {
            const preset = presets.find((each) => each.id === id);
            if (preset) takePreset(preset);
          }}
        />
      )}
      {shape === 'rectangular' ? (
        <>
          <PlainField wide label="Bays across" value={a} onChange={setA} note={baysA.words} wrong={!baysA.ok} />
          {isUneven && (
            <PlainField
              wide
              label="Bays across, opposite side"
              value={farA}
              onChange={setFarA}
              note={baysFarA.words}
              wrong={!baysFarA.ok}
            />
          )}
          <PlainField wide label="Bays up" value={b} onChange={setB} note={baysB.words} wrong={!baysB.ok} />
          {isUneven && (
            <PlainField
              wide
              label="Bays up, opposite side"
              value={farB}
              onChange={setFarB}
              note={baysFarB.words}
              wrong={!baysFarB.ok}
            />
          )}
          <CheckField
            label="Other bays on the opposite sides"
            value={isUneven}
            onChange={(on) => {
              setUneven(on);
              if (on && !isUneven) {
                setFarA(a);
                setFarB(b);
              }
            }}
          />
        </>
      ) : (
        <>
          <PlainField
            wide
            label="Angles between the rays"
            value={angles}
            onChange={setAngles}
            note={between.words}
            wrong={!between.ok}
          />
          <PlainField
            wide
            label="First radius, then bays of the rings"
            value={radii}
            onChange={setRadii}
            note={ringWords(bayRadii, (mm) => formatLength(mm, display))}
            wrong={!bayRadii.ok}
          />
        </>
      )}
      <LabelFields way={shape === 'radial' ? 'of rays' : 'across'} rule={labelsA} onChange={setLabelsA} />
      <LabelFields way={shape === 'radial' ? 'of rings' : 'up'} rule={labelsB} onChange={setLabelsB} />
      <PlainField
        label={shape === 'radial' ? 'Centre at' : 'Corner at'}
        value={place}
        onChange={setPlace}
        note={placeWords}
        wrong={!typedPlace.ok}
      />
      <PlainField
        label="Turned by"
        value={turn}
        onChange={setTurn}
        note={angle.ok ? null : angle.refusal.message}
        wrong={!angle.ok}
      />
      <details className="border-t border-faint pt-1.5">
        <summary className="text-ink2">More: corner, left-out characters, levels</summary>
        <div className="flex flex-col gap-1.5 pt-1.5">
          {shape === 'rectangular' && (
            <ChoiceField
              label="Counted from"
              value={corner}
              choices={(Object.keys(WAYS) as Corner[]).map((key2) => [key2, `the ${key2} corner`] as const)}
              onChoose={setCorner}
            />
          )}
          <MoreLabelFields way="across" rule={labelsA} onChange={setLabelsA} />
          <MoreLabelFields way="up" rule={labelsB} onChange={setLabelsB} />
          <LevelRangeFields
            from={range.fromLevel}
            to={range.toLevel}
            onChange={(part) => setRange((now) => ({ ...now, ...part }))}
          />
        </div>
      </details>
      <Refused words={refused ?? (preview && !preview.ok ? preview.refusal.message : null)} />
      <span className="self-end">
        <ActionButton type="submit" weight="main" disabled={!preview?.ok}>
          Add the grid
        </ActionButton>
      </span>
    </form>
  );
}

/** A drag smaller than this places the corner only. */
const LEAST_DRAWN_MM = 2000;
const USUAL_BAY_MM = 7200;

/** A drawn length as equal bays near the usual one, in round steps. */
function evenBays(lengthMm: number, display: LengthDisplay): string {
  const count = Math.max(1, Math.round(lengthMm / USUAL_BAY_MM));
  const step = display.system === 'imperial' ? 25.4 : 50;
  const bayMm = Math.round(lengthMm / count / step) * step;
  return `${count}@${formatForEntry(bayMm, display).replace(' ', '-')}`;
}

/** Labels that go on from those the building has, so that none is given twice. */
function continued(framework: Framework, building: Id | null, direction: 'a' | 'b', rule: LabelRule): LabelRule {
  const taken = gridsOf(framework)
    .filter(({ record }) => record.building === building)
    .flatMap((grid) => grid[direction].flatMap(({ label, record }) => (label === null || record.minor ? [] : label)))
    .filter((label) => runPart(label, rule) !== null && /^\d/.test(label) === /^\d/.test(rule.first));
  const last = taken.sort((p, q) => p.length - q.length || (p < q ? -1 : 1)).at(-1);
  return last === undefined ? rule : { ...rule, first: labelAfter(last, rule) };
}

/** A name no grid has: `Grid`, `Grid 2` … */
function freeName(framework: Framework, wanted: string): string {
  const taken = new Set(recordsOf(framework, 'gridSystem').map(({ name }) => name));
  let name = wanted;
  for (let n = 2; taken.has(name); n += 1) name = `${wanted} ${n}`;
  return name;
}
