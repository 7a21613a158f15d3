import type { Power } from '@/core/people/powers';

/** Who a route is for: anybody, who is signed in, or members of the project who have this power in it. */
export type Who = 'anyone' | 'person' | Power;

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
  /** It is about a project that was deleted and can be brought back. */
  deleted?: true;
  /** What the audit list says when it was done; nothing is written for what only looks. */
  audit?: string;
}

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
  'POST /api/password': {
    does: 'Sends a link for a new password, or gives an account a new one with such a link',
    who: 'anyone',
    body: json(16_000),
    withinMs: SOON,
  },
  'POST /api/join': {
    does: 'Says what an invitation’s link invites to',
    who: 'anyone',
    body: json(16_000),
    withinMs: SOON,
  },
  'PUT /api/join': {
    does: 'Lets who is signed in into the project that a link invites to',
    who: 'person',
    body: json(16_000),
    withinMs: SOON,
  },
  'GET /api/outbox': {
    does: 'Lists the mails that stand in for e-mail: for who looks after this place, or anybody while the demo mode is on',
    who: 'anyone',
    body: NO_BODY,
    withinMs: SOON,
  },
  'GET /api/account': {
    does: 'Reads one’s own account and where it is signed in',
    who: 'person',
    body: NO_BODY,
    withinMs: SOON,
  },
  'PATCH /api/account': {
    does: 'Changes one’s own name, e-mail or password; for the last two the password is asked',
    who: 'person',
    body: json(16_000),
    withinMs: SOON,
    audit: 'changed their account',
  },
  'DELETE /api/account': {
    does: 'Deletes one’s own account; the password is asked',
    who: 'person',
    body: json(16_000),
    withinMs: SOON,
    audit: 'deleted their account',
  },
  'DELETE /api/account/sign-ins': {
    does: 'Signs oneself out at one place, or everywhere',
    who: 'person',
    body: NO_BODY,
    withinMs: SOON,
    audit: 'signed out elsewhere',
  },
  'POST /api/demo': {
    does: 'Enters the demo as one of its made-up people, while the demo mode is on',
    who: 'anyone',
    body: json(16_000),
    withinMs: SOON,
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
  'POST /api/templates': {
    does: 'Shows what a building to start from would be, with the numbers typed',
    who: 'person',
    body: json(16_000),
    withinMs: SOON,
  },
  'POST /api/projects/bring': {
    does: 'Makes a project of a file: a whole project, or a framework',
    who: 'person',
    body: file(200_000_000),
    withinMs: LONG,
    audit: 'brought a project',
  },
  'PATCH /api/projects/[projectId]': {
    does: 'Renames a project, changes its settings, archives it or takes it out again',
    who: 'project',
    body: json(16_000),
    withinMs: SOON,
    audit: 'changed the project’s settings',
  },
  'DELETE /api/projects/[projectId]': {
    does: 'Deletes a project, whose name is typed; for 30 days it can be brought back',
    who: 'project',
    body: json(16_000),
    withinMs: SOON,
    audit: 'deleted the project',
  },
  'POST /api/projects/[projectId]/restore': {
    does: 'Brings a deleted project back',
    who: 'project',
    deleted: true,
    body: NO_BODY,
    withinMs: SOON,
    audit: 'brought the project back',
  },
  'POST /api/projects/[projectId]/copy': {
    does: 'Copies a project with its log',
    who: 'copy',
    body: json(16_000),
    withinMs: LONG,
    audit: 'copied the project',
  },
  'GET /api/projects/[projectId]/file': {
    does: 'Takes a project out as one file',
    who: 'copy',
    body: NO_BODY,
    withinMs: null,
    audit: 'downloaded',
  },
  'GET /api/projects/[projectId]/elevation': {
    does: 'Reads the small elevation of a project',
    who: 'look',
    body: NO_BODY,
    withinMs: SOON,
  },
  'GET /api/projects/[projectId]/people': {
    does: 'Lists who is in a project, and who is invited',
    who: 'look',
    body: NO_BODY,
    withinMs: SOON,
  },
  'PATCH /api/projects/[projectId]/people/[personId]': {
    does: 'Changes a member’s role or disciplines, or hands the project over to them',
    who: 'people',
    body: json(16_000),
    withinMs: SOON,
  },
  'DELETE /api/projects/[projectId]/people/[personId]': {
    does: 'Takes a member out of a project',
    who: 'people',
    body: NO_BODY,
    withinMs: SOON,
  },
  'POST /api/projects/[projectId]/leave': {
    does: 'Leaves a project',
    who: 'look',
    body: NO_BODY,
    withinMs: SOON,
    audit: 'left',
  },
  'POST /api/projects/[projectId]/invitations': {
    does: 'Invites somebody by a link',
    who: 'invite',
    body: json(16_000),
    withinMs: SOON,
  },
  'DELETE /api/projects/[projectId]/invitations/[invitationId]': {
    does: 'Takes an invitation back',
    who: 'invite',
    body: NO_BODY,
    withinMs: SOON,
    audit: 'took an invitation back',
  },
  'GET /api/projects/[projectId]/audit': {
    does: 'Reads or takes out what happened around a project',
    who: 'people',
    body: NO_BODY,
    withinMs: SOON,
  },
  'POST /api/projects/[projectId]/here': {
    does: 'Tells the others in a project where one looks',
    who: 'look',
    body: json(16_000),
    withinMs: SOON,
  },
  'GET /api/projects/[projectId]/framework': {
    does: 'Reads the framework at its head',
    who: 'look',
    body: NO_BODY,
    withinMs: LONG,
  },
  'GET /api/projects/[projectId]/changes': {
    does: 'Reads the changes after a number',
    who: 'look',
    body: NO_BODY,
    withinMs: LONG,
  },
  'GET /api/projects/[projectId]/history': {
    does: 'Reads a piece of the history',
    who: 'look',
    body: NO_BODY,
    withinMs: SOON,
  },
  'GET /api/projects/[projectId]/history/own': {
    does: 'Reads one’s own latest edits, for undoing them',
    who: 'look',
    body: NO_BODY,
    withinMs: LONG,
  },
  'POST /api/projects/[projectId]/commands': {
    does: 'Runs a command on the framework',
    who: 'edit',
    body: json(2_000_000),
    withinMs: LONG,
    looksAgain: true,
  },
  'GET /api/projects/[projectId]/sheet': {
    does: 'Draws the setting-out plan of a level',
    who: 'look',
    body: NO_BODY,
    withinMs: LONG,
    audit: 'downloaded a sheet',
  },
  'GET /api/projects/[projectId]/export': {
    does: 'Writes IFC, the report or the level table',
    who: 'look',
    body: NO_BODY,
    withinMs: LONG,
    audit: 'downloaded a file',
  },
  'GET /api/projects/[projectId]/work/[work]': {
    does: 'Says how far one’s own heavy work is',
    who: 'look',
    body: NO_BODY,
    withinMs: SOON,
  },
  'GET /api/projects/[projectId]/views': {
    does: 'Lists the views one keeps for oneself',
    who: 'look',
    body: NO_BODY,
    withinMs: SOON,
  },
  'PUT /api/projects/[projectId]/views': {
    does: 'Keeps a view for oneself',
    who: 'look',
    body: json(20_000),
    withinMs: SOON,
  },
  'DELETE /api/projects/[projectId]/views': {
    does: 'Keeps a view no longer',
    who: 'look',
    body: NO_BODY,
    withinMs: SOON,
  },
  'POST /api/projects/[projectId]/drawings': {
    does: 'Reads a drawing that is brought, and keeps it',
    who: 'edit',
    body: file(30_000_000),
    withinMs: LONG,
    audit: 'brought a file',
  },
  'POST /api/projects/[projectId]/levels': {
    does: 'Reads a level table that is brought',
    who: 'edit',
    body: file(60_000_000),
    withinMs: LONG,
  },
  'POST /api/projects/[projectId]/presets': {
    does: 'Reads a file of bay presets that is brought',
    who: 'edit',
    body: file(2_000_000),
    withinMs: LONG,
  },
  'POST /api/projects/[projectId]/underlays': {
    does: 'Takes a picture, a page of a PDF or a drawing to lay under a plan',
    who: 'edit',
    body: file(30_000_000),
    withinMs: LONG,
    audit: 'brought a file',
  },
  'GET /api/projects/[projectId]/underlays/[sha256]': {
    does: 'Reads a file laid under a plan',
    who: 'look',
    body: NO_BODY,
    withinMs: LONG,
  },
} as const satisfies Record<string, Rule>;

export type RuleName = keyof typeof TABLE;

export const RULES: Readonly<Record<RuleName, Rule>> = TABLE;

/** Who a route is for, as the compiler knows it. */
export type WhoOf<N extends RuleName> = (typeof TABLE)[N]['who'];
