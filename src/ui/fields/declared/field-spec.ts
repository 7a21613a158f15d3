import type { FC } from 'react';
import type { SectionInput } from '@/core/columns/column-input';
import type { Section } from '@/core/columns/column';
import { none, type None } from '@/core/kinds/kind';
import type { EndGiven } from '@/core/levels/end-input';
import type { Extent } from '@/core/levels/extent';
import type { End, Place } from '@/core/model/fields';
import type { Framework } from '@/core/model/framework';
import type { LengthInput } from '@/core/commands/length-input';
import type { Outline } from '@/core/outlines/outline';
import type { OutlineInput, PlaceGiven } from '@/core/outlines/outline-input';
import type { Solved } from '@/core/solving/solved';
import type { Length } from '@/core/units/parse-length';

/** Of a length that may be nothing. */
interface LengthMore<R> {
  /** What is shown then. */
  ifNull?: (record: R, around: Around) => number;
  /** A button that makes it nothing. */
  toNull?: string;
  /** In place of the field then, a button that makes it so much. */
  fromNull?: readonly [words: string, mm: number];
}

/** What a field may look at besides the record. */
export interface Around {
  framework: Framework;
  solved: Solved | null;
}

type Label<R> = string | ((record: R) => string);
export type Choice<Value extends string = string> = readonly [value: Value, words: string];
export type Choices<R, Value extends string = string> =
  readonly Choice<Value>[] | ((record: R, around: Around) => readonly Choice<Value>[]);

/** When a field is there, and when it can only be read. */
interface When<R> {
  when?: (record: R) => boolean;
  fixed?: (record: R) => boolean;
}

/** One field of a record: what it is called, and how it is read and changed. What is stored is `Stored`; what a command takes, `Taken`. */
export type Spec<R, Stored, Taken> = When<R> & {
  label: Label<R>;
  /** Only types: what it can read, and what it gives. */
  reads?: (stored: Stored) => void;
  gives?: Taken;
} & (
    | { is: 'text' | 'angle' | 'check' | 'section' | 'place' | 'corners' | 'extent' }
    | { is: 'end'; mayBeCeiling?: boolean; mayBeRoof?: boolean; levelOnly?: boolean; mayBeOther?: boolean }
    | { is: 'outline'; sizes: readonly [wide: string, deep: string] }
    | ({ is: 'length' } & LengthMore<R>)
    | { is: 'choice'; choices: Choices<R>; asNumber?: boolean; orNone?: string }
  );

/** A piece of the panel of its own, for what is more than a field. */
export interface Own<R> {
  is: 'own';
  Part: FC<{ record: R }>;
}

export type AnySpec<R> = Spec<R, never, unknown> | Own<R>;

/**
 * The fields of every part of a record, in the order they stand in. `Change` is what its command takes. A field of the record is there or
 * is `none('the reason')`: leaving one out does not compile, nor does a field that the command does not take.
 */
export type FieldsOf<R, Change> = {
  [K in keyof R]-?:
    Own<R> | None | (K extends keyof Change ? Spec<R, R[K], Change[K] extends infer T | undefined ? T : never> : never);
};

/** What no record's fields change. */
export const ID = none('It is what the others refer to');
export const KIND = none('A thing of another kind is another thing');
export const BUILDING = none('A thing stands in the building it was made in; it is copied to another');

export const text = <R>(label: Label<R>, more: When<R> = {}): Spec<R, string, string> => ({
  is: 'text',
  label,
  ...more,
});

/** A length; where it may be nothing, what is shown then and what makes it nothing again. */
export const length = <R>(
  label: Label<R>,
  more: When<R> & LengthMore<R> = {},
): Spec<R, Length | null, LengthInput> => ({ is: 'length', label, ...more });

export const angle = <R>(label: Label<R>, more: When<R> = {}): Spec<R, number, number> => ({
  is: 'angle',
  label,
  ...more,
});

export const check = <R>(label: Label<R>, more: When<R> = {}): Spec<R, boolean, boolean> => ({
  is: 'check',
  label,
  ...more,
});

/** One of a few; `orNone`: what it is where none is chosen. */
export const choice = <R, Value extends string>(
  label: Label<R>,
  choices: Choices<R, Value>,
  more: When<R> & { orNone?: string } = {},
): Spec<R, Value | null, Value> => ({ is: 'choice', label, choices, ...more });

type NumberChoices<Value extends number> = readonly (readonly [Value, string])[];
/** One of a few numbers. */
export const numberChoice = <R, Value extends number>(
  label: Label<R>,
  choices: NumberChoices<Value> | ((record: R, around: Around) => NumberChoices<Value>),
  more: When<R> = {},
): Spec<R, Value, Value> => {
  const written = (given: NumberChoices<Value>) => given.map(([value, words]) => [String(value), words] as const);
  return {
    is: 'choice',
    label,
    choices: typeof choices === 'function' ? (record, around) => written(choices(record, around)) : written(choices),
    asNumber: true,
    ...more,
  };
};

export const section = <R>(label: Label<R>): Spec<R, Section, SectionInput> => ({ is: 'section', label });

export const end = <R>(
  label: 'Eaves at' | 'Starts at' | 'Stops at' | 'Top at' | 'At level',
  more: { mayBeCeiling?: boolean; mayBeRoof?: boolean; levelOnly?: boolean; mayBeOther?: boolean } = {},
): Spec<R, End, EndGiven> => ({ is: 'end', label, ...more });

export const place = <R>(label: Label<R>, more: When<R> = {}): Spec<R, Place, PlaceGiven> => ({
  is: 'place',
  label,
  ...more,
});

type Corner = { xMm: Length; yMm: Length };
/** Corners from the record's place, along its axes. */
export const corners = <R>(label: Label<R>): Spec<R, Corner[], readonly { xMm: LengthInput; yMm: LengthInput }[]> => ({
  is: 'corners',
  label,
});

/** An outline of any form; `sizes` are what a rectangle's are called. */
export const outline = <R>(
  label: Label<R>,
  sizes: readonly [wide: string, deep: string] = ['Width', 'Depth'],
): Spec<R, Outline | null, OutlineInput> => ({ is: 'outline', label, sizes });

/** The levels something serves: all from one to another, or some named one by one. */
export const extent = <R>(): Spec<
  R,
  Extent,
  { readonly range: readonly [string, string] } | { readonly at: readonly string[] }
> => ({
  is: 'extent',
  label: 'Levels',
});

export const own = <R>(Part: FC<{ record: R }>): Own<R> => ({ is: 'own', Part });
