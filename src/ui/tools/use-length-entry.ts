import { useState } from 'react';
import { firstLength } from '@/core/units/first-length';
import { useLengthReader } from '../fields/length-field';
import { useProject } from '../session/store';

/** A length a tool asks for: what is typed, how it is understood, and what its field is given. It begins with so much; null: empty. */
export function useLengthEntry(firstMm: number | null) {
  const display = useProject((project) => project.display);
  const write = (mm: number | null) => (mm === null ? '' : firstLength(mm, display));
  const [text, setText] = useState(() => write(firstMm));
  const read = useLengthReader()(text);
  return {
    ...read,
    /** For a command: what is typed, or 0 where that cannot be read. */
    orZero: read.ok ? read.input : 0,
    begin: (mm: number | null) => setText(write(mm)),
    field: { value: text, onChange: setText, note: read.words, wrong: !read.ok },
  };
}
