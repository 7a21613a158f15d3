import type { z } from 'zod';

/** What may be given where arrays of a schema stand: lists that are only read are taken too. */
export type Given<T> = T extends (...args: never[]) => unknown
  ? T
  : T extends readonly unknown[]
    ? { readonly [I in keyof T]: Given<T[I]> }
    : T extends object
      ? { readonly [K in keyof T]: Given<T[K]> }
      : T;

/** The inputs that a list of commands takes, by the commands' names. */
export type InputsOf<Commands extends readonly { name: string; input: z.ZodType }[]> = {
  [C in Commands[number] as C['name']]: Given<z.input<C['input']>>;
};

/**
 * The input of every command, by its name. Each list of commands adds its own here where it is defined, so that nobody who
 * sends one has to import it, and a name or a field that is not there does not compile.
 */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface CommandInputs {}

export type CommandName = keyof CommandInputs;

/** A command by name with its input, as it is sent. */
export type Sent<Name extends CommandName = CommandName> = {
  [N in Name]: { command: N; input: CommandInputs[N] };
}[Name];

/** The same as a pair, for scripts that list many. */
export type Step<Name extends CommandName = CommandName> = {
  [N in Name]: readonly [command: N, input: CommandInputs[N]];
}[Name];

/** What a command takes besides what it is done to. */
export type Change<Name extends CommandName, Of extends PropertyKey> = Omit<CommandInputs[Name], Of>;
