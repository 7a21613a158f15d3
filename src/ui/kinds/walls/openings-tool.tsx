'use client';

import { useMemo, useState } from 'react';
import { mmOf, parseLengthIn } from '@/core/dimensions/resolve-length';
import type { Point } from '@/core/geometry/point';
import { recordsOf } from '@/core/model/framework';
import { formatLength } from '@/core/units/format-length';
import { drawOpening } from '@/core/walls/draw-walls';
import { USUAL_OPENING } from '@/core/walls/opening-commands';
import { isOfSeveral } from '@/core/walls/opening-levels';
import { openingPlace, type OpeningPlace, type OpeningToPlace } from '@/core/walls/opening-place';
import type { WallOpening } from '@/core/walls/wall';
import { ChoiceField, PlainField, SwitchButtons } from '../../fields/fields';
import { stepOf } from '../../plan/drag-step';
import type { Over, Pen } from '../../session/busy';
import { fieldUnit, useSlice } from '../../session/store';
import { usePen, usePlanPoints } from '../../tools/plan-busy';
import { useLengthEntry } from '../../tools/use-length-entry';
import { OpeningPicture } from './opening-picture';

type OpeningKind = WallOpening['opening'];
const KINDS: readonly (readonly [OpeningKind, string])[] = [
  ['door', 'Door'],
  ['window', 'Window'],
  ['plain', 'Opening'],
];
const NONE: readonly Point[] = [];
/** Sizes used already that are offered again. */
const MOST_SIZES = 6;

/** Doors, windows and plain openings: pressed in the wall they go into, as they will stand there. */
export function OpeningsTool() {
  const { framework, solved, level, display, mayEdit, run, say } = useSlice(
    'framework',
    'solved',
    'level',
    'display',
    'mayEdit',
    'run',
    'say',
  );
  const [opening, setOpening] = useState<OpeningKind>('door');
  const usual = USUAL_OPENING[opening];
  const [w, h, s] = [useLengthEntry(usual.widthMm), useLengthEntry(usual.heightMm), useLengthEntry(usual.sillMm)];
  const [leaves, setLeaves] = useState<1 | 2>(1);
  const [hand, setHand] = useState<'left' | 'right'>('left');
  const [opens, setOpens] = useState<'inwards' | 'outwards'>('inwards');
  const [where, setWhere] = useState<'here' | 'all'>('here');
  const begin = (kind: OpeningKind, sizes: { widthMm: number; heightMm: number; sillMm: number }) => {
    setOpening(kind);
    w.begin(sizes.widthMm);
    h.begin(sizes.heightMm);
    s.begin(sizes.sillMm);
  };
  const mm = (input: number | string) => {
    const read = parseLengthIn(framework, String(input), { unit: 'mm' });
    return read.ok ? read.value.mm : 0;
  };
  const [widthMm, heightMm, sillMm] = [mm(w.orZero), mm(h.orZero), mm(s.orZero)];
  const wanted: OpeningToPlace = { opening, leaves, hand, opens, widthMm, heightMm, sillMm };
  const wrong = !w.ok ? w.words : !h.ok ? h.words : !s.ok ? s.words : null;

  const placeAt = (point: Point, reachMm: number, fromEndMm?: number): OpeningPlace | null =>
    solved && level
      ? openingPlace(framework, solved, level, point, wanted, {
          reachMm: reachMm * 2,
          stepMm: stepOf(display),
          ...(fromEndMm === undefined ? {} : { fromEndMm }),
        })
      : null;
  const over = (pointer: Point, reachMm: number): Over | null => {
    const place = placeAt(pointer, reachMm);
    if (!place) return null;
    const { before, after } = place;
    const said = ({ mm: away, words }: OpeningPlace['before']) => `${formatLength(away, display)} from ${words}`;
    return {
      at: place.at,
      measure: `${formatLength(before.mm, display)} · ${formatLength(after.mm, display)}`,
      words: `in wall ${place.wallName}: ${before.mm <= after.mm ? said(before) : said(after)}`,
      refused: place.refused,
      primitives: [
        { type: 'area', style: 'wallSeen', id: null, rings: [place.drawn.ring] },
        ...drawOpening(place.drawn, null),
      ],
    };
  };
  /** Puts it into the wall; answers why not, or null. */
  const put = (place: OpeningPlace | null): string | null => {
    if (wrong) return wrong;
    if (!place || !level) return 'There is no wall here. Point at one';
    if (place.refused) return place.refused;
    return run('walls.addOpening', {
      wall: place.wall,
      opening,
      alongMm: place.alongMm,
      ...(w.ok ? { widthMm: w.input } : {}),
      ...(h.ok ? { heightMm: h.input } : {}),
      ...(s.ok ? { sillMm: s.input } : {}),
      leaves,
      hand,
      opens,
      at: where === 'here' && solved && isOfSeveral(solved, place.wall) ? [level] : 'all',
    });
  };
  usePlanPoints(mayEdit ? NOTHING : null);
  const isDoor = opening === 'door';
  const pen: Pen = {
    kind: 'path',
    corners: NONE,
    turnDeg: 0,
    mayClose: false,
    back: NOTHING,
    begins: 'Press where it goes in a wall, or type how far from the nearer corner or opening',
    nowhere: 'no wall here',
    over,
    press: (pointer, reachMm) => {
      const refusal = put(placeAt(pointer, reachMm));
      if (refusal) say(refusal);
    },
    typed: {
      label: 'From the nearer end',
      take: (text, pointer, reachMm) => {
        const read = parseLengthIn(framework, text, { unit: fieldUnit(display) });
        return read.ok ? put(placeAt(pointer, reachMm, read.value.mm)) : read.refusal.message;
      },
    },
    keys: isDoor
      ? [
          {
            key: 'f',
            words: 'hinges on the other side',
            act: () => setHand((was) => (was === 'left' ? 'right' : 'left')),
          },
          {
            key: 's',
            words: 'opens the other way',
            act: () => setOpens((was) => (was === 'inwards' ? 'outwards' : 'inwards')),
          },
        ]
      : [],
  };
  usePen(mayEdit ? pen : null);
  const used = useMemo(() => sizesUsed(framework), [framework]);
  if (!mayEdit) return <p className="text-ink2">Press a wall in the plan to see its doors and windows.</p>;
  return (
    <div className="flex flex-col gap-2">
      <p className="text-ink2">Point at a wall: it stands there as it will be. Press to put it in.</p>
      <SwitchButtons
        label="What"
        value={opening}
        choices={KINDS}
        onChoose={(kind) => begin(kind, USUAL_OPENING[kind])}
      />
      <PlainField label="Wide" {...w.field} />
      <PlainField label="High" {...h.field} />
      {opening !== 'door' && <PlainField label="Sill over the floor" {...s.field} />}
      {opening === 'door' && (
        <>
          <ChoiceField
            label="Leaves"
            value={String(leaves)}
            choices={[
              ['1', 'one'],
              ['2', 'two'],
            ]}
            onChoose={(next) => setLeaves(next === '2' ? 2 : 1)}
          />
          <ChoiceField
            label="Hinges, seen from outside"
            value={hand}
            choices={[
              ['left', 'on the left'],
              ['right', 'on the right'],
            ]}
            onChoose={setHand}
          />
          <ChoiceField
            label="Opens"
            value={opens}
            choices={[
              ['inwards', 'inwards'],
              ['outwards', 'outwards'],
            ]}
            onChoose={setOpens}
          />
        </>
      )}
      <ChoiceField
        label="In"
        value={where}
        choices={[
          ['here', 'this storey'],
          ['all', 'every storey of its wall'],
        ]}
        onChoose={setWhere}
      />
      {used.length > 0 && (
        <section aria-label="Sizes used already" className="flex flex-wrap gap-1 border-t border-faint pt-2">
          {used.map((each) => (
            <button
              key={JSON.stringify(each)}
              type="button"
              className="flex items-center gap-1.5 rounded-sm border border-hair bg-sheet px-1.5 py-1 hover:bg-faint"
              onClick={() => {
                begin(each.opening, each);
                setLeaves(each.leaves);
              }}
            >
              <OpeningPicture opening={each.opening} leaves={each.leaves} />
              <span className="figures text-[11px]">
                {formatLength(each.widthMm, display)} × {formatLength(each.heightMm, display)}
              </span>
            </button>
          ))}
        </section>
      )}
      {wrong && <p className="text-wrong">{wrong}</p>}
    </div>
  );
}

const NOTHING = () => undefined;

/** Sizes that stand in the project, those used most first. */
function sizesUsed(framework: Parameters<typeof recordsOf>[0]) {
  const counted = new Map<
    string,
    { count: number; size: Pick<OpeningToPlace, 'opening' | 'leaves' | 'widthMm' | 'heightMm' | 'sillMm'> }
  >();
  for (const { openings } of recordsOf(framework, 'wall'))
    for (const { opening, leaves, widthMm, heightMm, sillMm } of openings) {
      const size = {
        opening,
        leaves,
        widthMm: mmOf(framework, widthMm),
        heightMm: mmOf(framework, heightMm),
        sillMm: mmOf(framework, sillMm),
      };
      const key = JSON.stringify(size);
      const entry = counted.get(key) ?? { count: 0, size };
      counted.set(key, { ...entry, count: entry.count + 1 });
    }
  return [...counted.values()]
    .sort((a, b) => b.count - a.count)
    .slice(0, MOST_SIZES)
    .map(({ size }) => size);
}
