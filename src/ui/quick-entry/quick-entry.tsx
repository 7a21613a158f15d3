'use client';

import { useWords } from '../session/use-words';
import { useEffect, useId, useMemo, useRef, useState } from 'react';
import { completions, readEntry } from '@/core/entry/read-entry';
import { ConsequenceList } from '../carry-board/consequence-list';
import { fieldUnit, useProjectStore, useSlice } from '../session/store';
import { placesFor, saysNotThere, type Place } from './places';
import { useTrial } from '../session/use-trial';
import { EXAMPLES } from '@/core/units/examples';

const MOST_SHOWN = 8;

/** A line that can be typed, or somewhere to go. */
interface Option {
  key: string;
  text: string;
  title: string | null;
  example?: string;
  place?: Place;
}

/** One line in which every command can be typed in plain words, with what it would do said before Enter does it. */
export function QuickEntry() {
  const inUnits = useWords();
  const { framework, building, session, display, mayEdit, send } = useSlice(
    'framework',
    'building',
    'session',
    'display',
    'mayEdit',
    'send',
  );
  const store = useProjectStore();
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  const [line, setLine] = useState('');
  const [isOpen, setIsOpen] = useState(false);
  const [chosen, setChosen] = useState(-1);
  useEffect(() => {
    const focus = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return;
      event.preventDefault();
      input.current?.focus();
      input.current?.select();
    };
    window.addEventListener('keydown', focus);
    return () => window.removeEventListener('keydown', focus);
  }, []);
  const entered = useMemo(
    () => (building ? readEntry(line, { framework, building, unit: fieldUnit(display) }) : null),
    [line, framework, building, display],
  );
  const preview = useMemo(() => (entered?.ok ? (session?.previewOf(entered.value) ?? null) : null), [entered, session]);
  const [said, isReady] =
    entered?.ok && preview
      ? preview.ok
        ? [inUnits(preview.value.sentence), true]
        : [inUnits(preview.refusal.message), false]
      : [line.trim() === '' || entered?.ok !== false ? '' : entered.refusal.message, false];
  const trial = useTrial(isReady && preview?.ok ? preview.value.after : null);
  const forms = entered?.ok ? [] : completions(line).slice(0, MOST_SHOWN);
  // Tools and views are found by any word of the trade; what is not there is said.
  const places = isReady ? [] : placesFor(line).slice(0, MOST_SHOWN);
  const notThere = isReady || places.length > 0 ? null : saysNotThere(line);
  const options: Option[] = [
    ...places.map((place): Option => ({ key: place.words, text: `Go to ${place.words}`, title: null, place })),
    ...forms.map(({ pattern, example, title }): Option => ({ key: pattern, text: pattern, title, example })),
  ];
  if (!mayEdit) return null;
  const close = () => {
    setLine('');
    setIsOpen(false);
    setChosen(-1);
    input.current?.blur();
  };
  const take = (text: string) => {
    setLine(text);
    setChosen(-1);
    input.current?.focus();
  };
  const pick = (option: Option) => {
    if (option.example !== undefined) return take(option.example);
    option.place?.go(store.getState());
    close();
  };
  const enter = () => {
    const option = options[chosen] ?? (entered?.ok || places.length !== 1 ? undefined : options[0]);
    if (option) return pick(option);
    if (!entered?.ok || !isReady) return;
    if (send(entered.value) === null) setLine('');
  };
  return (
    <div className="relative w-full max-w-[400px]">
      <label htmlFor={id} className="sr-only">
        Quick entry
      </label>
      <input
        ref={input}
        id={id}
        role="combobox"
        aria-expanded={isOpen && options.length > 0}
        aria-controls={`${id}-forms`}
        aria-activedescendant={chosen >= 0 ? `${id}-${chosen}` : undefined}
        aria-describedby={`${id}-says`}
        autoComplete="off"
        spellCheck={false}
        className="figures w-full rounded-sm border border-hair bg-film px-2.5 py-1"
        placeholder={`type or find: ${EXAMPLES.elevation[display.system]}      Ctrl K`}
        value={line}
        onFocus={() => setIsOpen(true)}
        onBlur={() => setIsOpen(false)}
        onChange={(event) => {
          setLine(event.target.value);
          setChosen(-1);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') enter();
          else if (event.key === 'Escape') close();
          else if (event.key === 'ArrowDown') setChosen(Math.min(chosen + 1, options.length - 1));
          else if (event.key === 'ArrowUp') setChosen(Math.max(chosen - 1, -1));
          else if (event.key === 'Tab' && !event.shiftKey && forms.length > 0 && line.trim() !== '')
            take(forms[Math.max(chosen, 0)]!.example);
          else return;
          event.preventDefault();
          event.stopPropagation();
        }}
      />
      {isOpen && (
        <div className="absolute inset-x-0 top-full z-50 mt-1 rounded-sm border border-ink3 bg-sheet p-1.5 shadow-lg">
          <p
            id={`${id}-says`}
            role="status"
            className={`px-1.5 ${isReady ? 'font-semibold text-now' : 'text-ink2'} ${(notThere ?? said) ? 'py-0.5' : ''}`}
          >
            {notThere ?? said}
            {isReady && <span className="font-normal text-ink3">, Enter does it, Esc drops it</span>}
          </p>
          {trial && (
            <div className="max-h-[46vh] overflow-y-auto px-1.5 pb-1" onPointerDown={(event) => event.preventDefault()}>
              <ConsequenceList changes={trial} />
            </div>
          )}
          <ul id={`${id}-forms`} role="listbox" aria-label="Commands">
            {options.map((option, i) => (
              <li
                key={option.key}
                id={`${id}-${i}`}
                role="option"
                aria-selected={i === chosen}
                className={`cursor-pointer rounded-sm px-1.5 py-0.5 ${i === chosen ? 'bg-now-tint' : 'hover:bg-faint'}`}
                onPointerDown={(event) => {
                  event.preventDefault();
                  pick(option);
                }}
              >
                <span className={option.place ? 'font-semibold' : 'figures'}>{option.text}</span>
                {option.title && <span className="block text-[11px] text-ink2">{option.title}</span>}
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}
