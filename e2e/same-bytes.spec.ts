import { randomUUID } from 'node:crypto';
import { expect, test } from '@playwright/test';
import { apply } from '@/core/model/changes';
import { EMPTY_FRAMEWORK, frameworkHash } from '@/core/model/framework';
import { hashOf } from '@/core/model/hash';
import { Solver, solve } from '@/core/solving/solve';
import { randomRun } from '@/core/testing/random-commands';
import { enterAs, openProject, openStep, query, send } from './project';

test('500 random commands give the same hashes in Node, change by change, and in the browser’s worker', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const run = randomRun(1, 500);
  expect(run.steps).toHaveLength(500);
  const turns = JSON.stringify(run.steps);
  for (const turn of ['5.7', '6.1', '13.1', 'circle']) expect(turns).toContain(turn);

  const solver = new Solver();
  let framework = EMPTY_FRAMEWORK;
  run.changes.forEach((changes, i) => {
    framework = apply(framework, changes);
    if (i % 5 === 0) solver.solve(framework);
  });
  const incremental = hashOf(solver.solve(framework));
  expect(incremental).toBe(hashOf(solve(run.end)));

  await enterAs(page, 'designer');
  const id = randomUUID();
  await query(`insert into project (id, name) values ($1, 'Random')`, [id]);
  await query(
    `insert into membership (project_id, user_id, role) select $1, id, 'designer' from "user" where email like 'ada%'`,
    [id],
  );
  for (const { commandId, command, input } of run.steps) {
    const answer = await send(page.request, id, command, input, commandId);
    expect(answer.status, `${command}: ${answer.message}`).toBe(200);
  }
  await openProject(page, id);
  await openStep(page, 'Hand over');
  await page.getByRole('button', { name: 'Show fingerprints' }).click();
  await expect(page.locator('[data-print=framework]')).toHaveText(frameworkHash(run.end));
  await expect(page.locator('[data-print=solve]')).toHaveText(incremental);
});
