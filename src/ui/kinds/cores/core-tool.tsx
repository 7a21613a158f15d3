'use client';

import { useMemo, useState } from 'react';
import type { CommandInputs } from '@/core/commands/command-inputs';
import { freeName } from '@/core/commands/free-name';
import { refusing } from '@/core/commands/length-input';
import { coreAskedSchema, readCoreAsked } from '@/core/cores/build-command';
import { corePlan, type CorePlan } from '@/core/cores/core-plan';
import type { CoreAsked } from '@/core/cores/propose';
import { plus, turned } from '@/core/geometry/point';
import { readPlace } from '@/core/outlines/outline-input';
import { resolvePlace } from '@/core/outlines/resolve-place';
import { projectRules, ruleChoices } from '@/core/rule-sets/rules-in';
import { SHAFT_PURPOSES } from '@/core/shafts/shaft';
import { firstLength } from '@/core/units/first-length';
import { formatArea, formatForEntry, formatLength } from '@/core/units/format-length';
import { forReader } from '@/core/units/for-reader';
import { ActionButton, ChoiceField, PlainField } from '../../fields/fields';
import { useLengthReader } from '../../fields/length-field';
import { useSlice } from '../../session/store';
import { LevelSpan } from '../../tools/level-span';
import { useGhost } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { useLengthEntry } from '../../tools/use-length-entry';
import { useRectangle } from '../../tools/use-rectangle';
import { CorePicture } from './core-picture';
import { useCoreProposals } from './use-core-proposals';

type Purpose = (typeof SHAFT_PURPOSES)[number];
interface Service {
  purpose: Purpose;
  wide: string;
  deep: string;
}
const COUNTS = ['0', '1', '2', '3', '4', '5', '6', '7', '8'].map((n) => [n, n] as const);

type Stands = Pick<ReturnType<typeof resolvePlace>, 'at' | 'turnDeg'>;

/** A core in the plan, as it would stand: its outline, its lobby, what it holds. */
function ghostOf(plan: CorePlan, { widthMm, depthMm }: CoreAsked, { at, turnDeg }: Stands) {
  const ring = ({ x, y, w, d }: CorePlan['lobby']) =>
    [
      { x, y },
      { x: x + w, y },
      { x: x + w, y: y + d },
      { x, y: y + d },
    ].map((point) => plus(at, turned(point, turnDeg)));
  const whole = { x: 0, y: 0, w: widthMm, d: depthMm };
  return { rings: [whole, plan.lobby, ...plan.things.map(({ box }) => box)].map(ring), points: [], note: '' };
}

/** A core from an outline and what it is to hold: arrangements that work on every storey, each shown before it is built. */
export function CoreTool() {
  const { framework, building, mayEdit, display, run } = useSlice('framework', 'building', 'mayEdit', 'display', 'run');
  const box = useRectangle([9000, 9000], true);
  const [name, setName] = useState('');
  const [lifts, setLifts] = useState('2');
  const [stairs, setStairs] = useState('2');
  const [shaftW, shaftD, door] = [useLengthEntry(1850), useLengthEntry(2100), useLengthEntry(900)];
  const [flight, lobby] = [useLengthEntry(1200), useLengthEntry(1800)];
  const [outer, inner] = [useLengthEntry(250), useLengthEntry(200)];
  const [services, setServices] = useState<Service[]>([]);
  const [rules, setRules] = useState(projectRules(framework));
  const [span, setSpan] = useState<{ from: string | null; to: string | null }>({ from: null, to: null });
  const [choice, setChoice] = useState(0);
  const { outline } = box;
  const lengths = [shaftW, shaftD, door, flight, lobby, outer, inner];
  const reader = useLengthReader();
  const served = services.map(({ purpose, wide, deep }) => ({ purpose, wide: reader(wide), deep: reader(deep) }));
  const all = [...lengths, ...served.flatMap(({ wide, deep }) => [wide, deep])];
  const isNamed = all.some((each) => each.ok && typeof each.input !== 'number');
  const wrong =
    box.wrong ??
    all.find((each) => !each.ok)?.words ??
    (isNamed ? 'Type these sizes as lengths: what a core holds follows no named dimension' : null);
  const number = (each: { ok: boolean; input?: number | string }) => Number(each.input ?? 0);
  const input: CommandInputs['cores.build'] | null =
    wrong || outline.type !== 'rectangle' || outline.place === undefined
      ? null
      : {
          ...(building ? { building } : {}),
          name: name.trim() || freeName(framework, 'core'),
          place: outline.place,
          widthMm: outline.widthMm,
          depthMm: outline.depthMm,
          brief: {
            lifts: {
              count: Number(lifts),
              shaftWidthMm: number(shaftW),
              shaftDepthMm: number(shaftD),
              doorWidthMm: number(door),
            },
            stairs: { count: Number(stairs), widthMm: number(flight) },
            services: served.map(({ purpose, wide, deep }) => ({
              purpose,
              widthMm: number(wide),
              depthMm: number(deep),
            })),
            lobbyMm: number(lobby),
            outerMm: number(outer),
            innerMm: number(inner),
          },
          rules,
          ...(span.from ? { startsAt: span.from } : {}),
          ...(span.to ? { stopsAt: span.to } : {}),
        };
  const read = readAsked();
  function readAsked(): { asked: CoreAsked | null; stands: Stands | null; words: string | null } {
    const none = { asked: null, stands: null };
    const parsed = input && coreAskedSchema.safeParse(input);
    if (!parsed) return { ...none, words: wrong };
    if (!parsed.success) return { ...none, words: parsed.error.issues[0]?.message ?? 'This cannot be read' };
    let made: { asked: CoreAsked; stands: Stands; words: null } | null = null;
    const refusal = refusing(() => {
      const asked = readCoreAsked(framework, parsed.data);
      const place = readPlace(framework, asked.building, parsed.data.place);
      made = { asked, stands: resolvePlace(framework, place), words: null };
    });
    return made ?? { ...none, words: refusal ? refusal.message : null };
  }
  const { asked, stands } = read;
  const { found, isWorking } = useCoreProposals(asked);
  const shown = Math.min(choice, (found?.proposals.length ?? 1) - 1);
  const plans = useMemo(
    () => found?.proposals.map((each) => corePlan(each, found.of.brief, found.of.widthMm, found.of.depthMm)) ?? [],
    [found],
  );
  const plan = plans[shown];
  const ghost = plan && found && stands ? ghostOf(plan, found.of, stands) : null;
  useGhost(ghost);
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  const refused = read.words ?? found?.refused ?? null;
  return (
    <ToolForm
      does="Build this core"
      isReady={plan !== undefined && !isWorking}
      wrong={refused && forReader(refused, display)}
      act={() => {
        if (!input || !plan) return 'Nothing fits yet';
        const refusal = run('cores.build', { ...input, choice: shown });
        if (!refusal) setName('');
        return refusal;
      }}
    >
      <p className="text-ink2">
        Drag its outline in the plan, outside its walls, or type it; say what it is to hold. Arrangements that work on
        every storey are shown, the best first.
      </p>
      <PlainField
        label="Name"
        value={name}
        onChange={setName}
        note={name === '' ? `empty: ${freeName(framework, 'core')}` : null}
      />
      {box.fields.map((field) => (
        <PlainField key={field.label} {...field} />
      ))}
      <ChoiceField label="Lifts" value={lifts} choices={COUNTS} onChoose={setLifts} />
      {lifts !== '0' && (
        <>
          <PlainField label="Lift shaft, wide" {...shaftW.field} />
          <PlainField label="Lift shaft, deep" {...shaftD.field} />
          <PlainField label="Lift doors, wide" {...door.field} />
        </>
      )}
      <ChoiceField label="Stairs" value={stairs} choices={COUNTS.slice(0, 5)} onChoose={setStairs} />
      {stairs !== '0' && (
        <>
          <PlainField label="Flights, wide" {...flight.field} />
          <ChoiceField label="Rule set" value={rules} choices={ruleChoices(framework)} onChoose={setRules} />
        </>
      )}
      <Services services={services} setServices={setServices} />
      <PlainField label="Lobby, wide" {...lobby.field} />
      <PlainField label="Outer walls" {...outer.field} />
      <PlainField label="Inner walls" {...inner.field} />
      <LevelSpan from={span.from} to={span.to} onChange={(part) => setSpan((now) => ({ ...now, ...part }))} />
      {found?.enlarged && outline.type === 'rectangle' && (
        <Larger
          from={found.enlarged}
          act={() => {
            box.fields[1]!.onChange(formatForEntry(found.enlarged!.widthMm, display));
            box.fields[2]!.onChange(formatForEntry(found.enlarged!.depthMm, display));
          }}
        />
      )}
      {isWorking && asked && (
        <p role="status" className="text-[11px] text-ink3">
          Arrangements are being looked for …
        </p>
      )}
      {found && plans.length > 0 && (
        <div role="group" aria-label="Arrangements, the best first" className="grid grid-cols-3 gap-1.5">
          {plans.map((each, i) => (
            <button
              key={i}
              type="button"
              aria-pressed={i === shown}
              aria-label={`Arrangement ${i + 1}`}
              className={`rounded-sm border p-1 ${i === shown ? 'border-now bg-now-tint' : 'border-hair hover:bg-faint'}`}
              onClick={() => setChoice(i)}
            >
              <CorePicture plan={each} brief={found.of.brief} widthMm={found.of.widthMm} depthMm={found.of.depthMm} />
            </button>
          ))}
        </div>
      )}
      {found?.proposals[shown] && (
        <p role="status" className="text-[11px] text-ink2">
          Lobby {formatArea(found.proposals[shown].lobbyMm2, display)}; lifts in {found.proposals[shown].banks}{' '}
          {found.proposals[shown].banks === 1 ? 'bank' : 'banks'}
          {found.proposals[shown].stairsApartMm > 0
            ? `; stairs ${formatLength(Math.round(found.proposals[shown].stairsApartMm), display)} apart`
            : ''}
          .
        </p>
      )}
    </ToolForm>
  );
}

/** Says how large the core would have to be, and makes it so. */
function Larger({ from, act }: { from: { widthMm: number; depthMm: number }; act: () => void }) {
  const { display } = useSlice('display');
  const [w, d] = [formatLength(from.widthMm, display), formatLength(from.depthMm, display)];
  return (
    <span className="self-end">
      <ActionButton onClick={act}>
        Make it {w} by {d}
      </ActionButton>
    </span>
  );
}

function Services({ services, setServices }: { services: Service[]; setServices: (to: Service[]) => void }) {
  const read = useLengthReader();
  const { display } = useSlice('display');
  const change = (i: number, part: Partial<Service>) =>
    setServices(services.map((each, k) => (k === i ? { ...each, ...part } : each)));
  return (
    <fieldset className="flex flex-col gap-1.5 border-t border-faint pt-1.5">
      <legend className="sr-only">Shafts for services</legend>
      {services.map(({ purpose, wide, deep }, i) => (
        <span key={i} className="flex flex-col gap-1">
          <ChoiceField
            label={`Service shaft ${i + 1}`}
            value={purpose}
            choices={SHAFT_PURPOSES.map((each) => [each, each] as const)}
            onChoose={(to) => change(i, { purpose: to })}
          />
          {(
            [
              ['wide', wide],
              ['deep', deep],
            ] as const
          ).map(([side, text]) => (
            <PlainField
              key={side}
              label={`Service shaft ${i + 1}, ${side}`}
              value={text}
              note={read(text).words}
              wrong={!read(text).ok}
              onChange={(to) => change(i, { [side]: to })}
            />
          ))}
          <span className="self-end">
            <ActionButton onClick={() => setServices(services.filter((_, k) => k !== i))}>Leave it out</ActionButton>
          </span>
        </span>
      ))}
      {services.length < 6 && (
        <span className="self-end">
          <ActionButton
            onClick={() =>
              setServices([
                ...services,
                { purpose: 'supply', wide: firstLength(1500, display), deep: firstLength(800, display) },
              ])
            }
          >
            Add a service shaft
          </ActionButton>
        </span>
      )}
    </fieldset>
  );
}
