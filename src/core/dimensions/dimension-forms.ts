import { lengthOf } from '../entry/entry-context';
import type { Form } from '../kinds/form';

/** Typed lines for named dimensions. */
export const DIMENSION_FORMS: readonly Form[] = [
  {
    pattern: 'dimension NAME = LENGTH',
    example: 'dimension typical = 3.3m',
    title: 'Define a named dimension',
    words: 'dimension',
    matches: /^dimension\s+(?<name>\S+)\s*=\s*(?<value>.+)$/i,
    read: ({ name, value }, context) => ({
      command: 'dimensions.define',
      input: { name: name!, value: lengthOf(value!, context) },
    }),
  },
];
