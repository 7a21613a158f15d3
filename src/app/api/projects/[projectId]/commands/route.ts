import { postCommand } from '@/server/changes/post-command';

/** Runs a command on the framework. The web process answers this one itself, before it comes here: see `src/server/web`. */
export const POST = postCommand;
