'use client';

import { useRef } from 'react';
import type { Change } from '@/core/commands/command-inputs';
import { asGiven } from '@/core/dimensions/uses';
import { mmOf } from '@/core/dimensions/resolve-length';
import type { LengthInput } from '@/core/commands/length-input';
import type { Ring } from '@/core/geometry/polygon';
import type { PitchedRoof } from '@/core/pitched-roofs/pitched-roof';
import { lengthsOf } from '@/core/pitched-roofs/report-pitched-roofs';
import { slopeOfRun } from '@/core/roof-planes/slopes';
import { resolveOutline } from '@/core/setting-out/resolve-outline';
import { assembliesOf } from '@/core/slants/assembly';
import { formatArea, formatElevation, formatLength } from '@/core/units/format-length';
import { ThingPanel } from '../../details/thing-panel';
import {
  BUILDING,
  choice,
  end,
  ID,
  KIND,
  length,
  outline,
  own,
  text,
  type FieldsOf,
} from '../../fields/declared/field-spec';
import { ActionButton, TextField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import type { Ghost } from '../../session/project';
import { useProjectStore, useSlice } from '../../session/store';
import { RoofBays } from './roof-bays';
import { edgeEnds, edgeWords, RoofEdges } from './roof-edges';

const FIELDS: FieldsOf<PitchedRoof, Change<'pitchedRoofs.change', 'roof'>> = {
  kind: KIND,
  id: ID,
  building: BUILDING,
  name: text('Name'),
  slopeDeg: own(Slope),
  bays: own(Bays),
  edges: own(Edges),
  overhangMm: length('Overhang'),
  eavesAt: end('Eaves at'),
  ridgeMm: length('Ridge over the eaves', {
    ifNull: (roof, { solved }) => {
      const info = assembliesOf(solved?.assemblies ?? [], 'pitchedRoof').find(({ thing }) => thing === roof.id)?.info;
      return info ? Math.round((info.ridgeMm - info.eavesMm) * 10) / 10 : 0;
    },
    toNull: 'Let its slopes say how high',
  }),
  measured: choice('Layers are thick', [
    ['square', 'square to the slope'],
    ['plumb', 'upright'],
  ]),
  layers: own(Layers),
  eavesCut: choice('Its eaves end', [
    ['plumb', 'upright'],
    ['square', 'square to the slope'],
  ]),
  fascia: own(Fascia),
  soffitMm: length('Boards under its eaves, thick', {
    fromNull: ['Board its eaves under', 20],
    toNull: 'Leave its eaves open',
  }),
  outline: outline('Stands on', ['Outline, wide', 'Outline, deep']),
  courtyards: own(Courtyards),
};

const degrees = (deg: number) => `${Math.round(deg * 1e4) / 1e4}°`;

function Slope({ record: roof }: { record: PitchedRoof }) {
  const { run, mayEdit } = useSlice('run', 'mayEdit');
  return (
    <TextField
      label="Slope"
      value={degrees(roof.slopeDeg)}
      disabled={!mayEdit}
      onCommit={(slope) => run('pitchedRoofs.change', { roof: roof.id, slope })}
    />
  );
}

function Edges({ record: roof }: { record: PitchedRoof }) {
  const { framework, run, mayEdit, say } = useSlice('framework', 'run', 'mayEdit', 'say');
  const store = useProjectStore();
  const marked = useRef<Ghost | null>(null);
  /** Marks the ends of the edge that is looked at in the plan, unless a tool shows what it would make there. */
  const look = (edge: number | null) => {
    const { ghost } = store.getState();
    if (ghost !== null && ghost !== marked.current) return;
    marked.current = edge === null ? null : { rings: [], points: edgeEnds(rings, edge), note: '' };
    store.setState({ ghost: marked.current });
  };
  const rings = [roof.outline, ...roof.courtyards].map((each) => resolveOutline(framework, each)).filter(isRing);
  return (
    <RoofEdges
      rings={rings}
      edges={roof.edges}
      slope={degrees(roof.slopeDeg)}
      disabled={!mayEdit}
      inBays={roof.bays !== null}
      onLook={look}
      onSet={(edge) => {
        const refusal = run('pitchedRoofs.setEdge', { roof: roof.id, ...edge });
        if (refusal) say(refusal);
        return refusal;
      }}
    />
  );
}

function Bays({ record: roof }: { record: PitchedRoof }) {
  const { framework, run, mayEdit, say } = useSlice('framework', 'run', 'mayEdit', 'say');
  const ring = resolveOutline(framework, roof.outline);
  return ring ? (
    <RoofBays
      ring={ring}
      bays={roof.bays}
      disabled={!mayEdit}
      onSet={(bays) => {
        // Slopes of its edges are none of a roof in bays.
        const plain = roof.edges.filter(({ is, upper }) => is !== 'slope' && !upper);
        const edges = bays && !roof.bays ? { edges: plain.map(({ edge, is }) => ({ edge, is })) } : {};
        const refusal = run('pitchedRoofs.change', { roof: roof.id, bays, ...edges });
        if (refusal) say(refusal);
        return refusal;
      }}
    />
  ) : null;
}
const isRing = (ring: Ring | null): ring is Ring => ring !== null;

function Layers({ record: roof }: { record: PitchedRoof }) {
  const { framework, run, say, display, mayEdit } = useSlice('framework', 'run', 'say', 'display', 'mayEdit');
  const given = roof.layers.map(({ name, thicknessMm }) => ({ name, thicknessMm: asGiven(framework, thicknessMm) }));
  const put = (layers: NonNullable<Change<'pitchedRoofs.change', 'roof'>['layers']>) =>
    run('pitchedRoofs.change', { roof: roof.id, layers });
  const attempt = (layers: Parameters<typeof put>[0]) => {
    const refusal = put(layers);
    if (refusal) say(refusal);
  };
  const set = (i: number, thicknessMm: LengthInput) =>
    put(given.map((layer, j) => (i === j ? { ...layer, thicknessMm } : layer)));
  const total = roof.layers.reduce((sum, { thicknessMm }) => sum + mmOf(framework, thicknessMm), 0);
  return (
    <details className="border-t border-faint pt-1.5">
      <summary className="text-ink2">Layers, {formatLength(total, display)} in all</summary>
      <div className="flex flex-col gap-1 pt-1.5">
        {roof.layers.map(({ name, thicknessMm }, i) => (
          <div key={i} className="flex flex-col gap-0.5">
            <TextField
              label={`Layer ${i + 1}`}
              wide
              value={name}
              disabled={!mayEdit}
              onCommit={(next) => put(given.map((layer, j) => (i === j ? { ...layer, name: next } : layer)))}
            />
            <LengthField
              label="thick"
              valueMm={mmOf(framework, thicknessMm)}
              disabled={!mayEdit}
              onCommit={(next) => set(i, next)}
            />
            {mayEdit && given.length > 1 && (
              <span className="self-end pr-6">
                <ActionButton
                  label={`Take layer ${i + 1} away`}
                  onClick={() => attempt(given.filter((_, j) => j !== i))}
                >
                  Take it away
                </ActionButton>
              </span>
            )}
          </div>
        ))}
        {mayEdit && (
          <span className="self-end pr-6">
            <ActionButton onClick={() => attempt([...given, { name: 'Layer', thicknessMm: 20 }])}>
              Add a layer
            </ActionButton>
          </span>
        )}
        <p className="text-[11px] text-ink3">From the outside inwards.</p>
      </div>
    </details>
  );
}

/** Boards along its eaves and verges. */
function Fascia({ record: roof }: { record: PitchedRoof }) {
  const { framework, run, say, mayEdit } = useSlice('framework', 'run', 'say', 'mayEdit');
  const change = (fascia: Change<'pitchedRoofs.change', 'roof'>['fascia']) =>
    run('pitchedRoofs.change', { roof: roof.id, fascia });
  const attempt = (fascia: Parameters<typeof change>[0]) => {
    const refusal = change(fascia);
    if (refusal) say(refusal);
  };
  if (!roof.fascia)
    return mayEdit ? (
      <span className="self-end">
        <ActionButton onClick={() => attempt({})}>Board its edges</ActionButton>
      </span>
    ) : null;
  const given = asGiven(framework, roof.fascia);
  return (
    <>
      <LengthField
        label="Boards at its edges, high"
        valueMm={mmOf(framework, roof.fascia.heightMm)}
        disabled={!mayEdit}
        onCommit={(heightMm) => change({ ...given, heightMm })}
      />
      <LengthField
        label="thick"
        valueMm={mmOf(framework, roof.fascia.thicknessMm)}
        disabled={!mayEdit}
        onCommit={(thicknessMm) => change({ ...given, thicknessMm })}
      />
      {mayEdit && (
        <span className="self-end">
          <ActionButton onClick={() => attempt(null)}>Without boards</ActionButton>
        </span>
      )}
    </>
  );
}

function Courtyards({ record: roof }: { record: PitchedRoof }) {
  const { run, mayEdit } = useSlice('run', 'mayEdit');
  if (roof.courtyards.length === 0) return null;
  return (
    <div className="flex items-baseline justify-between gap-2 pr-6">
      <span className="text-ink2">
        {roof.courtyards.length} {roof.courtyards.length === 1 ? 'courtyard' : 'courtyards'}
      </span>
      {mayEdit && (
        <ActionButton onClick={() => run('pitchedRoofs.change', { roof: roof.id, courtyards: [] })}>
          Roof them over
        </ActionButton>
      )}
    </div>
  );
}

/** What a roof is like, in numbers. */
function Numbers({ roof }: { roof: PitchedRoof }) {
  const { solved, display, framework } = useSlice('solved', 'display', 'framework');
  const info = assembliesOf(solved?.assemblies ?? [], 'pitchedRoof').find(({ thing }) => thing === roof.id)?.info;
  if (!info) return null;
  const long = lengthsOf(info);
  const rings = [roof.outline, ...roof.courtyards].map((each) => resolveOutline(framework, each)).filter(isRing);
  const names = edgeWords(rings);
  const lines = (['ridge', 'hip', 'valley', 'eaves', 'verge', 'abutment'] as const).filter((is) => long(is) > 0);
  return (
    <div className="flex flex-col gap-1.5">
      <table className="figures w-full text-[11px]" aria-label={`Faces of roof ${roof.name}`}>
        <thead>
          <tr className="text-left text-ink2">
            {['from', 'slope', 'area'].map((words) => (
              <th key={words} scope="col" className="font-normal">
                {words}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {info.faces.map(({ edge, band, runPerRise, areaMm2 }, i) => (
            <tr key={i} className="border-t border-faint">
              <td>
                {names[edge] ?? '–'}
                {band > 0 ? ', upper' : ''}
              </td>
              <td>{Math.round(slopeOfRun(runPerRise) * 10) / 10}°</td>
              <td>{formatArea(areaMm2, display)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-[11px] text-ink2">
        Highest at {formatElevation(info.ridgeMm, display)}, eaves at {formatElevation(info.eavesMm, display)}.{' '}
        {info.over1500Mm2 > 0 &&
          `Under it ${formatLength(1500, display)} high and more: ${formatArea(info.over1500Mm2, display)}; ${formatLength(2300, display)}: ${formatArea(info.over2300Mm2, display)}. `}
        Lengths: {lines.map((is) => `${is} ${formatLength(Math.round(long(is) * 1000), display)}`).join(', ')}.
      </p>
    </div>
  );
}

/** Fields of a pitched roof, under its faces. */
export function PitchedRoofFields({ record: roof }: { record: PitchedRoof }) {
  const { run, mayEdit, say } = useSlice('run', 'mayEdit', 'say');
  return (
    <>
      <Numbers roof={roof} />
      {mayEdit && (
        <span className="self-start">
          <ActionButton
            onClick={() => {
              const refusal = run('pitchedRoofs.trimWalls', { roof: roof.id });
              if (refusal) say(refusal);
            }}
          >
            Let the walls under it end at it
          </ActionButton>
        </span>
      )}
      <ThingPanel
        record={roof}
        fields={FIELDS}
        give={(part) => run('pitchedRoofs.change', { roof: roof.id, ...part })}
        remove="Delete this roof"
      />
    </>
  );
}
