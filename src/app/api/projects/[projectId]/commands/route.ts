import { postCommand } from '@/server/changes/post-command';
import { wholly } from '@/server/entry/plain-answer';

/** Runs a command. The web process answers this one itself, before it comes here: see `src/server/web`. */
export const POST = wholly(postCommand);
