import type { Framework } from '@/core/model/framework';
import { writeSpineFile } from '@/core/kinds/spine-text';

/** Anything that has a framework to rescue. */
interface Rescued {
  readonly framework: Framework;
}

let latest: Rescued | null = null;

/** Remembers the open project, so that a page that breaks down can still hand over what it has. */
export const rememberForRescue = (session: Rescued): void => {
  latest = session;
};

/** The framework file with everything done here, sent or not; null if no project was opened. */
export function rescuedFile(): string | null {
  return latest && latest.framework.records.size > 0 ? writeSpineFile(latest.framework) : null;
}
