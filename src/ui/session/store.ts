import { forReader } from '@/core/units/for-reader';
import { facet } from '@/core/kinds/kind';
import { kindOf } from '@/core/kinds/registry';
import { WHOLE } from '@/core/views/view-part';
import { createContext, useContext } from 'react';
import { v4 } from 'uuid';
import { touchedIds, type Changes } from '@/core/model/changes';
import { createStore, useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { EMPTY_FRAMEWORK } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import type { CommandInputs, CommandName } from '@/core/commands/command-inputs';
import type { Solved } from '@/core/solving/solved';
import { IMPERIAL, METRIC, type LengthDisplay } from '@/core/units/format-length';
import type { LengthUnit } from '@/core/units/length-units';
import { heardOther, markEdit, tellWhereOneLooks } from './here';
import { mayChange } from './session-state';
import { ProjectSession } from './project-session';
import { rememberForRescue } from './rescue';
import { ServerRefused } from './server';
import type { Project, ProjectStore } from './project';

export { TABS, type Ghost, type Project, type ProjectStore, type Step, type Tab } from './project';

const DISPLAY_KEY = 'spine-display';

export function makeProjectStore(): ProjectStore {
  return createStore<Project>((set, get) => ({
    status: 'loading',
    failure: null,
    person: null,
    role: null,
    framework: EMPTY_FRAMEWORK,
    solved: null,
    isWhole: true,
    generation: 0,
    phase: 'opening',
    unsent: [],
    readOnly: null,
    stuck: null,
    undo: null,
    redo: null,
    seq: 0,
    unsolved: null,
    building: null,
    level: null,
    selection: [],
    hidden: new Set(),
    ghosts: [],
    part: WHOLE,
    tab: 'plan',
    beside: null,
    step: null,
    ways: {},
    busy: null,
    pen: null,
    act: null,
    menu: null,
    isHelpOpen: false,
    lastDone: null,
    cutLine: null,
    ghost: null,
    mode: 'push',
    display: METRIC,
    notice: null,
    mayEdit: false,
    others: [],
    editMarks: [],
    session: null,
    /** Does a command; answers the refusal's words, or null when it was done. */
    run: (command, input) => {
      const { session, mayEdit, role, readOnly, display } = get();
      if (!session) return 'The project is still loading';
      if (readOnly !== null) return readOnly;
      if (!mayEdit) return `As ${role ?? 'viewer'} you can look and measure, but not change the framework`;
      const result = session.run(command, input);
      if (result.ok) {
        set({ notice: { text: forReader(result.value.sentence, display), kind: 'done' }, lastDone: command });
        const made = thingsAdded(result.value.changes);
        if (made.length > 0) set({ selection: made });
        return null;
      }
      return forReader(result.refusal.message, display);
    },
    send: ({ command, input }: { command: CommandName; input: CommandInputs[CommandName] }) =>
      get().run(command, input),
    say: (text, kind = 'trouble') => set({ notice: { text: forReader(text, get().display), kind } }),
    set: (part) => set(part),
    select: (selection) => set({ selection }),
  }));
}

/** What a command added that can be chosen and read: a thing of the job, not a part or a way of another one, nor a whole grid. */
function thingsAdded({ added, removed }: Changes): Id[] {
  if (removed.length > 0) return [];
  const things = added.filter((record) => facet(kindOf(record).inPlan) && facet(kindOf(record).listed));
  return things.length <= MOST_CHOSEN ? things.map(({ id }) => id) : [];
}
/** So many at once are a set-up, not things to go on with. */
const MOST_CHOSEN = 60;

/** The units chosen in this browser; null before any were. */
export function chosenDisplay(): LengthDisplay | null {
  const kept = localStorage.getItem(DISPLAY_KEY);
  return kept === 'imperial' ? IMPERIAL : kept === 'metric' ? METRIC : null;
}

/** Opens a project into a store; answers how to close it. */
export function openProject(store: ProjectStore, projectId: string): () => void {
  const session = new ProjectSession(
    projectId,
    (shown) => {
      store.setState((state) => {
        const mayEdit = mayChange(shown.role) && shown.readOnly === null;
        // Tools are taken away from who may not use them any more; looking has tools of its own.
        const taken = state.mayEdit && !mayEdit ? NO_TOOL : {};
        return { ...shown, mayEdit, ...taken, ...stillThere(state, shown.solved) };
      });
    },
    (message, again) =>
      store.setState(({ display }) => ({ notice: { text: forReader(message, display), kind: 'trouble', again } })),
  );
  store.setState({ session, display: chosenDisplay() ?? METRIC });
  rememberForRescue(session);
  const tab = v4();
  session.onHere = (here) => {
    // Taken for gone, though it is here.
    if (here.tab === tab) return void (here.place === null && telling.tellAgain());
    const { others, person } = store.getState();
    const isNew = here.place !== null && here.userId !== person?.id && !others.some((other) => other.tab === here.tab);
    if (isNew) telling.tellAgain();
    store.setState({ others: heardOther(others, here, person?.id ?? '', Date.now()) });
  };
  session.onOthersEdit = ({ author, changes }) => markEdit(store, author, touchedIds(changes));
  const telling = tellWhereOneLooks(store, tab, (told, isLast) => {
    session.server.tellHere(told, isLast).catch(() => undefined);
  });
  session.open().then(
    ({ person, units }) =>
      store.setState({
        status: 'ready',
        person,
        display: chosenDisplay() ?? (units === 'imperial' ? IMPERIAL : METRIC),
      }),
    (error: unknown) => {
      const failure =
        error instanceof ServerRefused ? error.message : 'The project could not be opened. Load the page again';
      store.setState({ status: 'failed', failure });
    },
  );
  return () => {
    telling.stop();
    session.close();
  };
}

/** No tool is at work: for who may not change anything, or not any more. */
const NO_TOOL: Partial<Project> = { busy: null, act: null, ghost: null };

/** Building, level and selection as far as they exist in a solve; the ground floor to begin with. */
function stillThere(state: Project, solved: Solved | null): Partial<Project> {
  if (!solved) return {};
  const building = solved.buildings.some(({ id }) => id === state.building) ? state.building : mainBuilding(solved);
  const levels = solved.levels.filter((level) => level.building === building);
  const ground = levels.find(({ fflMm, bounding }) => bounding && fflMm >= 0) ?? levels[0];
  const level = levels.some(({ id }) => id === state.level) ? state.level : (ground?.id ?? null);
  return { building, level };
}

/** Turns to another building: its ground level is shown, and no tool is at work. */
export function chooseBuilding(store: ProjectStore, building: Id): void {
  const { solved } = store.getState();
  const levels = (solved?.levels ?? []).filter((level) => level.building === building);
  const ground = levels.find(({ fflMm, bounding }) => bounding && fflMm >= 0) ?? levels[0];
  store.setState({
    building,
    level: ground?.id ?? null,
    selection: [],
    step: null,
    busy: null,
    act: null,
    cutLine: null,
    ghost: null,
  });
}

/** The building with the most levels, which a project opens with. */
function mainBuilding(solved: Solved): Id | null {
  const count = (id: Id) => solved.levels.filter((level) => level.building === id).length;
  const sorted = [...solved.buildings].sort((a, b) => count(b.id) - count(a.id) || (a.name < b.name ? -1 : 1));
  return sorted[0]?.id ?? null;
}

export function chooseDisplay(store: ProjectStore, system: LengthDisplay['system']): void {
  localStorage.setItem(DISPLAY_KEY, system);
  store.setState({ display: system === 'imperial' ? IMPERIAL : METRIC });
}

/** The unit a bare number takes in a field. */
export const fieldUnit = (display: LengthDisplay): LengthUnit => (display.system === 'imperial' ? 'ft' : 'mm');

export const ProjectContext = createContext<ProjectStore | null>(null);

/** Reads from the open project. */
export function useProject<T>(read: (project: Project) => T): T {
  const store = useContext(ProjectContext);
  if (!store) throw new Error('No project is open here');
  return useStore(store, read);
}

export function useProjectStore(): ProjectStore {
  const store = useContext(ProjectContext);
  if (!store) throw new Error('No project is open here');
  return store;
}

/** Some parts of the open project: drawn again only when one of them changes. */
export function useSlice<K extends keyof Project>(...keys: K[]): Pick<Project, K> {
  return useProject(
    useShallow((project) => Object.fromEntries(keys.map((key) => [key, project[key]])) as Pick<Project, K>),
  );
}
