import { randomUUID } from 'node:crypto';
import type { Id } from '@/core/model/ids';
import { frameworkHash } from '@/core/model/framework';
import { ProjectSession, type Shown } from '@/ui/session/project-session';
import type { Send } from '@/ui/session/server';
import { Browser } from '@/ui/session/testing/browser';
import type { CommandName, CommandInputs, Step } from '@/core/commands/command-inputs';

/** An edit somebody made, and what became of it as far as they were told. */
export interface Made {
  commandId: Id;
  acknowledged: boolean;
  refused: boolean;
}

const PASSWORD = 'a long enough one 4711';

/**
 * One who edits: an account, a browser with the session the product has, and a hand that does not rest. Everything the
 * server answers is noted beside the session, so that nothing the session says of itself is taken for true.
 */
export class Person {
  readonly email = `${randomUUID()}@test.example`;
  readonly made: Made[] = [];
  readonly tabs: Tab[] = [];
  readonly browser: Browser;
  /** What the server knows this person by. */
  cookie = '';
  id = '';

  constructor(
    readonly name: string,
    /** Where the way to the server begins. */
    private readonly near: () => string,
    /** The address the server goes by. */
    readonly origin: string,
  ) {
    this.browser = new Browser(this.send, false);
  }

  /** As the browser sends: with the cookie, to where the server is. Every answer to a command is noted. */
  readonly send: Send = async (url, init) => {
    const response = await fetch(this.near() + String(url), {
      ...init,
      headers: { ...(init?.headers as Record<string, string>), cookie: this.cookie },
    });
    if (!String(url).endsWith('/commands')) return response;
    const { commandId } = JSON.parse(init!.body as string) as { commandId: Id };
    const text = await response.text();
    const edit = this.made.find((each) => each.commandId === commandId);
    if (edit && response.status === 200) edit.acknowledged = true;
    if (edit && (response.status === 409 || response.status === 422)) edit.refused = true;
    return new Response(text, response);
  };

  private async enter(path: string, body: object): Promise<void> {
    const response = await fetch(`${this.near()}/api/auth/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: this.origin },
      body: JSON.stringify(body),
    });
    if (response.status !== 200) throw new Error(`${this.name} could not enter (${response.status})`);
    this.cookie = response.headers
      .getSetCookie()
      .map((each) => each.split(';')[0]!)
      .join('; ');
    const { user } = (await response.json()) as { user: { id: string } };
    this.id = user.id;
  }

  signUp(): Promise<void> {
    return this.enter('sign-up/email', { name: this.name, email: this.email, password: PASSWORD });
  }

  signIn(): Promise<void> {
    return this.enter('sign-in/email', { email: this.email, password: PASSWORD });
  }

  private async post<T>(url: string, body: object): Promise<T> {
    const headers = { 'content-type': 'application/json' };
    const answer = await this.send(url, { method: 'POST', headers, body: JSON.stringify(body) });
    if (!answer.ok) throw new Error(`${url} was answered with ${answer.status}: ${await answer.text()}`);
    return (await answer.json()) as T;
  }

  /** Starts a project and runs commands on it, one after the other; answers its id. */
  async startProject(name: string, steps: readonly Step[]): Promise<string> {
    const { id } = await this.post<{ id: string }>('/api/projects', { name, building: 'Hall' });
    for (const [command, input] of steps)
      await this.post(`/api/projects/${id}/commands`, { commandId: randomUUID(), command, input });
    return id;
  }

  async open(projectId: string): Promise<Tab> {
    const tab = new Tab(this, projectId);
    this.tabs.push(tab);
    await tab.open();
    return tab;
  }
}

/** A tab of a person's browser with a project open. */
export class Tab {
  private readonly session: ProjectSession;
  private readonly crashNow: () => void;
  private shown: Shown | null = null;
  private signingIn = false;
  /** What the person was told that did not go through. */
  readonly told: string[] = [];

  constructor(
    private readonly person: Person,
    readonly projectId: string,
  ) {
    const { around, crash } = person.browser.tab();
    this.crashNow = crash;
    this.session = new ProjectSession(
      projectId,
      (shown) => this.see(shown),
      (message) => this.told.push(message),
      around,
    );
  }

  async open(): Promise<void> {
    for (let tries = 0; ; tries += 1) {
      try {
        await this.session.open();
        return;
      } catch (error) {
        // As a person does: the page is loaded again.
        if (tries > 60) throw error;
        await new Promise((done) => setTimeout(done, 1000));
      }
    }
  }

  /** Signed out, a person signs in again in place. */
  private see(shown: Shown): void {
    this.shown = shown;
    if (shown.phase !== 'signedOut' || this.signingIn) return;
    this.signingIn = true;
    void this.person
      .signIn()
      .then(() => this.session.signedIn())
      .catch(() => new Promise((done) => setTimeout(done, 500)))
      .finally(() => {
        this.signingIn = false;
        if (this.shown?.phase === 'signedOut') this.see(this.shown);
      });
  }

  /** Makes an edit, if it can be made on what is seen. */
  edit<Name extends CommandName>(command: Name, input: CommandInputs[Name]): void {
    const before = this.shown?.unsent.length ?? 0;
    if (!this.session.run(command, input).ok) return;
    this.note(before);
  }

  undo(): void {
    const before = this.shown?.unsent.length ?? 0;
    if (this.session.undo()?.ok) this.note(before);
  }

  /** What is in the list now and was not before is what was made. */
  private note(before: number): void {
    const last = this.shown!.unsent.at(-1);
    if (!last || this.shown!.unsent.length <= before) return;
    this.person.made.push({ commandId: last.commandId, acknowledged: false, refused: false });
  }

  /** The tab ends without a word, and the person opens the project again. */
  async crash(): Promise<Tab> {
    this.crashNow();
    this.session.close();
    this.person.tabs.splice(this.person.tabs.indexOf(this), 1);
    return this.person.open(this.projectId);
  }

  close(): void {
    this.session.close();
  }

  get isSaved(): boolean {
    return this.shown?.phase === 'current' && this.shown.unsent.length === 0;
  }

  get state(): string {
    const { phase = 'none', unsent = [], seq = 0, stuck = null } = this.shown ?? {};
    return `${this.person.name}: ${phase}, ${unsent.length} unsent, at ${seq}${stuck ? `, stuck: ${stuck.message}` : ''}`;
  }

  get hash(): string {
    return frameworkHash(this.session.framework);
  }

  get seq(): number {
    return this.shown?.seq ?? 0;
  }

  get phase(): string {
    return this.shown?.phase ?? 'opening';
  }
}
