import { expose } from 'comlink';
import { SolveDesk } from './solve-desk';

const desk = new SolveDesk();

/** The browser's solver, in a thread of its own. */
export type SolveWorker = SolveDesk;

expose(desk);
