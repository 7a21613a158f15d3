'use client';

import { useState } from 'react';
import { parseSection, sectionInput } from '@/core/columns/section-text';
import { sectionWords, type SectionMm } from '@/core/columns/section-shape';
import { formatForEntry, type LengthDisplay } from '@/core/units/format-length';
import type { SectionInput } from '@/core/columns/column-input';
import { useLengthReader } from './length-field';
import { PlainField } from './fields';
import { useProject } from '../session/store';

/** What a typed section reads as, for a command. */
export type ReadSection = { ok: true; input: SectionInput; words: string } | { ok: false; words: string };

/** Reads sections typed in the person's unit: `500x500`, `round 550`, `I 300x300x11x19`. */
export function useSectionReader(): (text: string) => ReadSection {
  const read = useLengthReader();
  return (text) => {
    const parsed = parseSection(text);
    if (!parsed.ok) return { ok: false, words: parsed.refusal.message };
    const sizes = parsed.value.sizes.map(read);
    const wrong = sizes.find((size) => !size.ok);
    if (wrong) return { ok: false, words: wrong.words };
    let i = 0;
    const input = sectionInput(parsed.value, () => {
      const size = sizes[i++]!;
      return size.ok ? size.input : 0;
    });
    const words = sizes.map((size) => size.words.replace(/^= /, '')).join(' × ');
    return { ok: true, input, words: `= ${words}` };
  };
}

/** A section as a person would type it. */
function typedSection(section: SectionMm, display: LengthDisplay): string {
  const write = (mm: number) => formatForEntry(mm, display);
  const words = sectionWords(section, write);
  return section.shape === 'circle' ? `round ${write(section.diameterMm)}` : words;
}

/** A field for a section that is taken with Enter or on leaving it. */
export function SectionField({
  label,
  section,
  disabled,
  onCommit,
}: {
  label: string;
  section: SectionMm;
  disabled?: boolean;
  onCommit: (input: SectionInput) => string | null;
}) {
  const display = useProject((project) => project.display);
  const read = useSectionReader();
  const shown = typedSection(section, display);
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const understood = typed === null || typed === shown ? null : read(typed);
  const commit = () => {
    if (!understood) return setTyped(null);
    if (!understood.ok) return setRefused(understood.words);
    const refusal = onCommit(understood.input);
    setRefused(refusal);
    if (refusal === null) setTyped(null);
  };
  if (disabled) return <PlainField label={label} value={shown} onChange={() => undefined} />;
  return (
    <div
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit();
        if (event.key === 'Escape') {
          event.stopPropagation();
          setTyped(null);
          setRefused(null);
        }
      }}
    >
      <PlainField
        label={label}
        value={typed ?? shown}
        onChange={(text) => {
          setTyped(text);
          setRefused(null);
        }}
        note={refused ?? understood?.words ?? null}
        wrong={refused !== null || understood?.ok === false}
      />
    </div>
  );
}
