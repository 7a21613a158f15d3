import { wholly } from '@/server/entry/plain-answer';
import { postProject } from '@/server/projects/bring-files';

/** The web process answers this one itself, before it comes here: see `src/server/web`. */
export const POST = wholly(postProject);
