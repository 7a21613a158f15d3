'use client';

import { useMemo, useState } from 'react';
import type { CommandInputs } from '@/core/commands/command-inputs';
import type { Guard } from '@/core/guards/guard';
import { guardRules, projectRules, ruleChoices } from '@/core/rule-sets/rules-in';
import { recordsOf } from '@/core/model/framework';
import { formatLength } from '@/core/units/format-length';
import { ActionButton, ChoiceField, PlainField } from '../../fields/fields';
import { useSlice } from '../../session/store';
import { usePreview } from '../../session/use-preview';
import { useGhost, usePlanPoints } from '../../tools/plan-busy';
import { ToolForm } from '../../tools/tool-form';
import { useLengthEntry } from '../../tools/use-length-entry';
import { GUARD_EDGE_CHOICES, GUARD_IS_CHOICES, GUARD_SIDE_CHOICES } from './guard-words';

type Where = 'edges' | 'thing' | 'line';

/** A guard along all open edges, along a stair or ramp, or along a line pressed in the plan. */
export function GuardsTool() {
  const { framework, display, building, level, solved, mayEdit, run } = useSlice(
    'framework',
    'display',
    'building',
    'level',
    'solved',
    'mayEdit',
    'run',
  );
  const [where, setWhere] = useState<Where>('edges');
  const [edges, setEdges] = useState<'all' | 'outer' | 'openings'>('all');
  const [levels, setLevels] = useState<'all' | 'here'>('all');
  const [by, setBy] = useState('');
  const [thing, setThing] = useState('');
  const [side, setSide] = useState<'both' | 'left' | 'right' | 'centre'>('both');
  const [is, setIs] = useState<Guard['is']>('guard');
  const [rules, setRules] = useState(projectRules(framework));
  const [points, setPoints] = useState<readonly { x: number; y: number }[]>([]);
  const height = useLengthEntry(null);
  usePlanPoints(
    where === 'line' && mayEdit
      ? (at, phase) => {
          if (phase === 'press') setPoints((now) => [...now, { x: at.x, y: at.y }]);
        }
      : null,
  );
  useGhost(points.length > 0 && where === 'line' ? { rings: [], points: [...points], note: '' } : null);
  const climbing = useMemo(
    () =>
      [...recordsOf(framework, 'stair'), ...recordsOf(framework, 'ramp')].filter((each) => each.building === building),
    [framework, building],
  );
  const opening = [...climbing, ...recordsOf(framework, 'shaft').filter((each) => each.building === building)];
  const chosen = climbing.find(({ id }) => id === thing) ?? climbing[0];
  const along = alongOf();
  function alongOf(): CommandInputs['guards.add']['along'] | null {
    if (where === 'edges')
      return {
        of: 'edges',
        edges: by ? 'openings' : edges,
        by: by || null,
        ...(levels === 'here' && level ? { levels: { at: [level] } } : {}),
      };
    if (where === 'line')
      return points.length < 2
        ? null
        : {
            of: 'line',
            points: points.map(({ x, y }) => ({ xMm: x, yMm: y })),
            ...(level ? { baseAt: { level } } : {}),
          };
    if (!chosen) return null;
    return chosen.kind === 'stair' ? { of: 'stair', stair: chosen.id, side } : { of: 'ramp', ramp: chosen.id, side };
  }
  const heightIsTyped = height.field.value.trim() !== '';
  const input: CommandInputs['guards.add'] | null = along && {
    ...(building ? { building } : {}),
    is,
    along,
    rules,
    ...(heightIsTyped && height.ok ? { heightMm: height.input } : {}),
  };
  const wrong = heightIsTyped && !height.ok ? height.words : null;
  const preview = usePreview('guards.add', wrong ? null : input);
  const drops = (solved?.findings ?? []).filter((each) => each.rule === 'guard.drop' && each.building === building);
  if (!mayEdit) return <p className="text-ink2">You may look, not change.</p>;
  const limits = guardRules(framework, rules);
  const usual = is === 'handrail' ? limits.handrailMm.least : where === 'thing' ? limits.flightMm : limits.edgeMm;
  return (
    <ToolForm
      does={is === 'guard' ? 'Add the guard' : 'Add the handrail'}
      isReady={input !== null}
      preview={wrong ? null : preview}
      wrong={wrong}
      act={() => {
        if (!input) return 'Press two places in the plan first';
        const refusal = run('guards.add', input);
        if (!refusal) setPoints([]);
        return refusal;
      }}
    >
      <ChoiceField
        label="Along"
        value={where}
        choices={[
          ['edges', 'open edges'],
          ['thing', 'a stair or ramp'],
          ['line', 'a line'],
        ]}
        onChoose={setWhere}
      />
      {where === 'edges' && (
        <>
          <ChoiceField
            label="Of"
            value={by}
            choices={[['', 'every slab'], ...opening.map(({ id, name }) => [id, `the opening of ${name}`] as const)]}
            onChoose={setBy}
          />
          {!by && <ChoiceField label="Edges" value={edges} choices={GUARD_EDGE_CHOICES} onChoose={setEdges} />}
          <ChoiceField
            label="At"
            value={levels}
            choices={[
              ['all', 'all levels but roofs'],
              ['here', 'this level only'],
            ]}
            onChoose={setLevels}
          />
          <p className="text-[11px] text-ink2">
            Edges where walls stand, and where one walks off a stair, stay free.{' '}
            {drops.length > 0
              ? `${drops.length} ${drops.length === 1 ? 'level has' : 'levels have'} drops without a guard.`
              : ''}
          </p>
        </>
      )}
      {where === 'thing' &&
        (chosen ? (
          <>
            <ChoiceField
              label="Stair or ramp"
              value={chosen.id}
              choices={climbing.map(({ id, name }) => [id, name] as const)}
              onChoose={setThing}
            />
            <ChoiceField label="On" value={side} choices={GUARD_SIDE_CHOICES} onChoose={setSide} />
          </>
        ) : (
          <p className="text-ink2">No stair and no ramp yet.</p>
        ))}
      {where === 'line' && (
        <>
          <p className="text-ink2">
            Press its places in the plan, one after the other:{' '}
            {points.length === 0 ? 'none yet' : `${points.length} so far`}.
          </p>
          {points.length > 0 && (
            <ActionButton onClick={() => setPoints(points.slice(0, -1))}>Take the last back</ActionButton>
          )}
        </>
      )}
      <ChoiceField label="It is a" value={is} choices={GUARD_IS_CHOICES} onChoose={setIs} />
      <ChoiceField label="Rule set" value={rules} choices={ruleChoices(framework)} onChoose={setRules} />
      <PlainField
        label="Height"
        {...height.field}
        note={heightIsTyped ? height.words : `empty: ${formatLength(usual, display)}, after the rule set`}
        wrong={wrong !== null}
      />
    </ToolForm>
  );
}
