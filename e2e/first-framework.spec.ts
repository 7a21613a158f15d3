import { expect, test } from '@playwright/test';
import type { Report } from '@/core/report/report';
import {
  downloadReport,
  downloadText,
  enterAs,
  enterByDoor,
  openStep,
  startProject,
  typeElevation,
  untilSaved,
} from './project';

/** The report with everything moved that hangs on level 01 and above, by a distance. */
function raised(report: Report, byMm: number): Omit<Report, 'hash'> {
  const moves = new Set(report.levels.filter(({ fflMm }) => fflMm >= 5400).map(({ name }) => name));
  const { hash: _, ...rest } = report;
  const up = (level: string) => (moves.has(level) ? byMm : 0);
  return {
    ...rest,
    levels: report.levels.map((level) => ({
      ...level,
      fflMm: level.fflMm + up(level.name),
      sslMm: level.sslMm + up(level.name),
      storeyHeightMm: level.name === '00' ? level.storeyHeightMm! + byMm : level.storeyHeightMm,
    })),
    columns: report.columns.map((piece) => {
      const grows = piece.level === '00' ? byMm : 0;
      const volumeM3 = Math.round((piece.volumeM3 + (grows * 500 * 500) / 1e9) * 1e6) / 1e6;
      return {
        ...piece,
        bottomMm: piece.bottomMm + up(piece.level),
        topMm: piece.topMm + up(piece.level) + grows,
        volumeM3,
        grossVolumeM3: volumeM3,
      };
    }),
    floors: report.floors.map((floor) => ({ ...floor, topMm: floor.topMm + up(floor.level) })),
    shafts: report.shafts.map((shaft) => ({
      ...shaft,
      topMm: shaft.topMm + byMm,
      stages: shaft.stages.map((stage) => ({ ...stage, topMm: stage.topMm + byMm })),
    })),
  };
}

const withoutHash = ({ hash: _, ...rest }: Report) => rest;

test('from nothing to a framework: two files, columns, floor, shaft, a level raised, undone, loaded again, handed over', async ({
  page,
}) => {
  await enterAs(page, 'designer');
  await startProject(page, 'Pier house');

  await page.getByLabel('Take a level table (CSV, XLSX, IFC)').last().setInputFiles('e2e/fixtures/levels.csv');
  await expect(page.getByText('17 levels understood')).toBeVisible();
  await expect(page.getByText('FFL (m) → finished floor (FFL), m')).toBeVisible();
  await page.getByRole('button', { name: 'Take these levels' }).click();
  await expect(page.getByRole('button', { name: /^Level 00/ })).toBeVisible();

  await openStep(page, 'Grids');
  await page
    .getByLabel('Take a grid from a drawing (DXF, IFC)')
    .last()
    .setInputFiles('e2e/fixtures/structure-grid-mm.dxf');
  await expect(page.getByText('7 × 5 lines understood, in mm')).toBeVisible();
  await expect(page.getByText('2@7200 3600 3@7200')).toBeVisible();
  await page.getByRole('button', { name: 'Take this grid' }).click();

  await openStep(page, 'Columns');
  await page.getByRole('button', { name: 'All lines' }).click();
  await expect(page.getByText('35 columns at 35 crossings').first()).toBeVisible();
  await page.getByRole('button', { name: 'Place 35 columns' }).click();

  await openStep(page, 'Floors');
  await page.getByLabel('Outside the grid by').fill('0.3m');
  await page.getByRole('button', { name: 'Add the floor plate' }).click();

  await openStep(page, 'Shafts');
  await page.getByLabel('Corner at').fill('B-3 + 600,1200');
  await page.getByLabel('Width', { exact: true }).fill('2.4m');
  await page.getByLabel('Depth', { exact: true }).fill('2700');
  await page.getByRole('button', { name: 'Add the shaft' }).click();
  await untilSaved(page);

  const before = await downloadReport(page);
  expect(before.levels.map(({ name }) => name).join(' ')).toBe('B2 B1 00 01 02 03 04 05 06 07 08 09 10 11 12 RF PP');
  expect(before.crossings).toHaveLength(35);
  expect(before.columns).toHaveLength(35 * 15);
  expect(before.floors).toHaveLength(16);
  expect(before.shafts[0]!.cuts.map(({ level }) => level).join(' ')).toBe('B1 00 01 02 03 04 05 06 07 08 09 10 11 12');
  const gross = (39.6 + 0.6) * (28.8 + 0.6);
  for (const floor of before.floors) {
    const isCut = floor.level !== 'B2' && floor.level !== 'RF';
    expect(floor.holes).toBe(isCut ? 1 : 0);
    expect(floor.areaM2).toBeCloseTo(isCut ? gross - 2.4 * 2.7 : gross, 6);
  }
  expect(before.findings.map(({ rule }) => rule)).toEqual(['level.noFoundation']);

  await typeElevation(page, '01', '5.4m + 150');
  const after = await downloadReport(page);
  expect(withoutHash(after)).toEqual(raised(before, 150));
  expect(after.hash).not.toBe(before.hash);

  await page.getByRole('button', { name: /^Undo: Level 01 raised 150/ }).click();
  await expect(page.getByRole('button', { name: /^Elevation of level 01, \+5.400/ })).toBeVisible();
  expect(await downloadReport(page)).toEqual(before);

  await page.getByRole('button', { name: /^Redo/ }).click();
  await expect(page.getByRole('button', { name: /^Elevation of level 01, \+5.550/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Elevation of level 01, \+5.550/ })).toBeVisible();
  expect(await downloadReport(page)).toEqual(after);

  const ifc = await downloadText(page, 'Download IFC4');
  expect(ifc).toContain("FILE_SCHEMA(('IFC4'))");
  // PP is only a height, no storey.
  expect(ifc.match(/=IFCBUILDINGSTOREY\(/g)).toHaveLength(16);
  expect(ifc.match(/=IFCCOLUMN\(/g)).toHaveLength(35 * 15);
  expect(ifc.match(/=IFCSLAB\(/g)).toHaveLength(16);
  expect(ifc.match(/=IFCOPENINGELEMENT\(/g)).toHaveLength(14);
  expect(ifc.trim().endsWith('END-ISO-10303-21;')).toBe(true);
});

test('every view shows the raised level: strip, plan cut, 3D', async ({ page }) => {
  await enterByDoor(page, 'designer');
  await page.getByRole('link', { name: /Tidewater Yard/ }).click();
  await page.getByRole('button', { name: /^Level 02/ }).click();
  await expect(page.getByLabel('Current level')).toContainText('02 Gallery +10.200');
  await typeElevation(page, '02', '10.35m', 'only');
  await expect(page.getByLabel('Current level')).toContainText('+10.350');
  await expect(page.getByRole('button', { name: /^Height of storey 01, 4950/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Height of storey 02, 4650/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Elevation of level 03, \+15.000/ })).toBeVisible();
  await page.getByRole('tab', { name: '3D' }).click();
  await expect(page.locator('canvas')).toBeVisible();
  await untilSaved(page);
  await page.getByRole('button', { name: /^Undo: Level 02/ }).click();
  await expect(page.getByLabel('Current level')).toContainText('+10.200');
});
