import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { settingOutPlan } from '@/core/drawing/setting-out-plan';
import { levelSchedule } from '@/core/schedules/level-schedule';
import { solve } from '@/core/solving/solve';
import { FURNISHED, given, levelId } from '@/core/testing/given';
import { makeExport } from '@/formats/handing-over/make-export';
import { writePdf } from '@/formats/pdf/write';
import { writeTableXlsx } from '@/formats/xlsx/write-table';
import { damaged, unzipped, zipped } from './damage';

/** One format: a sound file of it, where it is brought to, and how it is damaged. */
export interface Format {
  name: string;
  route: string;
  sound: Buffer;
  damage: (random: () => number) => Buffer;
}

/** A small building with a grid and columns: files of every format are made of it. */
const TOWER = given(FURNISHED);
const AT = '2026-01-01T00:00:00.000Z';

const raw = (name: string, route: string, sound: Buffer): Format => ({
  name,
  route,
  sound,
  damage: (random) => damaged(sound, random),
});

async function pdf(): Promise<Buffer> {
  const solved = solve(TOWER);
  const plan = settingOutPlan(solved, 'House', {
    level: levelId(TOWER, '01'),
    scale: 200,
    writeLength: String,
    writeElevation: String,
  });
  return Buffer.from(await writePdf(plan!, new Date(AT)));
}

const picture = () => {
  const pixels = Buffer.from(Array.from({ length: 120 * 80 * 3 }, (_, i) => (i * 37) % 251));
  return sharp(pixels, { raw: { width: 120, height: 80, channels: 3 } });
};

const PRESETS = JSON.stringify({
  format: 'spine-bay-presets',
  version: 1,
  presets: ['Short', 'Long'].map((name) => ({
    name,
    baysA: [7200, 7200, 3600],
    baysB: [6600],
    farBaysA: null,
    farBaysB: null,
    waysOf: { a: 1, b: -1 },
    labelsA: { first: '1', skip: '', prefix: '', suffix: '', descending: false },
    labelsB: { first: 'A', skip: 'I O', prefix: '', suffix: '', descending: false },
  })),
});

/** Every format that is read from others. */
export async function formats(): Promise<Format[]> {
  const solved = solve(TOWER);
  const xlsx = Buffer.from(await writeTableXlsx(levelSchedule(solved, solved.buildings[0]!.id)));
  const inside = unzipped(xlsx);
  const names = [...inside.keys()].filter((name) => name.endsWith('.xml'));
  const ifc = await makeExport(TOWER, { what: 'ifc', at: AT });
  if (!ifc.ok) throw new Error(ifc.refusal.message);
  return [
    raw('DXF', 'drawings?name=a.dxf', readFileSync('e2e/fixtures/structure-columns-site-m.dxf')),
    {
      name: 'XLSX',
      route: 'levels?name=a.xlsx',
      sound: xlsx,
      // Half of them inside, where the archive itself is sound.
      damage: (random) => {
        if (random() < 0.5) return damaged(xlsx, random);
        const name = names[Math.floor(random() * names.length)]!;
        return zipped(new Map(inside).set(name, damaged(inside.get(name)!, random)));
      },
    },
    raw('CSV', 'levels?name=a.csv', readFileSync('e2e/fixtures/levels.csv')),
    raw('IFC', 'levels?name=a.ifc', Buffer.from(ifc.value.bytes)),
    raw('PDF', 'underlays?name=a.pdf', await pdf()),
    raw('PNG', 'underlays?name=a.png', await picture().png().toBuffer()),
    raw('JPEG', 'underlays?name=a.jpg', await picture().jpeg().toBuffer()),
    raw('JSON', 'presets?name=a.json', Buffer.from(PRESETS)),
  ];
}

/** A file made to do harm. */
export interface Bomb {
  name: string;
  route: string;
  bytes: Buffer;
}

const png = (width: number, height: number): Buffer => {
  const head = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');
  const size = Buffer.alloc(8);
  size.writeUInt32BE(width, 0);
  size.writeUInt32BE(height, 4);
  return Buffer.concat([head, size, Buffer.from('08060000000000000000000049454e44ae426082', 'hex')]);
};

/** Blocks that place the one before ten times each: ten to the depth copies of one line. */
function nestedBlocks(depth: number): Buffer {
  const lines: (string | number)[] = [0, 'SECTION', 2, 'BLOCKS'];
  lines.push(0, 'BLOCK', 2, 'B0', 10, 0, 20, 0, 0, 'LINE', 8, '0', 10, 0, 20, 0, 11, 1, 21, 1, 0, 'ENDBLK');
  for (let i = 1; i <= depth; i += 1) {
    lines.push(0, 'BLOCK', 2, `B${i}`, 10, 0, 20, 0);
    for (let j = 0; j < 10; j += 1) lines.push(0, 'INSERT', 8, '0', 2, `B${i - 1}`, 10, j, 20, i);
    lines.push(0, 'ENDBLK');
  }
  lines.push(0, 'ENDSEC', 0, 'SECTION', 2, 'ENTITIES', 0, 'INSERT', 8, '0', 2, `B${depth}`, 10, 0, 20, 0);
  lines.push(0, 'ENDSEC', 0, 'EOF', '');
  return Buffer.from(lines.join('\n'));
}

/** A drawing whose one insertion stands in rows and columns without end. */
const manyPlaces = (): Buffer =>
  Buffer.from(
    [
      ...[0, 'SECTION', 2, 'BLOCKS', 0, 'BLOCK', 2, 'B', 10, 0, 20, 0, 0, 'LINE', 8, '0', 10, 0, 20, 0, 11, 1, 21, 1],
      ...[0, 'ENDBLK', 0, 'ENDSEC', 0, 'SECTION', 2, 'ENTITIES', 0, 'INSERT', 8, '0', 2, 'B', 10, 0, 20, 0],
      ...[70, 30_000, 71, 30_000, 44, 1, 45, 1, 0, 'ENDSEC', 0, 'EOF', ''],
    ].join('\n'),
  );

const workbook = (inside: ReadonlyMap<string, Buffer>, sheet: string): Buffer => {
  const name = [...inside.keys()].find((each) => /worksheets\/sheet1\.xml$/.test(each))!;
  return zipped(new Map(inside).set(name, Buffer.from(sheet)));
};

const rows = (xml: string): string =>
  `<?xml version="1.0"?><worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>${xml}</sheetData></worksheet>`;

/** Small files that ask for a great deal of memory or time. */
export async function bombs(all: Format[]): Promise<Bomb[]> {
  const inside = unzipped(all.find(({ name }) => name === 'XLSX')!.sound);
  const entities = Array.from({ length: 12 }, (_, i) =>
    i === 0 ? '<!ENTITY e0 "laugh">' : `<!ENTITY e${i} "${`&e${i - 1};`.repeat(10)}">`,
  ).join('');
  const levels = 'levels?name=a.xlsx';
  const flate = zipped(new Map([['p', Buffer.alloc(300_000_000, 32)]]));
  const stream = flate.subarray(31, flate.length - 22 - 46 - 1);
  return [
    { name: 'workbook of 300 MB in 300 kB', route: levels, bytes: workbook(inside, rows(' '.repeat(300_000_000))) },
    {
      name: 'workbook with a cell in the last row and column',
      route: levels,
      bytes: workbook(inside, rows('<row r="1048576"><c r="XFD1048576"><v>1</v></c></row>')),
    },
    {
      name: 'workbook of texts made of texts',
      route: levels,
      bytes: workbook(
        inside,
        rows('<row r="1"><c r="A1" t="inlineStr"><is><t>&e11;</t></is></c></row>').replace(
          '?>',
          `?><!DOCTYPE w [${entities}]>`,
        ),
      ),
    },
    { name: 'drawing of ten million copies', route: 'drawings?name=a.dxf', bytes: nestedBlocks(7) },
    { name: 'drawing of a block in itself', route: 'drawings?name=a.dxf', bytes: selfBlock() },
    { name: 'drawing of 900 million places', route: 'drawings?name=a.dxf', bytes: manyPlaces() },
    {
      name: 'IFC of brackets that never close',
      route: 'levels?name=a.ifc',
      bytes: Buffer.from(`ISO-10303-21;\nDATA;\n#1=IFCBUILDINGSTOREY(${"('a',".repeat(250)}`),
    },
    {
      name: 'IFC of one text that never ends',
      route: 'levels?name=a.ifc',
      bytes: Buffer.from(`ISO-10303-21;\nDATA;\n#1=IFCBUILDINGSTOREY('${"''".repeat(4_000_000)}`),
    },
    { name: 'picture of 3.6 thousand million pixels', route: 'underlays?name=a.png', bytes: png(60_000, 60_000) },
    { name: 'picture wider than any', route: 'underlays?name=a.png', bytes: png(2 ** 31 - 1, 1) },
    { name: 'PDF of 300 MB in 300 kB', route: 'underlays?name=a.pdf', bytes: pdfOf(stream, '[0 0 600 400]') },
    {
      name: 'PDF page of a square kilometre',
      route: 'underlays?name=a.pdf',
      bytes: pdfOf(Buffer.alloc(0), '[0 0 2834645 2834645]'),
    },
    { name: 'table of one line of 30 MB', route: 'levels?name=a.csv', bytes: Buffer.alloc(30_000_000, 'a,') },
    { name: 'table of quotes', route: 'levels?name=a.csv', bytes: Buffer.alloc(4_000_000, '"') },
    { name: 'JSON a million deep', route: 'presets?name=a.json', bytes: Buffer.alloc(1_000_000, '[') },
  ];
}

const selfBlock = (): Buffer =>
  Buffer.from(
    [
      ...[0, 'SECTION', 2, 'BLOCKS', 0, 'BLOCK', 2, 'B', 10, 0, 20, 0, 0, 'INSERT', 8, '0', 2, 'B', 10, 1, 20, 1],
      ...[0, 'ENDBLK', 0, 'ENDSEC', 0, 'SECTION', 2, 'ENTITIES', 0, 'INSERT', 8, '0', 2, 'B', 10, 0, 20, 0],
      ...[0, 'ENDSEC', 0, 'EOF', ''],
    ].join('\n'),
  );

/** A PDF of one page with a packed stream as its contents. */
function pdfOf(packed: Buffer, box: string): Buffer {
  const contents = packed.length
    ? `4 0 obj\n<< /Length ${packed.length} /Filter /FlateDecode >>\nstream\n`
    : '4 0 obj\n<< /Length 0 >>\nstream\n';
  return Buffer.concat([
    Buffer.from(
      `%PDF-1.4\n1 0 obj\n<< /Type /Catalog /Pages 2 0 R >>\nendobj\n2 0 obj\n<< /Type /Pages /Kids [3 0 R] /Count 1 >>\nendobj\n3 0 obj\n<< /Type /Page /Parent 2 0 R /MediaBox ${box} /Contents 4 0 R >>\nendobj\n${contents}`,
      'latin1',
    ),
    packed,
    Buffer.from('\nendstream\nendobj\ntrailer\n<< /Root 1 0 R /Size 5 >>\n%%EOF\n', 'latin1'),
  ]);
}
