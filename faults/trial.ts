import { apply, type Changes } from '@/core/model/changes';
import { EMPTY_FRAMEWORK, frameworkHash, type Framework } from '@/core/model/framework';
import type { Installation } from './installation';
import { Person, type Tab } from './person';
import type { Way } from './way';
import type { Step } from '@/core/commands/command-inputs';

const PEOPLE = 8;
const PROJECTS = 3;
/** Pause between two edits of one person, at the most. */
const PAUSE_MS = 240;
const SETTLED_WITHIN_MS = 90_000;

const SET_UP: Step[] = [
  ['levels.setUp', { above: '5.4m 2@4.8m 3@3.3m', below: '3.9m' }],
  ['grids.add', { baysA: '2@7200 3600 7200', baysB: '6600 7800' }],
];

/** A project's log as far as it was read, and what its replay gives. */
interface Log {
  rows: Row[];
  replayed: Framework;
}

interface Row {
  seq: string;
  command_id: string;
  author_id: string;
  changes: Changes;
}

/** What a look at the log found. */
export interface Count {
  made: number;
  acknowledged: number;
  committed: number;
  refused: number;
  faults: string[];
}

/** Eight people who edit three projects without rest, and the laws that must hold whatever happens. */
export class Trial {
  readonly people: Person[] = [];
  projects: string[] = [];
  private isEditing = false;
  private hands: Promise<void>[] = [];
  private readonly logs = new Map<string, Log>();

  constructor(
    readonly at: Installation,
    readonly way: Way,
  ) {}

  async setUp(): Promise<void> {
    const near = () => `http://127.0.0.1:${this.way.port}`;
    for (let i = 0; i < PEOPLE; i += 1) {
      const person = new Person(`Person ${'ABCDEFGH'[i]}`, near, this.at.address);
      await person.signUp();
      this.people.push(person);
    }
    for (let i = 0; i < PROJECTS; i += 1)
      this.projects.push(await this.people[0]!.startProject(`Project ${i + 1}`, SET_UP));
    for (const [i, person] of this.people.entries()) {
      const projectId = this.projects[i % PROJECTS]!;
      await this.let(person, projectId);
      await person.open(projectId);
    }
    // One person has the project open twice.
    await this.people[1]!.open(this.projects[1]!);
  }

  /** Makes a person a designer of a project. */
  async let(person: Person, projectId: string): Promise<void> {
    await this.at.query(
      `insert into membership (project_id, user_id, role) values ($1, $2, 'designer') on conflict do nothing`,
      [projectId, person.id],
    );
  }

  get tabs(): Tab[] {
    return this.people.flatMap(({ tabs }) => tabs);
  }

  get madeCount(): number {
    return this.people.reduce((sum, { made }) => sum + made.length, 0);
  }

  /** Everybody edits until `rest` is called. */
  work(): void {
    this.isEditing = true;
    this.hands = this.people.map((person, i) => this.hand(person, i));
  }

  private async hand(person: Person, i: number): Promise<void> {
    for (let n = 0; this.isEditing; n += 1) {
      const tab = person.tabs[n % Math.max(1, person.tabs.length)];
      if (tab) editOnce(tab, i, n, person.made.length);
      // Now and then a tab ends without a word, with what it had not sent.
      if (tab && n % 90 === 89) await tab.crash();
      await new Promise((done) => setTimeout(done, PAUSE_MS * (0.5 + 0.5 * Math.random())));
    }
  }

  async rest(): Promise<void> {
    this.isEditing = false;
    await Promise.all(this.hands);
  }

  /** Waits until every tab has saved everything; then holds the log against what people were told. */
  async settle(): Promise<Count> {
    const begun = performance.now();
    while (!this.isQuiet()) {
      if (performance.now() - begun > SETTLED_WITHIN_MS)
        return { ...(await this.count()), faults: [`Not everything was saved: ${this.unsettled()}`] };
      await new Promise((done) => setTimeout(done, 100));
    }
    return this.count();
  }

  private isQuiet(): boolean {
    return this.projects.every((id) => {
      const tabs = this.tabs.filter(({ projectId }) => projectId === id);
      return tabs.every((tab) => tab.isSaved && tab.seq === tabs[0]!.seq);
    });
  }

  private unsettled(): string {
    return this.tabs
      .filter(({ isSaved }) => !isSaved)
      .map(({ state }) => state)
      .join('; ');
  }

  private async count(): Promise<Count> {
    const made = this.people.flatMap((person) => person.made);
    const faults: string[] = [];
    let committed = 0;
    for (const projectId of this.projects) {
      const log = await this.readOn(projectId);
      committed += log.rows.length;
      faults.push(...(await this.faultsOf(projectId, log)));
    }
    const acknowledged = made.filter((edit) => edit.acknowledged).length;
    const refused = made.filter((edit) => edit.refused).length;
    return { made: made.length, acknowledged, committed, refused, faults };
  }

  /** Reads what a project's log has more than before. It only ever grows: its length is held against it as well. */
  private async readOn(projectId: string): Promise<Log> {
    const { rows, replayed } = this.logs.get(projectId) ?? { rows: [], replayed: EMPTY_FRAMEWORK };
    const more = await this.at.query<Row>(
      'select seq, command_id, author_id, changes from change where project_id = $1 and seq > $2 order by seq',
      [projectId, rows.length],
    );
    const log = {
      rows: [...rows, ...more],
      replayed: more.reduce((framework, { changes }) => apply(framework, changes), replayed),
    };
    this.logs.set(projectId, log);
    return log;
  }

  /** What is wrong with a project's log: numbers, edits lost, doubled or out of order, tabs that see something else. */
  private async faultsOf(projectId: string, { rows, replayed }: Log): Promise<string[]> {
    const faults: string[] = [];
    rows.forEach(({ seq }, i) => {
      if (Number(seq) !== i + 1) faults.push(`Number ${i + 1} of the log is ${seq}`);
    });
    const at = new Map<string, number[]>();
    rows.forEach(({ command_id }, i) => at.set(command_id, [...(at.get(command_id) ?? []), i]));
    for (const [i, person] of this.people.entries()) {
      if (this.projects[i % PROJECTS] !== projectId) continue;
      let last = -1;
      for (const edit of person.made) {
        const places = at.get(edit.commandId) ?? [];
        if (places.length > 1) faults.push(`An edit of ${person.name} is there ${places.length} times`);
        if (edit.acknowledged && places.length === 0) faults.push(`An acknowledged edit of ${person.name} is lost`);
        if (!edit.acknowledged && !edit.refused && places.length === 0)
          faults.push(`An edit of ${person.name} was neither saved nor refused`);
        // Two tabs of a person have a queue each, and a crashed tab's list is taken up after what was made meanwhile.
        if (person.tabs.length === 1 && places.length === 1) {
          if (places[0]! < last && !edit.refused) faults.push(`An edit of ${person.name} moved in the order`);
          last = Math.max(last, places[0]!);
        }
      }
    }
    const hash = frameworkHash(replayed);
    for (const tab of this.tabs.filter((each) => each.projectId === projectId))
      if (tab.hash !== hash) faults.push(`A tab sees another framework than the log has: ${tab.state}`);
    const [head] = await this.at.query<{ head_seq: string; n: string }>(
      'select head_seq, (select count(*) from change where project_id = $1) as n from project where id = $1',
      [projectId],
    );
    if (Number(head!.head_seq) !== rows.length) faults.push(`The head is ${head!.head_seq} of ${rows.length}`);
    if (Number(head!.n) !== rows.length) faults.push(`The log has ${head!.n} rows, not ${rows.length}`);
    return faults;
  }

  close(): void {
    for (const tab of this.tabs) tab.close();
  }
}

/** One edit of a person: names mostly, columns, sometimes their last edit taken back. */
function editOnce(tab: Tab, who: number, n: number, made: number): void {
  if (n % 11 === 10) return tab.undo();
  if (n % 5 === 4)
    return tab.edit('columns.place', {
      place: `${(made * 137) % 20_000},${who * 1000 + (n % 7) * 130}`,
      section: { shape: 'circle', diameterMm: 300 },
    });
  // Each names a level of their own, so that most edits stand in nobody's way; some do.
  const level = n % 13 === 12 ? '01' : ['01', '02', '03', '04'][who % 4]!;
  tab.edit('levels.rename', { level, title: `By ${who}, no. ${made}` });
}
