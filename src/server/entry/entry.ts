import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { inputRefusal } from '@/core/commands/command';
import { isUuid } from '@/core/model/ids';
import { LogFault } from '../changes/head';
import { database } from '../db/connection';
import { may, mayNot, type Power, type Role } from '@/core/people/powers';
import { log } from '../log';
import { countRequest } from '../metrics';
import { knownRole } from '../people/known-roles';
import { roleIn } from '../people/membership';
import { whoIsSignedIn, type SignedIn } from '../people/signed-in';
import { addressOf, REQUEST_ID_HEADER } from './address';
import { codeOf, writeAudit } from './audit';
import { jsonOf, readBody } from './body';
import { wholly, type PlainAnswer } from './plain-answer';
import { requireOwnOrigin } from './origin';
import { RequestRefused } from './refusal';
import { RULES, type Rule, type RuleName, type WhoOf } from './rules';

/** A request that has come through: who it is, what they may do, and what they brought. */
export interface Entered {
  request: Request;
  requestId: string;
  /** Where it comes from, for counting tries. */
  address: string;
  /** The parts of the path, by name. */
  params: Record<string, string>;
  query: Record<string, string>;
  bytes: Uint8Array;
  /** Aborted when the sender goes away or the time is up. */
  signal: AbortSignal;
  json: <T>(schema: z.ZodType<T>) => T;
}
export interface EnteredByPerson extends Entered {
  person: SignedIn;
}
export interface EnteredByMember extends EnteredByPerson {
  projectId: string;
  role: Role;
}

interface Context {
  params?: Promise<Record<string, string | string[]>>;
}

type EnteredFor<N extends RuleName> =
  WhoOf<N> extends 'anyone' ? Entered : WhoOf<N> extends 'person' ? EnteredByPerson : EnteredByMember;

/** What is known of a request while it is answered: for its line in the log. */
interface Trail {
  requestId: string;
  userId: string | null;
  projectId: string | null;
}

type Answer = Response | PlainAnswer;
type Work<N extends RuleName> = (entered: EnteredFor<N>) => Promise<Answer> | Answer;
type Handler<A> = (request: Request, context: Context) => Promise<A>;

/** The one way in, as the pages' framework calls it: see {@link guardedPlainly}. */
export function guarded<N extends RuleName>(name: N, work: Work<N>): Handler<Response> {
  return wholly(guardedPlainly(name, work));
}

/**
 * The one way in. A handler made here asks the route's rule: where the request comes from, who sent it, what they may
 * do in the project, how large it is and of what type, and for how long it may take; only then the work begins.
 */
export function guardedPlainly<N extends RuleName>(name: N, work: Work<N>): Handler<Answer> {
  const rule = RULES[name];
  return async (request, context) => {
    const begun = performance.now();
    const trail: Trail = {
      requestId: request.headers.get(REQUEST_ID_HEADER) ?? randomUUID(),
      userId: null,
      projectId: null,
    };
    const response = await answer(rule, request, context, trail, work as (entered: Entered) => Promise<Answer>);
    const ms = Math.round(performance.now() - begun);
    const { status } = response;
    log.info({ id: trail.requestId, route: name, person: trail.userId, ms, status }, 'request');
    countRequest(name, status, ms / 1000);
    const event =
      status < 400 ? rule.audit : status === 401 || status === 403 || status === 429 ? 'refused' : undefined;
    if (event && !(status === 401 && trail.userId === null && rule.who !== 'anyone')) {
      const { userId, projectId, requestId } = trail;
      const address = addressOf(request.headers);
      void writeAudit({ event, userId, projectId, requestId, address, route: name, status });
    }
    response.headers.set(REQUEST_ID_HEADER, trail.requestId);
    if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store');
    return response;
  };
}

async function answer(
  rule: Rule,
  request: Request,
  context: Context,
  trail: Trail,
  work: (entered: Entered) => Promise<Answer>,
): Promise<Answer> {
  const time = new TimeAllowed(rule.withinMs);
  try {
    const entered = enter(rule, request, context, trail, time).then(work);
    return await Promise.race([entered, time.over]);
  } catch (error) {
    return refusalAnswer(error, trail);
  } finally {
    time.end();
  }
}

/** The time a request may take. Most never ask for the signal of its end, which costs more than the clock. */
class TimeAllowed {
  /** Rejects when the time is up. */
  readonly over: Promise<never>;
  private readonly timer: NodeJS.Timeout | undefined;
  private controller: AbortController | null = null;
  private isOver = false;

  constructor(withinMs: number | null) {
    let tell: (error: RequestRefused) => void = () => {};
    this.over = new Promise<never>((_, reject) => (tell = reject));
    this.over.catch(() => undefined);
    if (withinMs === null) return;
    this.timer = setTimeout(() => {
      this.isOver = true;
      this.controller?.abort();
      tell(new RequestRefused(503, 'That took too long and was given up. Try again'));
    }, withinMs);
  }

  /** Aborted when the time is up. */
  get signal(): AbortSignal {
    this.controller ??= new AbortController();
    if (this.isOver) this.controller.abort();
    return this.controller.signal;
  }

  end(): void {
    clearTimeout(this.timer);
  }
}

async function enter(
  rule: Rule,
  request: Request,
  context: Context,
  trail: Trail,
  time: TimeAllowed,
): Promise<Entered> {
  requireOwnOrigin(request);
  const params = Object.fromEntries(
    Object.entries((await context.params) ?? {}).map(([key, value]) => [
      key,
      Array.isArray(value) ? value.join('/') : value,
    ]),
  );
  const known: Partial<EnteredByMember> = {};
  if (rule.who !== 'anyone') {
    const person = await whoIsSignedIn(request.headers);
    if (!person) throw new RequestRefused(401, 'Sign in first');
    trail.userId = person.id;
    known.person = person;
    if (rule.who !== 'person')
      Object.assign(known, await enterProject(rule, rule.who, person, params.projectId ?? '', trail));
  }
  const bytes = await readBody(request, rule.body);
  let signal: AbortSignal | null = null;
  return {
    ...known,
    request,
    requestId: trail.requestId,
    address: addressOf(request.headers),
    params,
    get query() {
      return Object.fromEntries(new URL(request.url).searchParams);
    },
    bytes,
    get signal() {
      return (signal ??= AbortSignal.any([request.signal, time.signal]));
    },
    json: (schema) => jsonOf(bytes, schema),
  };
}

/** A project one is no member of looks as if it were not there. */
async function enterProject(rule: Rule, power: Power, person: SignedIn, projectId: string, trail: Trail) {
  const read = rule.looksAgain
    ? knownRole
    : (id: string, userId: string) => roleIn(database(), id, userId, rule.deleted);
  const role = isUuid(projectId) ? await read(projectId, person.id) : null;
  if (!role) throw new RequestRefused(404, 'There is no such project, or you are not a member of it');
  trail.projectId = projectId;
  if (!may(role, power)) throw new RequestRefused(403, mayNot(role, power), { role });
  return { projectId, role };
}

/** An error as an answer. What nobody foresaw is logged by its kind, without what somebody typed. */
function refusalAnswer(error: unknown, trail: Trail): Response {
  if (error instanceof RequestRefused) {
    const { status, message, more, headers } = error;
    return Response.json({ message, ...more }, { status, headers });
  }
  // Locked until it is mended: edits that were made are kept where they were made.
  if (error instanceof LogFault) return Response.json({ message: error.message }, { status: 423 });
  if (error instanceof z.ZodError) return Response.json({ message: inputRefusal(error).message }, { status: 400 });
  const code = codeOf(error);
  // Our own code's place, not the values: a database error's text names those.
  const stack =
    error instanceof Error && !('cause' in error) ? error.stack?.split('\n').slice(0, 6).join('\n') : undefined;
  log.error({ id: trail.requestId, code, stack }, 'a request failed');
  return isDatabaseAway(code)
    ? Response.json(
        { message: 'The database cannot be reached; nothing was changed. Try again in a moment' },
        { status: 503, headers: { 'retry-after': '2' } },
      )
    : Response.json({ message: 'Something went wrong on the server; nothing was changed. Try again' }, { status: 500 });
}

/** Codes of a database that is stopped, starting, out of connections or out of disk: waiting helps. */
const isDatabaseAway = (code: string): boolean =>
  /^(ECONN|EPIPE|ENOTFOUND|57P0|08|53)/.test(code) || code === 'Error: timeout';
