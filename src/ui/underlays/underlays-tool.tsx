'use client';

import { useRef, useState } from 'react';
import { recordsOf } from '@/core/model/framework';
import type { Point } from '@/core/geometry/point';
import { cornersOf } from '@/core/underlays/place-underlay';
import type { Underlay } from '@/core/underlays/underlay';
import { ActionButton, ChoiceField, PlainField } from '../fields/fields';
import { HeavyWorkLine, useHeavyWork } from '../fields/heavy-work';
import { LengthField } from '../fields/length-field';
import { readPlaceText, writePlace } from '../fields/place-text';
import { pointOfPlace } from '../section/point-of-place';
import { useSlice } from '../session/store';
import { none } from '@/core/kinds/kind';
import { angle, BUILDING, check, choice, ID, KIND, own, text, type FieldsOf } from '../fields/declared/field-spec';
import { RecordFields } from '../fields/declared/record-fields';
import { usePlanPoints } from '../tools/plan-busy';
import { Refused } from '../tools/refused';
import { bringUnderlay } from './bring-underlay';
import type { Change } from '@/core/commands/command-inputs';

const SIDES = ['south', 'east', 'north', 'west'] as const;

/** Pictures, PDF pages and drawings laid under the plan of a level, or upright under an elevation. */
export function UnderlaysTool() {
  const { framework, building, level, solved, run, session, display } = useSlice(
    'framework',
    'building',
    'level',
    'solved',
    'run',
    'session',
    'display',
  );
  const input = useRef<HTMLInputElement>(null);
  const replacing = useRef<Underlay | null>(null);
  const work = useHeavyWork();
  const [page, setPage] = useState('1');
  const [paper, setPaper] = useState('100');
  const [where, setWhere] = useState<string>('level');
  const [refused, setRefused] = useState<string | null>(null);
  const there = recordsOf(framework, 'underlay').filter((underlay) => underlay.building === building);
  const here = solved?.levels.find(({ id }) => id === level);
  const bring = async (file: File) => {
    if (!session || !building) return;
    setRefused(null);
    try {
      const scale = Number(paper);
      if (!(scale >= 1 && scale <= 100_000)) throw new Error('Type the scale of the page, like 100');
      const brought = await work.begin(`Reading ${file.name}`, (signal, tell) =>
        bringUnderlay(session, file, Number(page), scale, signal, tell),
      );
      const old = replacing.current;
      const refusal = old
        ? run('underlays.replace', { underlay: old.id, ...brought.file })
        : run('underlays.add', {
            building,
            name: file.name.slice(0, 120),
            view: where === 'level' || where === 'all' ? 'plan' : `elevation ${where}`,
            level: where === 'level' ? level : null,
            ...brought.file,
            mmPerUnit: brought.mmPerUnit,
          });
      setRefused(refusal);
    } catch (error) {
      setRefused(error instanceof Error ? error.message : String(error));
    } finally {
      replacing.current = null;
    }
  };
  return (
    <section aria-label="Underlays" className="flex flex-col gap-2">
      <ChoiceField
        label="Lie under"
        value={where}
        choices={[
          ['level', `the plan of ${here?.name ?? ''}`],
          ['all', 'every plan'],
          ...SIDES.map((side) => [side, `the ${side} elevation`] as const),
        ]}
        onChoose={setWhere}
      />
      <PlainField label="PDF: page" value={page} onChange={setPage} />
      <PlainField label="PDF: scale 1 :" value={paper} onChange={setPaper} />
      <input
        ref={input}
        type="file"
        accept=".png,.jpg,.jpeg,.pdf,.dxf"
        className="sr-only"
        tabIndex={-1}
        aria-label="File to lay under"
        onChange={({ target }) => {
          const [chosen] = target.files ?? [];
          target.value = '';
          if (chosen) void bring(chosen);
        }}
      />
      <ActionButton disabled={work.words !== null} onClick={() => input.current?.click()}>
        Lay a picture, PDF or DXF under …
      </ActionButton>
      <HeavyWorkLine work={work} />
      <Refused words={refused} />
      {there.map((underlay) => (
        <UnderlayFields
          key={`${underlay.id} ${display.system}`}
          underlay={underlay}
          onReplace={() => {
            replacing.current = underlay;
            input.current?.click();
          }}
        />
      ))}
    </section>
  );
}

const STRENGTHS = ['0.2', '0.35', '0.5', '0.75', '1'] as const;

type Given = Change<'underlays.change', 'underlay'>;

const FIELDS: FieldsOf<Underlay, Given> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  level: choice(
    'Under the plan of',
    ({ building }, { solved }) =>
      (solved?.levels ?? [])
        .filter((level) => level.building === building)
        .reverse()
        .map(({ id, name }) => [id, name] as const),
    { orNone: 'every level', when: ({ view }) => view === 'plan' },
  ),
  view: none('It lies under what it was brought for'),
  shown: check('Shown'),
  opacity: own(Strength),
  mmPerUnit: own(Width),
  turnDeg: angle('Turned', { fixed: ({ locked }) => locked }),
  locked: check('Locked'),
  sha256: none('Another file is brought with Replace'),
  content: none('It is what its file is'),
  u0: none('It is how its file is'),
  v0: none('It is how its file is'),
  width: none('It is how its file is; its width in the plan says its scale'),
  height: none('It follows from its width'),
  u: own(Registered),
  v: none('It is pressed as a point'),
  xMm: none('It is said where a point belongs'),
  yMm: none('It is said where a point belongs'),
};

function Strength({ record: underlay }: { record: Underlay }) {
  const { run, say } = useSlice('run', 'say');
  const nearest = STRENGTHS.reduce((best, each) =>
    Math.abs(Number(each) - underlay.opacity) < Math.abs(Number(best) - underlay.opacity) ? each : best,
  );
  return (
    <ChoiceField
      label="Strength"
      value={nearest}
      choices={STRENGTHS.map((each) => [each, `${Math.round(Number(each) * 100)} %`] as const)}
      onChoose={(strength) => {
        const refusal = run('underlays.change', { underlay: underlay.id, strength: Number(strength) });
        if (refusal) say(refusal);
      }}
    />
  );
}

function Width({ record: underlay }: { record: Underlay }) {
  const { run } = useSlice('run');
  return (
    <LengthField
      label="Width"
      valueMm={Math.round(underlay.width * underlay.mmPerUnit * 1e3) / 1e3}
      disabled={underlay.locked}
      onCommit={(width) =>
        typeof width === 'number' && width > 0
          ? run('underlays.change', { underlay: underlay.id, mmPerUnit: width / underlay.width })
          : 'Type a plain length above zero'
      }
    />
  );
}

function Registered({ record: underlay }: { record: Underlay }) {
  return !underlay.locked && underlay.view === 'plan' ? <Register underlay={underlay} /> : null;
}

function UnderlayFields({ underlay, onReplace }: { underlay: Underlay; onReplace: () => void }) {
  const { solved, run, say, set } = useSlice('solved', 'run', 'say', 'set');
  const levelName = solved?.levels.find(({ id }) => id === underlay.level)?.name;
  const lies = underlay.view === 'plan' ? (levelName ? `plan of ${levelName}` : 'every plan') : underlay.view;
  return (
    <details className="border-t border-faint pt-1.5">
      <summary className="font-semibold">
        {underlay.name} <span className="font-normal text-ink2">{lies}</span>
      </summary>
      <div className="flex flex-col gap-1.5 pt-1.5">
        <RecordFields
          record={underlay}
          fields={FIELDS}
          building={underlay.building}
          give={(part) => run('underlays.change', { underlay: underlay.id, ...part })}
        />
        <span className="flex justify-end gap-2">
          <ActionButton
            onClick={() =>
              set({ ghost: { rings: [cornersOf(underlay)], points: [], note: `Where ${underlay.name} lies` } })
            }
          >
            Show where
          </ActionButton>
          <ActionButton onClick={onReplace}>Replace …</ActionButton>
          <ActionButton
            weight="danger"
            onClick={() => {
              const refusal = run('underlays.remove', { underlay: underlay.id });
              if (refusal) say(refusal);
            }}
          >
            Remove
          </ActionButton>
        </span>
      </div>
    </details>
  );
}

const STEPS = ['A point of the underlay', 'where it belongs', 'Another point', 'where that belongs'] as const;

/** Registering by one point, or by two, which scales and turns as well. Points are pressed in the plan or typed. */
function Register({ underlay }: { underlay: Underlay }) {
  const { framework, building, display, run } = useSlice('framework', 'building', 'display', 'run');
  const [count, setCount] = useState<1 | 2 | null>(null);
  const [texts, setTexts] = useState<string[]>([]);
  const [refused, setRefused] = useState<string | null>(null);
  usePlanPoints(
    count !== null && building
      ? (at, phase) => {
          if (phase !== 'press') return;
          const next = texts.findIndex((text) => text === '');
          const i = next >= 0 ? next : texts.length;
          if (i >= count * 2) return;
          const typed = [...texts];
          typed[i] = writePlace(framework, building, at.x, at.y, display);
          setTexts(typed);
        }
      : null,
  );
  const points = texts.map((text): Point | null => {
    const place = readPlaceText(text, display);
    return place.ok && building ? pointOfPlace(framework, building, place.value.input) : null;
  });
  const isWhole = count !== null && points.length === count * 2 && points.every((point) => point !== null);
  const close = () => {
    setCount(null);
    setTexts([]);
    setRefused(null);
  };
  const take = () => {
    if (!isWhole) return setRefused('Press or type every point first');
    const at = (point: Point | null) => ({ xMm: point!.x, yMm: point!.y });
    const pairs = Array.from({ length: count }, (_, i) => ({ from: at(points[2 * i]!), to: at(points[2 * i + 1]!) }));
    const refusal = run('underlays.register', { underlay: underlay.id, points: pairs });
    setRefused(refusal);
    if (!refusal) close();
  };
  if (count === null) {
    return (
      <span className="flex gap-2">
        <ActionButton onClick={() => setCount(1)}>Register by a point</ActionButton>
        <ActionButton onClick={() => setCount(2)}>by two points</ActionButton>
      </span>
    );
  }
  return (
    <fieldset className="flex flex-col gap-1 border-l-2 border-now pl-2">
      <legend className="sr-only">Register this underlay</legend>
      {STEPS.slice(0, count * 2).map((words, i) => {
        const text = texts[i] ?? '';
        const place = text === '' ? null : readPlaceText(text, display);
        return (
          <PlainField
            key={words}
            label={words}
            value={text}
            onChange={(typed) =>
              setTexts(STEPS.slice(0, count * 2).map((_, j) => (j === i ? typed : (texts[j] ?? ''))))
            }
            note={place === null ? null : place.ok ? place.value.words : place.refusal.message}
            wrong={place !== null && !place.ok}
          />
        );
      })}
      <Refused words={refused} />
      <span className="flex justify-end gap-2">
        <ActionButton onClick={close}>Leave it</ActionButton>
        <ActionButton weight="main" disabled={!isWhole} onClick={take}>
          Register
        </ActionButton>
      </span>
    </fieldset>
  );
}
