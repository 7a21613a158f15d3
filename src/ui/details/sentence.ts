import { sectionWords } from '@/core/columns/section-shape';
import { facet } from '@/core/kinds/kind';
import { called } from '@/core/kinds/records';
import { kindOf } from '@/core/kinds/registry';
import { heldLine } from '@/core/setting-out/held-line';
import type { Id } from '@/core/model/ids';
import { following } from '@/core/typical/typical';
import type { Framework } from '@/core/model/framework';
import type { Solved, SolvedLine } from '@/core/solving/solved';
import { formatArea, formatElevation, formatLength, type LengthDisplay } from '@/core/units/format-length';

export interface Said {
  title: string;
  sentence: string;
}

/** One sentence on a thing: what it is and where it runs. */
export function sayThing(framework: Framework, solved: Solved, id: Id, display: LengthDisplay): Said | null {
  const record = framework.records.get(id);
  const levelName = (level: Id | undefined) => solved.levels.find((candidate) => candidate.id === level)?.name ?? '?';
  const write = (mm: number) => formatLength(mm, display);
  const said = record && facet(kindOf(record).sentence);
  if (record && said) {
    const words = called(record);
    return { title: words.charAt(0).toUpperCase() + words.slice(1), sentence: said.of(record, solved, write) };
  }
  if (record?.kind === 'columnStack') {
    const pieces = solved.columns.filter(({ stack }) => stack === id);
    const [first, last] = [pieces[0], pieces.at(-1)];
    if (!first || !last) return { title: 'Column stack', sentence: 'It runs through no storey.' };
    const storeys = pieces.length === 1 ? 'one storey' : `${pieces.length} storeys`;
    return {
      title: `Column stack ${first.mark}`,
      sentence: `${sectionWords(first.section, write)} ${record.material}, from ${levelName(first.level)} up to the soffit above ${levelName(last.level)}: ${storeys}.`,
    };
  }
  if (record?.kind === 'shaft') {
    const shaft = solved.shafts.find((candidate) => candidate.shaft === id);
    if (!shaft) return { title: `Shaft ${record.name}`, sentence: 'Its outline cannot be worked out.' };
    const cuts = shaft.cuts.length === 1 ? 'one slab' : `${shaft.cuts.length} slabs`;
    const misses = shaft.misses.length > 0 ? `, misses ${shaft.misses.length}` : '';
    return {
      title: `Shaft ${record.name}`,
      sentence: `For ${record.purpose}, from ${levelName(record.startsAt.level)} to ${levelName(record.stopsAt.level)}; cuts ${cuts}${misses}.`,
    };
  }
  if (record?.kind === 'room') {
    const regions = solved.rooms.filter(({ room }) => room === id);
    const area = regions.reduce((sum, { netMm2 }) => sum + netMm2, 0);
    const where = regions.length === 1 ? `at level ${levelName(record.level)}` : `at ${regions.length} levels`;
    return {
      title: `Room ${record.number} ${record.name}`,
      sentence:
        regions.length === 0
          ? 'It lies in no closed region of walls.'
          : `For ${record.use}, ${where}; ${formatArea(area, display)} in all.`,
    };
  }
  if (record?.kind === 'wall') {
    const pieces = solved.walls.filter(({ wall }) => wall === id);
    const type = framework.records.get(record.type);
    const followed = pieces.some(({ level }) => following(framework).masterOf.get(level) === record.startsAt.level);
    const storeys = pieces.length === 1 ? 'one storey' : `${pieces.length} storeys`;
    return {
      title: `Wall ${record.name}`,
      sentence: `${type?.kind === 'wallType' ? type.name : 'Wall'}, ${record.use}, ${record.passesClearMm === null ? `in ${storeys}` : 'past the slabs'}, from ${levelName(record.startsAt.level)} to ${levelName(record.stopsAt.level)}${followed ? ', and at the levels that follow' : ''}.`,
    };
  }
  if (record?.kind === 'foundation') {
    const pieces = solved.foundations.filter(({ foundation }) => foundation === id);
    const volume = pieces.reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0) / 1e9;
    const what = record.form === 'raft' ? 'A raft' : `${pieces.length} ${record.form}`;
    return {
      title: `Foundation ${record.name}`,
      sentence: `${what} of ${record.material} under level ${levelName(record.top.level)}; ${volume.toFixed(1)} m³.`,
    };
  }
  if (record?.kind === 'ceiling') {
    const pieces = solved.ceilings.filter(({ ceiling }) => ceiling === id);
    const clear = [...new Set(pieces.map(({ clearMm }) => clearMm))].sort((a, b) => a - b);
    const levels = new Set(pieces.map(({ level }) => level)).size;
    const heights = clear.length > 1 ? `${write(clear[0]!)} to ${write(clear.at(-1)!)}` : write(clear[0] ?? 0);
    return {
      title: `Ceiling ${record.name}`,
      sentence:
        pieces.length === 0
          ? 'It hangs nowhere.'
          : `In ${pieces.length} ${pieces.length === 1 ? 'place' : 'places'} at ${levels} ${levels === 1 ? 'level' : 'levels'}; ${heights} clear under it.`,
    };
  }
  if (record?.kind === 'core') {
    return {
      title: `Core ${record.name}`,
      sentence: `${record.members.length} walls, shafts and stairs that are moved, copied and carried as one.`,
    };
  }
  if (record?.kind === 'boundaryLine')
    return {
      title: 'Boundary line',
      sentence: `Divides the rooms of level ${levelName(record.level)} without a wall.`,
    };
  if (record?.kind === 'roof') {
    const slab = solved.floors.find(({ plate }) => plate === id);
    const area = slab ? formatArea(solved.profiles[slab.profile]!.areaMm2, display) : 'no area';
    return {
      title: `Flat roof ${record.name}`,
      sentence: `At level ${levelName(record.level)} on ${record.walls.length === 1 ? 'one wall' : `${record.walls.length} walls`}, ${record.parapet ? 'with a parapet' : 'without a parapet'}; ${area}.`,
    };
  }
  if (record?.kind === 'stair') {
    const stair = solved.stairs.find((candidate) => candidate.stair === id);
    const climbed = stair?.storeys.filter(({ steps }) => steps).length ?? 0;
    const count = stair?.storeys.length ?? 0;
    return {
      title: `Stair ${record.name}`,
      sentence: `Half-turn, from ${levelName(record.startsAt.level)} to ${levelName(record.stopsAt.level)}; ${climbed === count ? `climbs ${count === 1 ? 'one storey' : `${count} storeys`}` : `climbs ${climbed} of ${count} storeys`}.`,
    };
  }
  if (record?.kind === 'floorPlate') {
    const pieces = solved.floors.filter(({ plate }) => plate === id);
    const area = pieces.reduce((sum, piece) => sum + solved.profiles[piece.profile]!.areaMm2, 0);
    return {
      title: `Floor plate ${record.name}`,
      sentence: `Hung from SSL at ${new Set(pieces.map(({ level }) => level)).size} levels, ${levelName(pieces[0]?.level)} to ${levelName(pieces.at(-1)?.level)}; ${formatArea(area, display)} in all.`,
    };
  }
  if (record?.kind === 'gridLine') {
    const line = solved.lines.find((candidate) => candidate.id === id);
    if (!line) return null;
    const label = line.label ?? 'without a label';
    return {
      title: `Grid line ${label}`,
      sentence: lineSentence(line, write),
    };
  }
  if (record?.kind === 'settingOutLine') {
    const shown = solved.settingOut.find((line) => line.id === id);
    const source = shown?.from ?? `line ${heldLine(framework, record.source)?.label ?? 'without a label'}`;
    const offset = shown?.offsetMm ?? 0;
    return {
      title: `Setting-out line ${record.name}`,
      sentence: `${write(Math.abs(offset))} from ${source}, which it follows.`,
    };
  }
  if (record?.kind === 'level') {
    const level = solved.levels.find((candidate) => candidate.id === id);
    if (!level) return null;
    const storey = level.storeyHeightMm === null ? '' : `, ${write(level.storeyHeightMm)} to the next level`;
    return {
      title: `Level ${level.name}${level.title ? ` ${level.title}` : ''}`,
      sentence: `FFL ${formatElevation(level.fflMm, display)}${storey}.`,
    };
  }
  return null;
}

function lineSentence(line: SolvedLine, write: (mm: number) => string): string {
  const minor = line.minor ? 'A minor line, ' : '';
  const part = line.side === 'both' ? '' : ', stopping part way';
  if (line.shape === 'free')
    return `${minor}${line.curve.kind === 'arc' ? 'a free arc' : 'a free line'}${line.curve.kind === 'arc' ? ` of radius ${write(line.curve.radiusMm)}` : ''}.`;
  if (line.offsetDeg !== null) return `${minor}${line.offsetDeg}° from the first ray.`;
  if (line.curve.kind === 'arc') return `${minor}a ring of radius ${write(line.offsetMm)}.`;
  return `${minor}${write(line.offsetMm)} from the first line of its direction${part}.`;
}
