import { expect, test } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { enterAs, FURNISHED, makeProject, openProject, openStep } from './project';

test('the setting-out plan of a level is taken as PDF, SVG and DXF, and refused in words where no sheet holds it', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  const id = await makeProject(page.request, 'Sheets', FURNISHED);
  await openProject(page, id);
  await page.getByRole('button', { name: /^Level 02/ }).click();
  await openStep(page, 'Hand over');
  await page.getByLabel('Scale', { exact: true }).selectOption('200');
  for (const [format, begins] of [
    ['PDF', '%PDF-'],
    ['SVG', '<?xml'],
    ['DXF', '0\n'],
  ] as const) {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: format, exact: true }).click(),
    ]);
    expect(file.suggestedFilename()).toBe(`setting-out-02-1-200.${format.toLowerCase()}`);
    expect((await readFile(await file.path(), 'latin1')).trimStart().startsWith(begins)).toBe(true);
  }
  const sheet = `/api/projects/${id}/sheet?level=${'0'.repeat(8)}-0000-0000-0000-${'0'.repeat(12)}&scale=100&format=pdf`;
  expect((await page.request.get(sheet)).status()).toBe(404);
  expect((await page.request.get(sheet.replace('scale=100', 'scale=3'))).status()).toBe(400);
  await page.context().clearCookies();
  expect((await page.request.get(sheet)).status()).toBe(401);
});
