import { z } from 'zod';
import { apply, type Changes } from './changes';
import { Edit } from './edit';
import { faultyText } from './fields';
import { pathWords } from './field-words';
import type { Framework } from './framework';
import { hashOf } from './hash';
import { idSource, type Id } from './ids';
import { faultAfter } from './integrity';
import { done, refuse, type Refusal, type Result } from './result';

/** A person's intent, by name. Planned the same way in the browser, on the server and in the headless command. */
export interface Command<Input = unknown> {
  name: string;
  /** What it does, in the designer's words. */
  title: string;
  input: z.ZodType<Input>;
  /** Puts the edit into `edit`, or answers why not. */
  plan: (edit: Edit, input: Input) => Refusal | void;
  /** What was done, for the history: "Level 02 raised 150". */
  sentence: (before: Framework, input: Input, after: Framework) => string;
}

export const defineCommand = <Input>(command: Command<Input>): Command => command as unknown as Command;

export interface Planned {
  changes: Changes;
  after: Framework;
  sentence: string;
}

/**
 * Plans a command against a framework. Input is checked by the command's schema; the outcome is checked for
 * references to nothing and circles. A refusal leaves nothing behind.
 */
export function planCommand(command: Command, framework: Framework, input: unknown, commandId: Id): Result<Planned> {
  const faulty = faultyText(input);
  if (faulty) return refuse(`${faulty.fault}${placeOf(faulty.path)}`, { path: faulty.path });
  const parsed = command.input.safeParse(input);
  if (!parsed.success) return { ok: false, refusal: inputRefusal(parsed.error) };
  const edit = new Edit(framework, idSource(commandId));
  const refusal = command.plan(edit, parsed.data);
  if (refusal) return { ok: false, refusal };
  const changes = edit.changes();
  const after = apply(framework, changes);
  const fault = faultAfter(after, changes);
  if (fault) return { ok: false, refusal: fault };
  return done({ changes, after, sentence: command.sentence(framework, parsed.data, after) });
}

/** The first thing wrong with an input, in words with its path. */
export function inputRefusal(error: z.ZodError): Refusal {
  const issue = error.issues[0]!;
  const path = issue.path.map((step) => (typeof step === 'symbol' ? String(step) : step));
  return refuse(`${issue.message}${placeOf(path)}`, { path }).refusal;
}

/** Where in an input something is, in words after what is wrong with it. */
const placeOf = (path: readonly (string | number)[]): string => (path.length > 0 ? ` (at ${pathWords(path)})` : '');

/**
 * Digest of what changes touch and what they found there: ids, fields and the values before. Two plans with
 * equal digests were made on grounds that matter equally, whatever happened elsewhere in between.
 */
export function groundsDigest(changes: Changes): string {
  return hashOf({
    added: changes.added.map(({ id }) => id).sort(),
    removed: changes.removed.map((record) => hashOf(record)).sort(),
    patched: Object.fromEntries(
      changes.patched.map(({ id, fields }) => [
        id,
        Object.fromEntries(Object.entries(fields).map(([path, [from]]) => [path, from])),
      ]),
    ),
  });
}
