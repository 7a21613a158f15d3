import type { Sent } from '../commands/command-inputs';
import type { LengthDisplay } from '../units/format-length';

export type LengthSystem = LengthDisplay['system'];

/** What is typed before a template is made, read: lengths in millimetres. */
export interface TemplateValues {
  /** One list of lengths for each list that is typed, by its key. */
  list: (key: string) => readonly number[];
  length: (key: string) => number;
}

/** One thing typed before a template is made. */
export interface TemplateNumber {
  key: string;
  label: string;
  /** A list is typed like bays or storeys; a length is one. An empty list is taken where `mayBeEmpty`. */
  form: 'list' | 'length';
  mayBeEmpty?: boolean;
  /** Bounds of a length, or of every length in a list. */
  atLeastMm: number;
  atMostMm: number;
  /** How many a list has at least and at most. */
  least?: number;
  most?: number;
  /** What stands there to begin with. */
  begins: Record<LengthSystem, string>;
}

/** Where the steps of a template are run: its first building is there already. */
export interface TemplateSite {
  building: string;
  system: LengthSystem;
}

/** A building to start from: a few numbers are typed, and commands like any others make it. */
export interface Template {
  key: string;
  title: string;
  about: string;
  numbers: readonly TemplateNumber[];
  /** The commands, or what stands in the way of them. */
  steps: (values: TemplateValues, site: TemplateSite) => Sent[] | { refused: string; at: string };
}
