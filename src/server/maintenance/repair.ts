import { asc } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import * as schema from '../db/schema';
import { settings } from '../settings';
import { faultOf, lostChanges, mend } from './mend';

const say = (words: string) => process.stdout.write(`${words}\n`);

/** Looks at the log of every project and says what is wrong; with `--mend` mends what a snapshot knows. */
async function main(args: string[]): Promise<number> {
  const pool = new pg.Pool({ connectionString: settings().OWNER_DATABASE_URL ?? settings().DATABASE_URL, max: 2 });
  const db = drizzle(pool, { schema });
  let left = 0;
  try {
    for (const { id, name } of await db.select().from(schema.project).orderBy(asc(schema.project.id))) {
      for (;;) {
        const fault = await faultOf(db, id);
        if (!fault) {
          say(`${name} (${id}): sound`);
          break;
        }
        const lost = fault.why === 'damaged' ? await lostChanges(db, id, fault) : null;
        say(
          `${name} (${id}): change ${fault.at} is ${fault.why === 'newer' ? 'of a newer version' : 'missing or damaged'}`,
        );
        if (!lost) {
          say(
            '  No snapshot knows what it was. The project opens for looking only, as it was before; bring a backup back',
          );
          left += 1;
          break;
        }
        if (!args.includes('--mend')) {
          say('  A snapshot knows what it was: npm run repair -- --mend');
          left += 1;
          break;
        }
        await mend(db, id, fault, lost);
        say('  Mended from a snapshot');
      }
    }
  } finally {
    await pool.end();
  }
  return left;
}

main(process.argv.slice(2)).then(
  (left) => (process.exitCode = left > 0 ? 1 : 0),
  (error: unknown) => {
    process.stderr.write(`  The logs could not be looked at: ${(error as Error).message}\n`);
    process.exitCode = 1;
  },
);
