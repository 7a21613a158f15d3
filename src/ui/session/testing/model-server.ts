import type { LoggedChange } from '@/core/history/entry';
import { laterAuthorAmong } from '@/core/history/undo';
import { apply, isEmpty } from '@/core/model/changes';
import { groundsDigest, type Planned } from '@/core/commands/command';
import { plan, recalledBy } from '@/core/commands/commands';
import { recordsById, type Framework } from '@/core/model/framework';
import type { Json } from '@/core/model/json';
import { done, refuse, type Result } from '@/core/model/result';
import type { Role } from '@/core/people/powers';
import type { Send, SentCommand } from '../server';

interface Stream {
  personId: string;
  tell: (event: string, data: unknown) => void;
  end: () => void;
}

/** The server's answers for one project in this process, with what can go wrong with it. */
export class ModelServer {
  readonly log: LoggedChange[] = [];
  readonly roles = new Map<string, Role>();
  readonly signedIn = new Set<string>();
  private readonly streams = new Set<Stream>();
  /** Answers of this status in the place of the next ones of a route, by a part of its address. */
  private readonly answers: { part: string; status: number; commits: boolean }[] = [];
  /** Nothing can be reached. */
  isAway = false;
  /** Streams are open and say nothing. */
  isSilent = false;
  opened = 0;
  readOnly: string | undefined;

  constructor(
    private readonly start: Framework,
    readonly projectId = 'project',
  ) {}

  get framework(): Framework {
    return this.log.reduce((framework, { changes }) => apply(framework, changes), this.start);
  }

  /** The next answer of a route is this; `commits` where the work is done all the same. */
  answerNext(part: string, status: number, commits = false): void {
    this.answers.push({ part, status, commits });
  }

  /** Ends every stream as a restart does. */
  dropStreams(): void {
    for (const stream of [...this.streams]) stream.end();
  }

  /** Tells a person's streams what they may do where, as when a membership changed. */
  tellHeads(personId: string): void {
    for (const stream of this.streams) if (stream.personId === personId) stream.tell('heads', this.headsOf(personId));
  }

  signOut(personId: string): void {
    this.signedIn.delete(personId);
    for (const stream of [...this.streams]) {
      if (stream.personId !== personId) continue;
      stream.tell('out', null);
      stream.end();
    }
  }

  /** A person's way to this server. */
  sendAs(personId: string): Send {
    return (url, init) => this.answer(personId, String(url), init ?? {});
  }

  private async answer(personId: string, url: string, init: RequestInit): Promise<Response> {
    await Promise.resolve();
    init.signal?.throwIfAborted();
    if (this.isAway) throw new TypeError('fetch failed');
    const at = this.answers.findIndex(({ part }) => url.includes(part));
    const forced = at < 0 ? null : this.answers.splice(at, 1)[0]!;
    if (forced && !forced.commits) return refused(forced.status);
    if (!this.signedIn.has(personId)) return refused(401);
    if (url === '/api/events') return this.stream(personId, init.signal ?? undefined);
    const role = this.roles.get(personId);
    if (!role) return refused(404);
    const answer = this.answerIn(personId, role, url, init);
    return forced ? refused(forced.status) : answer;
  }

  private answerIn(personId: string, role: Role, url: string, init: RequestInit): Response {
    if (url.endsWith('/framework')) {
      const person = { id: personId, name: personId, email: '' };
      const head = { seq: this.log.length, records: recordsById(this.framework) };
      return Response.json({ ...head, person, role, ...(this.readOnly ? { readOnly: this.readOnly } : {}) });
    }
    if (url.endsWith('/history/own'))
      return Response.json({ own: this.log.filter(({ authorId }) => authorId === personId) });
    const since = /changes\?since=(\d+)/.exec(url);
    if (since) return Response.json({ changes: this.log.slice(Number(since[1])) });
    return this.run(personId, role, JSON.parse(init.body as string) as SentCommand);
  }

  private run(personId: string, role: Role, sent: SentCommand): Response {
    if (role !== 'owner' && role !== 'designer') return refused(403, { role });
    if (sent.personId !== personId) return refused(401);
    const before = this.log.find(({ commandId }) => commandId === sent.commandId);
    if (before) return Response.json(before);
    const planned = this.plan(sent);
    if (!planned.ok) return refused(422, { message: planned.refusal.message });
    const { changes, sentence } = planned.value;
    if (sent.previewDigest !== undefined && groundsDigest(changes) !== sent.previewDigest)
      return refused(409, { headSeq: this.log.length, message: 'Somebody changed this meanwhile' });
    if (isEmpty(changes)) return Response.json({ seq: this.log.length, changes, sentence });
    const { commandId, command, input } = sent;
    const target = recalledBy(command, input);
    const who = { author: personId, authorId: personId, at: '2026-01-01T00:00:00Z' };
    const change = { seq: this.log.length + 1, commandId, command, target, sentence, changes, ...who };
    this.log.push(change);
    for (const { tell } of this.streams) tell('change', { projectId: this.projectId, change });
    return Response.json(change);
  }

  private plan({ command, input, commandId }: { command: string; input: Json; commandId: string }): Result<Planned> {
    return plan(this.framework, command, input, commandId, (target) => {
      const found = this.log.find((each) => each.commandId === target);
      if (!found) return refuse('The change to be undone is not in this project');
      const later = this.log.filter(({ seq }) => seq > found.seq);
      return done({ changes: found.changes, sentence: found.sentence, laterAuthor: laterAuthorAmong(later) });
    });
  }

  private headsOf(personId: string): Record<string, { seq: number; role: Role }> {
    const role = this.roles.get(personId);
    return role ? { [this.projectId]: { seq: this.log.length, role } } : {};
  }

  private stream(personId: string, signal: AbortSignal | undefined): Response {
    this.opened += 1;
    let stream: Stream;
    const body = new ReadableStream<Uint8Array>({
      start: (controller) => {
        const encoder = new TextEncoder();
        stream = {
          personId,
          tell: (event, data) => {
            if (this.isSilent || !this.streams.has(stream)) return;
            controller.enqueue(encoder.encode(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`));
          },
          end: () => {
            if (this.streams.delete(stream)) controller.close();
          },
        };
        this.streams.add(stream);
        signal?.addEventListener('abort', () => {
          if (this.streams.delete(stream)) controller.error(new DOMException('Gone', 'AbortError'));
        });
        stream.tell('heads', this.headsOf(personId));
      },
      cancel: () => void this.streams.delete(stream),
    });
    return new Response(body, { headers: { 'content-type': 'text/event-stream' } });
  }
}

const refused = (status: number, more: object = {}): Response =>
  Response.json({ message: `No (${status})`, ...more }, { status });
