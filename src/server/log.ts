import { pino } from 'pino';

/** The server's log: one JSON line per event on standard error. */
export const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' }, pino.destination(2));
