'use client';

import { RadioGroup } from 'radix-ui';
import { useEffect, useId, useState } from 'react';
import type { SmallElevation } from '@/core/drawing/small-elevation';
import { beginsWith, readNumber, TEMPLATES } from '@/core/templates/templates';
import type { LengthSystem, Template } from '@/core/templates/template';
import { formatBays } from '@/core/units/parse-bays';
import { formatLength, IMPERIAL, METRIC } from '@/core/units/format-length';
import { askServer } from '../page/ask-server';
import { ElevationDrawing } from './elevation-picture';

/** A template that was chosen, with what is typed for it. */
export interface ChosenTemplate {
  template: Template;
  numbers: Record<string, string>;
  system: LengthSystem;
}

/** What the server says a template would be: seen from the front, and in words; or why it cannot be. */
interface Tried {
  elevation: SmallElevation | null;
  levelsMm: number[];
  words: string;
  isWrong?: true;
}

/** So long after the last key the numbers are tried. */
const PAUSE_MS = 350;

/** Asks for what a template would be, a moment after the last change; null until something is known. */
function useTried(key: string | null, numbers: Record<string, string>, system: LengthSystem): Tried | null {
  const [tried, setTried] = useState<Tried | null>(null);
  const asked = key && JSON.stringify({ template: { key, numbers, system } });
  useEffect(() => {
    if (!asked) return;
    let isCurrent = true;
    const timer = setTimeout(
      () =>
        askServer<Tried>('POST', '/api/templates', JSON.parse(asked)).then(
          (answer) => isCurrent && setTried(answer),
          (error: Error) =>
            isCurrent && setTried({ elevation: null, levelsMm: [], words: error.message, isWrong: true }),
        ),
      PAUSE_MS,
    );
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [asked]);
  return tried;
}

const NO_NUMBERS = {};

/** What is seen from the front; of levels with nothing on them, the levels. */
function Picture({ tried }: { tried: Tried | null }) {
  if (!tried?.elevation) return null;
  if (tried.elevation.ground !== null) return <ElevationDrawing elevation={tried.elevation} />;
  const [low, high] = [Math.min(...tried.levelsMm), Math.max(...tried.levelsMm)];
  const y = (mm: number) => 140 - ((mm - low) / Math.max(1, high - low)) * 130;
  return (
    <svg viewBox="0 0 240 150" className="h-full w-full" stroke="var(--color-ink)">
      {tried.levelsMm.map((mm) => (
        <line key={mm} x1="70" x2="170" y1={y(mm)} y2={y(mm)} strokeWidth={mm === 0 ? 2.4 : 1.2} />
      ))}
    </svg>
  );
}

/** One building to start from, with its picture as it begins. */
function Card({ template, system }: { template: Template | null; system: LengthSystem }) {
  const tried = useTried(template?.key ?? null, NO_NUMBERS, system);
  return (
    <RadioGroup.Item
      value={template?.key ?? ''}
      className="flex w-[150px] flex-col items-stretch gap-1 border border-hair bg-sheet p-2 text-left data-[state=checked]:border-now data-[state=checked]:bg-now-tint"
    >
      <span aria-hidden="true" className="grid h-[75px] place-items-center">
        {template === null ? <span className="h-px w-full bg-ink3" /> : <Picture tried={tried} />}
      </span>
      <span className="font-semibold leading-tight">{template?.title ?? 'Nothing yet'}</span>
    </RadioGroup.Item>
  );
}

/** What to start a project from: nothing, or a building made by commands from a few numbers. */
export function TemplateChoice({
  chosen,
  onChoose,
}: {
  chosen: ChosenTemplate | null;
  onChoose: (chosen: ChosenTemplate | null) => void;
}) {
  const [system, setSystem] = useState<LengthSystem>('metric');
  const choose = (key: string, inSystem = system) => {
    const template = TEMPLATES.find((each) => each.key === key);
    onChoose(template ? { template, numbers: beginsWith(template, inSystem), system: inSystem } : null);
  };
  return (
    <fieldset className="flex flex-col gap-3">
      <legend className="mb-1 flex w-full items-baseline gap-3">
        Start from
        <label className="ml-auto flex items-center gap-1.5">
          Typed in
          <select
            value={system}
            className="rounded-sm border border-hair bg-sheet px-1.5 py-0.5"
            onChange={(event) => {
              const next = event.target.value as LengthSystem;
              setSystem(next);
              choose(chosen?.template.key ?? '', next);
            }}
          >
            <option value="metric">metres and millimetres</option>
            <option value="imperial">feet and inches</option>
          </select>
        </label>
      </legend>
      <RadioGroup.Root
        aria-label="Start from"
        value={chosen?.template.key ?? ''}
        onValueChange={(key) => choose(key)}
        className="flex flex-wrap gap-3"
      >
        <Card template={null} system={system} />
        {TEMPLATES.map((template) => (
          <Card key={template.key} template={template} system={system} />
        ))}
      </RadioGroup.Root>
      {chosen && <Numbers chosen={chosen} onChoose={onChoose} />}
    </fieldset>
  );
}

/** The numbers of the chosen template, with what was understood of each, and what they would give. */
function Numbers({ chosen, onChoose }: { chosen: ChosenTemplate; onChoose: (chosen: ChosenTemplate) => void }) {
  const { template, numbers, system } = chosen;
  const tried = useTried(template.key, numbers, system);
  return (
    <div className="flex gap-6 border border-hair bg-faint p-4">
      <div className="flex min-w-0 flex-1 flex-col gap-2">
        <p className="max-w-[560px] text-ink2">{template.about}</p>
        <div className="grid grid-cols-2 gap-x-6 gap-y-2">
          {template.numbers.map((number) => (
            <NumberField
              key={number.key}
              label={number.label}
              value={numbers[number.key]!}
              understood={understood(chosen, number.key)}
              onType={(typed) => onChoose({ ...chosen, numbers: { ...numbers, [number.key]: typed } })}
            />
          ))}
        </div>
        <p role="status" className={tried?.isWrong ? 'text-wrong' : 'text-ink2'}>
          {tried?.words ?? 'Working it out …'}
        </p>
      </div>
      <span aria-hidden="true" className="grid h-[180px] w-[288px] place-items-center border border-hair bg-sheet">
        <Picture tried={tried} />
      </span>
    </div>
  );
}

/** What was understood of one number, or what is wrong with it. */
function understood({ template, numbers, system }: ChosenTemplate, key: string): { words: string; isWrong: boolean } {
  const number = template.numbers.find((each) => each.key === key)!;
  const read = readNumber(number, numbers[key]!, system);
  if (!read.ok) return { words: read.refusal.message.slice(number.label.length + 2), isWrong: true };
  const write = (mm: number) => formatLength(mm, system === 'imperial' ? IMPERIAL : METRIC);
  if (number.form === 'length') return { words: write(read.value[0]!), isWrong: false };
  const total = write(read.value.reduce((sum, mm) => sum + mm, 0));
  const words = read.value.length === 0 ? 'none' : `${formatBays([...read.value], write)}, together ${total}`;
  return { words, isWrong: false };
}

function NumberField({
  label,
  value,
  understood: { words, isWrong },
  onType,
}: {
  label: string;
  value: string;
  understood: { words: string; isWrong: boolean };
  onType: (typed: string) => void;
}) {
  const id = useId();
  return (
    <span className="flex flex-col">
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        value={value}
        aria-invalid={isWrong}
        aria-describedby={`${id}-said`}
        className="figures rounded-sm border border-hair bg-sheet px-2 py-1"
        onChange={(event) => onType(event.target.value)}
      />
      <span id={`${id}-said`} className={`text-[12px] ${isWrong ? 'text-wrong' : 'text-ink2'}`}>
        {words}
      </span>
    </span>
  );
}
