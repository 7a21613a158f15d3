import { v5 } from 'uuid';
import { z } from 'zod';

export type Id = string;

export const idSchema = z
  .string()
  .regex(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/, 'This is not an id');

/** True if a text has the shape of an id. */
export const isUuid = (text: string): boolean => idSchema.safeParse(text).success;

const NAMESPACE = '5b0a9c52-6d5e-4c0f-9a52-2f6f6b3b7f10';

/**
 * Ids for the records a command adds: UUID version 5 (RFC 9562) of the command's id and a running number,
 * so browser, server and headless command give the same ones.
 */
export function idSource(commandId: string): () => Id {
  let ordinal = 0;
  return () => v5(`${commandId}#${ordinal++}`, NAMESPACE);
}

/** A command id that depends only on what is given, for scripts that must give the same framework each time. */
export const derivedCommandId = (...parts: string[]): Id => v5(parts.join('\n'), NAMESPACE);
