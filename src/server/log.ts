import { pino } from 'pino';

/**
 * The server's log: one JSON line per event on standard error. It holds no tokens, e-mails, contents or values sent to the
 * database: who writes into it names people by their ids and errors by their codes.
 */
export const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' }, pino.destination(2));
