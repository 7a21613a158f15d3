'use client';

import type { Change } from '@/core/commands/command-inputs';
import type { FallLayer } from '@/core/falls/fall-layer';
import { fallWords } from '@/core/falls/say-falls';
import { slopeWords } from '@/core/ramps/slope-words';
import { resolveOutline } from '@/core/setting-out/resolve-outline';
import { assembliesOf } from '@/core/slants/assembly';
import { asGiven } from '@/core/dimensions/uses';
import { formatArea, formatLength, formatVolume } from '@/core/units/format-length';
import { called } from '@/core/kinds/records';
import { none } from '@/core/kinds/kind';
import { ThingPanel } from '../../details/thing-panel';
import { BUILDING, ID, KIND, length, own, text, type FieldsOf } from '../../fields/declared/field-spec';
import { ActionButton, CheckField, TextField } from '../../fields/fields';
import { readPlaceText, writePlace } from '../../fields/place-text';
import { useSlice } from '../../session/store';
import { edgeWords } from '../pitched-roofs/roof-edges';

const FIELDS: FieldsOf<FallLayer, Change<'fallLayers.change', 'fallLayer'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  slab: own(Slab),
  level: none('It lies where its slab does'),
  slopeRatio: own(Slope),
  leastMm: length('Thick where water leaves'),
  upstandMm: length('Walls and kerbs stand over it'),
  outlets: own(Outlets),
  edges: own(Edges),
  outline: own(Part),
};

function Slab({ record: layer }: { record: FallLayer }) {
  const { framework, select } = useSlice('framework', 'select');
  const slab = framework.records.get(layer.slab);
  return (
    <div className="flex items-baseline justify-between gap-2 pr-6">
      <span className="text-ink2">Lies on</span>
      <button type="button" className="font-semibold text-now" onClick={() => select([layer.slab])}>
        {slab ? called(slab) : '–'}
      </button>
    </div>
  );
}

function Slope({ record: layer }: { record: FallLayer }) {
  const { run, mayEdit } = useSlice('run', 'mayEdit');
  return (
    <TextField
      label="Falls"
      value={slopeWords(layer.slopeRatio, 'percent')}
      disabled={!mayEdit}
      onCommit={(slope) => run('fallLayers.change', { fallLayer: layer.id, slope })}
    />
  );
}

function Outlets({ record: layer }: { record: FallLayer }) {
  const { framework, solved, run, display, mayEdit, say } = useSlice(
    'framework',
    'solved',
    'run',
    'display',
    'mayEdit',
    'say',
  );
  const info = assembliesOf(solved?.assemblies ?? [], 'fallLayer').find(({ thing }) => thing === layer.id)?.info;
  const all = [...(info?.outlets ?? []), ...(info?.astray ?? [])];
  return layer.outlets.map((_, outlet) => {
    const at = all.find(({ number }) => number === outlet)?.at;
    const place = at ? writePlace(framework, layer.building, at.x, at.y, display) : '';
    return (
      <div key={outlet} className="flex flex-col gap-0.5">
        <TextField
          label={`Outlet ${outlet + 1}`}
          wide
          value={place}
          disabled={!mayEdit}
          onCommit={(typed) => {
            const read = readPlaceText(typed, display);
            return read.ok
              ? run('fallLayers.moveOutlet', { fallLayer: layer.id, outlet, place: read.value.input })
              : read.refusal.message;
          }}
        />
        {mayEdit && (
          <span className="self-end pr-6">
            <ActionButton
              label={`Take outlet ${outlet + 1} away`}
              onClick={() => {
                const refusal = run('fallLayers.removeOutlet', { fallLayer: layer.id, outlet });
                if (refusal) say(refusal);
              }}
            >
              Take it away
            </ActionButton>
          </span>
        )}
      </div>
    );
  });
}

function Edges({ record: layer }: { record: FallLayer }) {
  const { framework, solved, run, mayEdit, say } = useSlice('framework', 'solved', 'run', 'mayEdit', 'say');
  const slab = solved?.floors.find(({ plate, level }) => plate === layer.slab && level === layer.level);
  const ring = layer.outline ? resolveOutline(framework, layer.outline) : (slab?.outline ?? null);
  if (!ring) return null;
  const given = layer.edges.map(({ edge, gutter }) => ({ edge, gutter: gutter && asGiven(framework, gutter) }));
  const set = (edges: NonNullable<Change<'fallLayers.change', 'fallLayer'>['edges']>) => {
    const refusal = run('fallLayers.change', { fallLayer: layer.id, edges });
    if (refusal) say(refusal);
  };
  return (
    <fieldset className="flex flex-col gap-1 border-t border-faint pt-1.5">
      <legend className="sr-only">Edges it falls to</legend>
      <p className="text-ink2">It falls to</p>
      {edgeWords([ring]).map((words, edge) => {
        const now = given.find((each) => each.edge === edge);
        const others = given.filter((each) => each.edge !== edge);
        return (
          <div key={edge} className="flex items-baseline justify-between gap-2 pr-6">
            <CheckField
              label={words}
              value={now !== undefined}
              disabled={!mayEdit}
              onChange={(on) => set(on ? [...given, { edge }] : others)}
            />
            {now && (
              <CheckField
                label="gutter"
                value={now.gutter !== null}
                disabled={!mayEdit}
                onChange={(on) => set([...others, { edge, gutter: on ? {} : null }])}
              />
            )}
          </div>
        );
      })}
    </fieldset>
  );
}

function Part({ record: layer }: { record: FallLayer }) {
  const { run, mayEdit } = useSlice('run', 'mayEdit');
  if (!layer.outline) return null;
  return (
    <div className="flex items-baseline justify-between gap-2 pr-6">
      <span className="text-ink2">It lies on a part of it</span>
      {mayEdit && (
        <ActionButton onClick={() => run('fallLayers.change', { fallLayer: layer.id, outline: null })}>
          Lay all that is open
        </ActionButton>
      )}
    </div>
  );
}

/** What it is like, in numbers. */
function Numbers({ layer }: { layer: FallLayer }) {
  const { solved, display } = useSlice('solved', 'display');
  const info = assembliesOf(solved?.assemblies ?? [], 'fallLayer').find(({ thing }) => thing === layer.id)?.info;
  if (!info) return null;
  return (
    <p className="text-[11px] text-ink2">
      {fallWords(info.slopeRatio)}, {formatLength(info.leastMm, display)} to {formatLength(info.mostMm, display)} thick;{' '}
      {formatArea(info.areaMm2, display)}, {formatVolume(info.volumeMm3, display)}
      {info.kerbsMm > 0 ? `; kerbs ${formatLength(Math.round(info.kerbsMm), display)}` : ''}.
    </p>
  );
}

/** Fields of a layer of falls, under its numbers. */
export function FallFields({ record: layer }: { record: FallLayer }) {
  const { run } = useSlice('run');
  return (
    <>
      <Numbers layer={layer} />
      <ThingPanel
        record={layer}
        fields={FIELDS}
        give={(part) => run('fallLayers.change', { fallLayer: layer.id, ...part })}
        remove="Delete these falls"
      />
    </>
  );
}
