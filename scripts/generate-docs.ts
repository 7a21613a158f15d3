import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { format } from 'prettier';
import { z } from 'zod';
import { FORMS } from '@/core/entry/forms';
import { commandList, plan } from '@/core/commands/commands';
import { EMPTY_FRAMEWORK } from '@/core/model/framework';
import { derivedCommandId } from '@/core/model/ids';
import { passOrder } from '@/core/passes/pass-order';
import { POWERS, type Power } from '@/core/people/powers';
import { reportSchema } from '@/core/report/report';
import { Solver } from '@/core/solving/solve';
import { TIDEWATER_YARD } from '@/demo/tidewater-yard';
import { RULES, type Rule } from '@/server/entry/rules';

/** The part of a document between its two marks, made anew. */
function between(file: string, made: string): string {
  const text = readFileSync(file, 'utf8');
  return text.replace(
    /(<!-- routes -->\n)[^]*(<!-- end of routes -->)/,
    (_, begin: string, end: string) => `${begin}\n${made}\n\n${end}`,
  );
}

const WHO: Record<string, string> = { anyone: 'anybody', person: 'who is signed in' };
const whoWords = ({ who }: Rule): string => WHO[who] ?? `${POWERS[who as Power].roles.join(', ')} of the project`;
const bodyWords = ({ body }: Rule): string =>
  body.type === 'none'
    ? 'nothing'
    : `${body.type === 'json' ? 'JSON' : 'a file'}, up to ${body.mostBytes >= 1e6 ? `${body.mostBytes / 1e6} MB` : `${body.mostBytes / 1e3} kB`}`;

/** Who may do what, from the table the entry asks. */
function routeTable(): string {
  const rows = Object.entries(RULES).map(
    ([name, rule]) =>
      `| \`${name}\` | ${rule.does} | ${whoWords(rule)} | ${bodyWords(rule)} | ${rule.withinMs === null ? 'a stream' : `${rule.withinMs / 1000} s`} |`,
  );
  return ['| route | what it does | for whom | takes | within |', '| --- | --- | --- | --- | --- |', ...rows].join(
    '\n',
  );
}

/** Documents made from the code: the commands with their schemas, and the schema of the report. */
async function documents(): Promise<Record<string, string>> {
  const json = (value: unknown) => format(JSON.stringify(value), { parser: 'json', printWidth: 120 });
  const list = commandList();
  const table = list.map(({ name, title }) => `| \`${name}\` | ${title} |`).join('\n');
  const forms = FORMS.map(
    ({ pattern, example, title }) => `| \`${pattern.replaceAll('|', '\\|')}\` | ${title} | \`${example}\` |`,
  ).join('\n');
  const demo = TIDEWATER_YARD.reduce((before, { command, input }) => {
    const planned = plan(before, command, input, derivedCommandId('passes', command, JSON.stringify(input)));
    if (!planned.ok) throw new Error(planned.refusal.message);
    return planned.value.after;
  }, EMPTY_FRAMEWORK);
  const solver = new Solver();
  solver.solve(demo);
  const passes = passOrder(solver.dependencies())
    .map(({ pass, scope, reads }) => `| ${pass} | ${scope ?? 'looked up'} | ${reads.join(', ')} |`)
    .join('\n');
  return {
    'docs/generated/passes.md': await format(
      `# Passes\n\nMade from the code by \`npm run docs\`: what works the demo out, each after all it reads. \`npm run -s spine -- passes FILE\` says it of any file.\n\n| pass | of | reads |\n| --- | --- | --- |\n${passes}\n`,
      { parser: 'markdown', printWidth: 120 },
    ),
    'docs/generated/quick-entry.md': `# Quick entry\n\nMade from the code by \`npm run docs\`. What stands in capitals varies, what stands in brackets may be left out. Bare numbers take the unit lengths are shown in.\n\n| typed | what it does | for example |\n| --- | --- | --- |\n${forms}\n`,
    'docs/generated/commands.md': `# Commands\n\nMade from the code by \`npm run docs\`. Inputs are in [commands.json](commands.json).\n\n| command | what it does |\n| --- | --- |\n${table}\n`,
    'docs/generated/commands.json': await json(list),
    'docs/security.md': await format(between('docs/security.md', routeTable()), {
      parser: 'markdown',
      printWidth: 120,
    }),
    'docs/generated/report.schema.json': await json(z.toJSONSchema(reportSchema)),
  };
}

async function main(): Promise<void> {
  const isCheck = process.argv.includes('--check');
  for (const [file, text] of Object.entries(await documents())) {
    if (isCheck) {
      let old = '';
      try {
        old = readFileSync(file, 'utf8');
      } catch {
        // Not there at all: also out of date.
      }
      if (old !== text) {
        process.stderr.write(`${file} is out of date: run npm run docs\n`);
        process.exitCode = 1;
      }
    } else {
      mkdirSync('docs/generated', { recursive: true });
      writeFileSync(file, text);
    }
  }
}

void main();
