'use client';

import { Popover } from 'radix-ui';
import { useState } from 'react';
import type { ExtendKind } from '@/core/carrying/keep-storeys';
import type { MoveMode } from '@/core/levels/chain';
import { formatForEntry, formatForField, METRIC } from '@/core/units/format-length';
import { ActionButton, PlainField } from '../fields/fields';
import { ExtendChoice } from '../kinds/levels/extend-choice';
import { useLengthReader } from '../fields/length-field';
import { useSlice, type Project } from '../session/store';
import type { StripEdit } from './strip-dimensions';
import { focusFigure } from './strip-focus';

interface StripPopoverProps {
  edit: StripEdit;
  anchor: { x: number; y: number };
  onClose: () => void;
}

const WORDS: Record<StripEdit['kind'], string> = {
  elevation: 'Elevation',
  height: 'Floor to floor',
  insert: 'New level',
};

/** Types a height in place, and asks whether what lies beyond moves along. The answer is remembered. */
export function StripPopover({ edit, anchor, onClose }: StripPopoverProps) {
  const { display, mode, run, set } = useSlice('display', 'mode', 'run', 'set');
  const read = useLengthReader();
  const { level } = edit;
  const startMm =
    edit.kind === 'elevation' ? level.fflMm : edit.kind === 'height' ? (level.storeyHeightMm ?? 3000) : 3300;
  const start = formatForField(startMm, display);
  const exactly = `exactly ${formatForEntry(startMm, METRIC)} mm`;
  const [text, setText] = useState(start.text);
  const [name, setName] = useState('');
  const [extend, setExtend] = useState<ExtendKind[]>([]);
  const [refused, setRefused] = useState<string | null>(null);
  const understood = read(text);
  const take = (chosen: MoveMode) => {
    // A height nobody typed is the one there is.
    if (edit.kind !== 'insert' && text === start.text) return onClose();
    if (!understood.ok) return setRefused(understood.words);
    set({ mode: chosen });
    const refusal = commit(edit, understood.input, chosen, { name, extend }, run);
    if (refusal) setRefused(refusal);
    else onClose();
  };
  const beyond = level.fflMm < 0 ? 'below' : 'above';
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Anchor asChild>
        <span className="fixed size-0" style={{ left: anchor.x, top: anchor.y }} />
      </Popover.Anchor>
      <Popover.Portal>
        <Popover.Content
          side="right"
          sideOffset={6}
          collisionPadding={8}
          className="z-50 w-80 rounded-sm border border-ink3 bg-sheet p-3 shadow-lg"
          aria-label={`${WORDS[edit.kind]}, level ${level.name}`}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            focusFigure(edit.kind === 'insert' ? 'name' : edit.kind, level.id);
          }}
        >
          <form
            className="flex flex-col gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              take(mode);
            }}
          >
            <PlainField
              label={
                edit.kind === 'insert'
                  ? `Height ${edit.side} ${level.name}`
                  : `${WORDS[edit.kind]}, level ${level.name}`
              }
              value={text}
              onChange={(value) => {
                setText(value);
                setRefused(null);
              }}
              note={refused ?? (text === start.text && start.isRounded ? exactly : understood.words)}
              wrong={refused !== null || !understood.ok}
            />
            {edit.kind === 'insert' && (
              <>
                <PlainField label="Name (else made up)" value={name} onChange={setName} />
                <ExtendChoice value={extend} onChange={setExtend} />
              </>
            )}
            <div className="flex gap-2">
              <ActionButton
                type={mode === 'push' ? 'submit' : 'button'}
                weight={mode === 'push' ? 'main' : 'plain'}
                onClick={mode === 'push' ? undefined : () => take('push')}
                title={`Everything ${beyond} moves along`}
              >
                {edit.kind === 'insert' ? 'Push the others' : `Push what is ${beyond}`}
              </ActionButton>
              <ActionButton
                type={mode === 'only' ? 'submit' : 'button'}
                weight={mode === 'only' ? 'main' : 'plain'}
                onClick={mode === 'only' ? undefined : () => take('only')}
                title="Nothing else moves"
              >
                {edit.kind === 'insert' ? 'Between, nothing moves' : 'Only this level'}
              </ActionButton>
            </div>
            <p className="text-[11px] text-ink3">Enter takes the dark one, Esc leaves it as it is.</p>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function commit(
  edit: StripEdit,
  input: number | string,
  mode: MoveMode,
  { name, extend }: { name: string; extend: ExtendKind[] },
  run: Project['run'],
): string | null {
  const level = edit.level.id;
  if (edit.kind === 'elevation') return run('levels.setElevation', { level, fflMm: input, mode });
  if (edit.kind === 'height') return run('levels.setHeight', { level, heightMm: input, mode });
  return run('levels.insert', {
    level,
    side: edit.side,
    heightMm: input,
    mode,
    ...(name.trim() ? { name: name.trim() } : {}),
    extend,
  });
}
