import { ROLES, type Role } from '../db/schema';

/** Who a route is for: anybody, who is signed in, or members of the project in one of these roles. */
export type Who = 'anyone' | 'person' | readonly Role[];

/** What a request to a route may bring. */
export type Body = { type: 'none' } | { type: 'json'; mostBytes: number } | { type: 'file'; mostBytes: number };

export interface Rule {
  /** What it does, in words: `docs/security.md` is made from these. */
  does: string;
  who: Who;
  body: Body;
  /** After this it is answered that it took too long; null for streams, which end by themselves. */
  withinMs: number | null;
  /** The work itself looks at the role again when it writes: what was read a moment ago is enough to begin. */
  looksAgain?: true;
  /** What the audit list says when it was done; nothing is written for what only looks. */
  audit?: string;
}

const ANY_ROLE = ROLES;
const WHO_EDITS: readonly Role[] = ['owner', 'designer'];

const NO_BODY: Body = { type: 'none' };
const json = (mostBytes: number): Body => ({ type: 'json', mostBytes });
const file = (mostBytes: number): Body => ({ type: 'file', mostBytes });

const SOON = 15_000;
const LONG = 60_000;

/**
 * Every route there is, with who may use it, what it takes and for how long. Nothing is answered but through
 * `guarded`, which asks this table and nothing else; a route without a rule does not compile.
 */
const TABLE = {
  'GET /api/health': { does: 'Says that the process lives', who: 'anyone', body: NO_BODY, withinMs: SOON },
  'GET /api/ready': {
    does: 'Says whether database, jobs and disk are as they must be',
    who: 'anyone',
    body: NO_BODY,
    withinMs: SOON,
  },
  'GET /api/metrics': {
    does: 'Figures of the process in the open text format, on loopback or with a token',
    who: 'anyone',
    body: NO_BODY,
    withinMs: SOON,
  },
  'GET /api/auth/[...all]': {
    does: 'Reads who is signed in',
    who: 'anyone',
    body: NO_BODY,
    withinMs: SOON,
  },
  'POST /api/auth/[...all]': {
    does: 'Signs in, signs up or signs out',
    who: 'anyone',
    body: json(16_000),
    withinMs: SOON,
  },
  'POST /api/demo': {
    does: 'Enters the demo as one of its made-up people, while the demo mode is on',
    who: 'anyone',
    body: json(16_000),
    withinMs: SOON,
    audit: 'signed in',
  },
  'GET /api/events': {
    does: 'The live stream: heads of one’s projects, changes as they are committed',
    who: 'person',
    body: NO_BODY,
    withinMs: null,
  },
  'GET /api/projects': { does: 'Lists one’s projects', who: 'person', body: NO_BODY, withinMs: SOON },
  'POST /api/projects': {
    does: 'Starts a project',
    who: 'person',
    body: json(16_000),
    withinMs: SOON,
    audit: 'started a project',
  },
  'GET /api/projects/[projectId]/framework': {
    does: 'Reads the framework at its head',
    who: ANY_ROLE,
    body: NO_BODY,
    withinMs: LONG,
  },
  'GET /api/projects/[projectId]/changes': {
    does: 'Reads the changes after a number',
    who: ANY_ROLE,
    body: NO_BODY,
    withinMs: LONG,
  },
  'GET /api/projects/[projectId]/history': {
    does: 'Reads a piece of the history',
    who: ANY_ROLE,
    body: NO_BODY,
    withinMs: SOON,
  },
  'GET /api/projects/[projectId]/history/own': {
    does: 'Reads one’s own latest edits, for undoing them',
    who: ANY_ROLE,
    body: NO_BODY,
    withinMs: LONG,
  },
  'POST /api/projects/[projectId]/commands': {
    does: 'Runs a command on the framework',
    who: WHO_EDITS,
    body: json(2_000_000),
    withinMs: LONG,
    looksAgain: true,
  },
  'GET /api/projects/[projectId]/sheet': {
    does: 'Draws the setting-out plan of a level',
    who: ANY_ROLE,
    body: NO_BODY,
    withinMs: LONG,
    audit: 'downloaded a sheet',
  },
  'GET /api/projects/[projectId]/export': {
    does: 'Writes IFC, the report or the level table',
    who: ANY_ROLE,
    body: NO_BODY,
    withinMs: LONG,
    audit: 'downloaded a file',
  },
  'GET /api/projects/[projectId]/work/[work]': {
    does: 'Says how far one’s own heavy work is',
    who: ANY_ROLE,
    body: NO_BODY,
    withinMs: SOON,
  },
  'GET /api/projects/[projectId]/views': {
    does: 'Lists the views one keeps for oneself',
    who: ANY_ROLE,
    body: NO_BODY,
    withinMs: SOON,
  },
  'PUT /api/projects/[projectId]/views': {
    does: 'Keeps a view for oneself',
    who: ANY_ROLE,
    body: json(20_000),
    withinMs: SOON,
  },
  'DELETE /api/projects/[projectId]/views': {
    does: 'Keeps a view no longer',
    who: ANY_ROLE,
    body: NO_BODY,
    withinMs: SOON,
  },
  'POST /api/projects/[projectId]/drawings': {
    does: 'Reads a drawing that is brought, and keeps it',
    who: WHO_EDITS,
    body: file(30_000_000),
    withinMs: LONG,
    audit: 'brought a file',
  },
  'POST /api/projects/[projectId]/levels': {
    does: 'Reads a level table that is brought',
    who: WHO_EDITS,
    body: file(60_000_000),
    withinMs: LONG,
  },
  'POST /api/projects/[projectId]/presets': {
    does: 'Reads a file of bay presets that is brought',
    who: WHO_EDITS,
    body: file(2_000_000),
    withinMs: LONG,
  },
  'POST /api/projects/[projectId]/underlays': {
    does: 'Takes a picture, a page of a PDF or a drawing to lay under a plan',
    who: WHO_EDITS,
    body: file(30_000_000),
    withinMs: LONG,
    audit: 'brought a file',
  },
  'GET /api/projects/[projectId]/underlays/[sha256]': {
    does: 'Reads a file laid under a plan',
    who: ANY_ROLE,
    body: NO_BODY,
    withinMs: LONG,
  },
} as const satisfies Record<string, Rule>;

export type RuleName = keyof typeof TABLE;

export const RULES: Readonly<Record<RuleName, Rule>> = TABLE;
