'use client';

import { useMemo, useState } from 'react';
import { amongFree, chooseCrossings } from '@/core/columns/choose-crossings';
import { FACES, freeMarks, type SectionInput } from '@/core/columns/column-input';
import { nearestCrossing } from '@/core/columns/nearest-crossing';
import { sectionAsDrawn } from '@/core/columns/section-as-drawn';
import { MATERIALS } from '@/core/columns/column';
import { sectionHull, sectionMm } from '@/core/columns/section-shape';
import { acting } from '@/core/setting-out/acting';
import { axisLine } from '@/core/grids/axis-lines';
import { buildingCrossings, type Crossing } from '@/core/grids/crossings';
import { parseAngle } from '@/core/units/parse-angle';
import { formatForEntry } from '@/core/units/format-length';
import { ActionButton, ChoiceField, PlainField, SwitchButtons } from '../../fields/fields';
import { useLengthReader } from '../../fields/length-field';
import { readPlaceText, writePlace } from '../../fields/place-text';
import { useSectionReader } from '../../fields/section-field';
import { useProject } from '../../session/store';
import { TakeFile } from '../../setting-up/take-file';
import { withLine, type Pen } from '../../session/busy';
import { useGhost, usePen, usePlanLines, usePlanPoints, usePlanWindow } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import type { Sent } from '@/core/commands/command-inputs';
import { usePreviewOf } from '../../session/use-preview';

type Way = 'lines' | 'window' | 'point' | 'along';
const WAYS: readonly (readonly [Way, string])[] = [
  ['lines', 'By lines'],
  ['window', 'By window'],
  ['along', 'Along a line'],
  ['point', 'One by one'],
];
const FACE_WORDS: Record<(typeof FACES)[number], string> = {
  interior: 'interior face on it',
  exterior: 'exterior face on it',
  centre: 'centre on it',
  left: 'standing left of it',
  right: 'standing right of it',
};

/** Columns: at all crossings of chosen lines or in a window, along a line, or one by one; with a face flush with a line. */
export function ColumnsTool() {
  const project = useProject((shown) => shown);
  const { framework, solved, building, mayEdit, display, send } = project;
  const read = useLengthReader();
  const readSection = useSectionReader();
  const [way, setWay] = useState<Way>('lines');
  const [section, setSection] = useState(display.system === 'imperial' ? '20"x20"' : '500x500');
  const [material, setMaterial] = useState<(typeof MATERIALS)[number]>('concrete');
  const [turn, setTurn] = useState('0');
  const [face, setFace] = useState<(typeof FACES)[number] | 'none'>('none');
  const [place, setPlace] = useState('');
  const [spacing, setSpacing] = useState(() => formatForEntry(display.system === 'imperial' ? 6096 : 6000, display));
  const [range, setRange] = useState<[string, string]>(['', '']);
  const [windowed, setWindowed] = useState<Crossing[]>([]);
  const lines = useMemo(() => solved?.lines.filter((line) => line.building === building) ?? [], [solved, building]);
  const settingOut = useMemo(
    () => solved?.settingOut.filter((line) => line.building === building) ?? [],
    [solved, building],
  );
  const [lineIds, choose] = usePlanLines(mayEdit && (way === 'lines' || way === 'along') ? way : null);
  const choice = useMemo(
    () =>
      way === 'window' ? amongFree(framework, windowed) : chooseCrossings(framework, way === 'lines' ? lineIds : []),
    [framework, lineIds, way, windowed],
  );
  usePlanWindow(
    mayEdit && way === 'window' && building
      ? (from, to) => {
          const [x0, x1] = [Math.min(from.x, to.x), Math.max(from.x, to.x)];
          const [y0, y1] = [Math.min(from.y, to.y), Math.max(from.y, to.y)];
          setWindowed(
            buildingCrossings(framework, building).filter(
              ({ at, label }) => label !== null && at.x >= x0 && at.x <= x1 && at.y >= y0 && at.y <= y1,
            ),
          );
        }
      : null,
  );

  const shape = readSection(section);
  const angle = parseAngle(turn);
  const length = read(spacing);
  const at = readPlaceText(place, display);
  /** Setting-out lines whose own grid lines are among the crossings, or those lines themselves. */
  const flush = useMemo(() => {
    if (face === 'none') return [];
    const used = new Set(way === 'along' ? lineIds : choice.taken.flatMap(({ lines: both }) => both));
    const own = settingOut.filter(({ id }) => used.has(axisLine(framework, id)?.root ?? '') || used.has(id));
    return own.map(({ id }) => ({ line: id, face: face as Exclude<typeof face, 'none'> }));
  }, [face, way, lineIds, choice, settingOut, framework]);
  const common = {
    ...(building ? { building } : {}),
    material,
    turnDeg: angle.ok ? angle.value : 0,
    flush,
    ...(range[0] ? { startsAt: { level: range[0] } } : {}),
    ...(range[1] ? { stopsAt: { level: range[1] } } : {}),
  };
  const wanted = ((): Sent | null => {
    if (!shape.ok || !angle.ok) return null;
    const placed = { ...common, section: shape.input };
    if (way === 'lines') return { command: 'columns.placeAtCrossings', input: { ...placed, lines: lineIds } };
    if (way === 'window')
      return windowed.length > 0
        ? {
            command: 'columns.placeAtCrossings',
            input: { ...placed, crossings: windowed.map(({ lines: both }) => both) },
          }
        : null;
    if (way === 'along')
      return lineIds.length === 1 && length.ok
        ? {
            command: 'columns.placeAlong',
            input: { ...placed, line: lineIds[0]!, spacingMm: length.input },
          }
        : null;
    return at.ok ? { command: 'columns.place', input: { ...placed, place: at.value.input } } : null;
  })();
  const preview = usePreviewOf(wanted);
  const shown = useMemo(() => {
    if (!preview?.ok) return [];
    const { added } = preview.value.changes;
    return added.flatMap((record) => {
      if (record.kind !== 'columnStack') return [];
      const stands = acting(preview.value.after, record);
      return [
        { at: stands.at, ring: sectionHull(sectionMm(preview.value.after, record.section), stands.at, stands.turnDeg) },
      ];
    });
  }, [preview]);
  const note = useMemo(() => {
    if (way === 'point') return shown.length > 0 ? 'One column' : '';
    if (way === 'along') return shown.length > 0 ? `${shown.length} columns along the line` : '';
    return words(choice.taken.length, choice.refused);
  }, [way, shown, choice]);
  useGhost({ rings: shown.map(({ ring }) => [...ring]), points: shown.map(({ at: point }) => point), note });
  usePlanPoints(
    mayEdit && way === 'point' && building
      ? (point, phase) => {
          if (phase !== 'press') return;
          const text = writePlace(framework, building, point.x, point.y, display);
          const read = readPlaceText(text, display);
          if (!shape.ok || !angle.ok || !read.ok) return setPlace(text);
          // One press is one column: where it is refused, the place stands in its field with the reason.
          const input = { ...common, section: shape.input, place: read.value.input };
          const refusal = send({ command: 'columns.place', input });
          setPlace(refusal ? text : '');
          if (refusal) project.say(refusal);
        }
      : null,
  );
  const sectionText = shape.ok ? JSON.stringify(shape.input) : '';
  const turnDeg = angle.ok ? angle.value : 0;
  const pen = useMemo((): Pen | null => {
    if (!mayEdit || way !== 'point' || !building || sectionText === '') return null;
    const own = sectionAsDrawn(framework, JSON.parse(sectionText) as SectionInput);
    const free = freeMarks(framework)();
    return {
      kind: 'path',
      corners: [],
      turnDeg: 0,
      mayClose: false,
      back: () => undefined,
      at: (pointer) => {
        const near = nearestCrossing(framework, building, { xMm: pointer.x, yMm: pointer.y }, 1);
        const ring = own ? sectionHull(own, pointer, turnDeg + (near?.turnDeg ?? 0)) : [];
        return { rings: [[...ring]], words: `column ${near?.label ?? free}` };
      },
    };
  }, [mayEdit, way, building, framework, sectionText, turnDeg]);
  usePen(pen);

  if (!mayEdit) return <p className="text-ink2">Press a column in the plan to see where it runs.</p>;
  const doIt = () => {
    if (!shape.ok) return shape.words;
    if (!angle.ok) return angle.refusal.message;
    if (!wanted) return MISSING[way];
    const refusal = send(wanted);
    if (refusal) return refusal;
    if (way === 'point') setPlace('');
    if (way === 'window') setWindowed([]);
    if (way === 'lines' || way === 'along') choose([]);
    return null;
  };
  const toggle = (id: string) => choose(way === 'along' ? [id] : withLine(lineIds, id));
  const storeys = (solved?.levels ?? []).filter((level) => level.building === building && level.bounding).reverse();
  const count = shown.length;
  return (
    <ToolForm
      label="Place columns"
      does={`Place ${count} ${count === 1 ? 'column' : 'columns'}`}
      isReady={count > 0}
      act={doIt}
      below={<TakeFile kind="columns" />}
    >
      <SwitchButtons label="How columns are placed" value={way} choices={WAYS} onChoose={setWay} />
      <p className="text-ink2">{HINTS[way]}</p>
      {(way === 'lines' || way === 'along') && <LineChips lines={lines} chosen={lineIds} onToggle={toggle} />}
      {way === 'along' && settingOut.length > 0 && (
        <LineChips
          lines={settingOut.map(({ id, name }) => ({ id, label: name, direction: 'a' as const }))}
          chosen={lineIds}
          onToggle={toggle}
        />
      )}
      {way === 'lines' && (
        <div className="flex gap-2">
          <ActionButton onClick={() => choose(lines.filter(({ minor }) => !minor).map(({ id }) => id))}>
            All lines
          </ActionButton>
          <ActionButton onClick={() => choose([])}>None</ActionButton>
        </div>
      )}
      {way === 'point' && (
        <PlainField
          label="At"
          value={place}
          onChange={setPlace}
          note={
            place === '' ? 'press in the plan, or type C-4 + 1200,300' : at.ok ? at.value.words : at.refusal.message
          }
          wrong={place !== '' && !at.ok}
        />
      )}
      {way === 'along' && (
        <PlainField label="Spacing" value={spacing} onChange={setSpacing} note={length.words} wrong={!length.ok} />
      )}
      <PlainField label="Section" value={section} onChange={setSection} note={shape.words} wrong={!shape.ok} />
      <ChoiceField
        label="Material"
        value={material}
        choices={MATERIALS.map((each) => [each, each] as const)}
        onChoose={setMaterial}
      />
      <PlainField
        label="Turned by"
        value={turn}
        onChange={setTurn}
        note={angle.ok ? null : angle.refusal.message}
        wrong={!angle.ok}
      />
      {settingOut.length > 0 && (
        <ChoiceField
          label="Setting-out line"
          value={face}
          choices={[['none', 'not held'], ...FACES.map((each) => [each, FACE_WORDS[each]] as const)]}
          onChoose={setFace}
        />
      )}
      <details>
        <summary className="text-ink2">Levels</summary>
        <div className="flex flex-col gap-1.5 pt-1.5">
          {(['Starts at', 'Stops at'] as const).map((label, i) => (
            <ChoiceField
              key={label}
              label={label}
              value={range[i]!}
              choices={[
                ['', i === 0 ? 'the lowest level' : 'the top'],
                ...storeys.map(({ id, name }) => [id, name] as const),
              ]}
              onChoose={(id) => setRange(i === 0 ? [id, range[1]] : [range[0], id])}
            />
          ))}
        </div>
      </details>
      <p role="status" className="font-semibold text-now">
        {note || (way === 'lines' || way === 'window' ? 'No crossing chosen yet' : '')}
      </p>
    </ToolForm>
  );
}

const HINTS: Record<Way, string> = {
  lines: 'Choose grid lines, here or in the plan. Every crossing of them gets a column.',
  window: 'Drag a window in the plan. Every labelled crossing in it gets a column.',
  along: 'Choose one line. Columns stand along it at a spacing and follow it.',
  point: 'Press in the plan: each press is a column. Or type a place.',
};
const MISSING: Record<Way, string> = {
  lines: 'Choose lines of both directions first',
  window: 'Drag a window over crossings first',
  along: 'Choose one line first',
  point: 'Press or type a place first',
};

/** How many crossings get a column, and which are left out and why. */
function words(taken: number, refused: readonly { label: string; reason: string }[]): string {
  if (taken === 0 && refused.length === 0) return '';
  const names = refused
    .slice(0, 4)
    .map(({ label }) => label)
    .join(', ');
  const left =
    refused.length === 0
      ? ''
      : `; ${refused.length} left out: ${refused[0]!.reason} (${names}${refused.length > 4 ? ' …' : ''})`;
  return `${taken} ${taken === 1 ? 'column' : 'columns'} at ${taken} ${taken === 1 ? 'crossing' : 'crossings'}${left}`;
}

function LineChips({
  lines,
  chosen,
  onToggle,
}: {
  lines: readonly { id: string; label: string | null; direction: 'a' | 'b' }[];
  chosen: readonly string[];
  onToggle: (id: string) => void;
}) {
  return (['a', 'b'] as const).map((direction) => {
    const own = lines.filter((line) => line.direction === direction);
    if (own.length === 0) return null;
    return (
      <div
        key={direction}
        className="flex flex-wrap gap-1"
        role="group"
        aria-label={direction === 'a' ? 'Lines across' : 'Lines up'}
      >
        {own.map(({ id, label }) => (
          <button
            key={id}
            type="button"
            aria-pressed={chosen.includes(id)}
            aria-label={`Line ${label ?? 'without a label'}`}
            className={`figures min-w-7 rounded-full border px-1.5 py-0.5 ${chosen.includes(id) ? 'border-now bg-now text-sheet' : 'border-hair bg-sheet'}`}
            onClick={() => onToggle(id)}
          >
            {label ?? '–'}
          </button>
        ))}
      </div>
    );
  });
}
