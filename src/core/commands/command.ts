import { z } from 'zod';
import { apply, NO_CHANGES, type Changes } from '../model/changes';
import { Edit } from '../model/edit';
import { faultyText } from '../model/fields';
import { pathWords } from '../model/field-words';
import type { Framework } from '../model/framework';
import { hashOf } from '../model/hash';
import { idSource, type Id } from '../model/ids';
import { faultAfter } from '../kinds/integrity';
import { refusing } from './length-input';
import { calledIn, idsOfThings } from './refer';
import { done, refuse, type Refusal, type Result } from '../model/result';

/** A person's intent, by name. Planned the same way in the browser, on the server and in the headless command. */
export interface Command<Name extends string = string, Input extends z.ZodType = z.ZodType> {
  name: Name;
  /** What it does, in the designer's words. */
  title: string;
  input: Input;
  /** The earlier command it is about, whose changes it must know; left out by those that need the framework alone. */
  recalls?(input: z.output<Input>): Id;
  /** Puts the edit into `edit`, or answers why not. */
  plan(edit: Edit, input: z.output<Input>, recalled: Recalled): Refusal | void;
  /** What was done, for the history: "Level 02 raised 150". */
  sentence(before: Framework, input: z.output<Input>, after: Framework, recalled: Recalled): string;
}

/** An earlier command, as the log has it. */
export interface Recalled {
  changes: Changes;
  sentence: string;
  /** Who last changed a field of a record after it, or the record at all; undefined: nobody. */
  laterAuthor: (record: Id, path: string | null) => string | undefined;
}

/** Finds an earlier command by its id. */
export type Recall = (commandId: Id) => Result<Recalled>;

const nothingRecalled: Recall = () => refuse('The command to be taken back is not there any more');

const NOTHING_RECALLED: Recalled = { changes: NO_CHANGES, sentence: '', laterAuthor: () => undefined };

export const defineCommand = <const Name extends string, Input extends z.ZodType>(
  command: Command<Name, Input>,
): Command<Name, Input> => command;

export interface Planned {
  changes: Changes;
  after: Framework;
  sentence: string;
}

/**
 * Plans a command against a framework. Input is checked by the command's schema; the outcome is checked for
 * references to nothing and circles. A refusal leaves nothing behind.
 */
export function planCommand(
  command: Command,
  framework: Framework,
  input: unknown,
  commandId: Id,
  recall: Recall = nothingRecalled,
): Result<Planned> {
  const faulty = faultyText(input);
  if (faulty) return refuse(`${faulty.fault}${placeOf(faulty.path)}`, { path: faulty.path });
  const parsed = command.input.safeParse(input);
  if (!parsed.success) return { ok: false, refusal: inputRefusal(parsed.error) };
  const given = thingsNamed(framework, parsed.data);
  if (!given.ok) return given;
  const found = command.recalls ? recall(command.recalls(given.value)) : done(NOTHING_RECALLED);
  if (!found.ok) return found;
  const edit = new Edit(framework, idSource(commandId));
  const refusal = command.plan(edit, given.value, found.value);
  if (refusal) return { ok: false, refusal };
  const changes = edit.changes();
  const after = apply(framework, changes);
  const fault = faultAfter(after, changes, framework, calledIn);
  if (fault) return { ok: false, refusal: fault };
  return done({ changes, after, sentence: command.sentence(framework, given.value, after, found.value) });
}

/** An input whose `ids` are ids: things may be told by their names there. */
function thingsNamed<Input>(framework: Framework, input: Input): Result<Input> {
  if (typeof input !== 'object' || input === null || !('ids' in input) || !Array.isArray(input.ids)) return done(input);
  let ids: Id[] = [];
  const refusal = refusing(() => {
    ids = idsOfThings(framework, input.ids as string[]);
  });
  return refusal ? { ok: false, refusal } : done({ ...input, ids });
}

/** The first thing wrong with an input, in words with its path. */
export function inputRefusal(error: z.ZodError): Refusal {
  const { message, path: found } = innermost(error.issues[0]!);
  const path = found.map((step) => (typeof step === 'symbol' ? String(step) : step));
  return refuse(`${message}${placeOf(path)}`, { path }).refusal;
}

type Issue = z.ZodError['issues'][number];

/** Of what may be one of several shapes: what is wrong with the one that was meant, which is of the right sort at least. */
function innermost(issue: Issue): { message: string; path: readonly PropertyKey[] } {
  if (issue.code !== 'invalid_union') return issue;
  const meant = issue.errors.find(([first]) => first && !(first.code === 'invalid_type' && first.path.length === 0));
  if (!meant?.[0]) return issue;
  const inner = innermost(meant[0] as Issue);
  return { message: inner.message, path: [...issue.path, ...inner.path] };
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
