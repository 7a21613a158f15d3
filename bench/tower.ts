import { plan } from '@/core/commands/commands';
import { EMPTY_FRAMEWORK, type Framework } from '@/core/model/framework';
import { derivedCommandId } from '@/core/model/ids';
import type { CommandInputs, CommandName } from '@/core/commands/command-inputs';
import type { OutlineInput } from '@/core/outlines/outline-input';

/** A tower of some storeys: 150 column stacks on a 15 × 10 grid, 15 shafts through all, and so many kinds of floor. */
export interface Tower {
  storeys: number;
  kinds: number;
  /** Bays of the grid each way; 14 and 9 where not said. */
  bays?: [number, number];
}

/** Runs a command that must succeed. */
export function run<Name extends CommandName>(framework: Framework, name: Name, input: CommandInputs[Name]): Framework {
  const planned = plan(framework, name, input, derivedCommandId('bench', name, JSON.stringify(input)));
  if (!planned.ok) throw new Error(`${name}: ${planned.refusal.message}`);
  return planned.value.after;
}

export const levelName = (storey: number): string => (storey === 0 ? 'G' : `L${storey}`);

/** Builds the tower by commands, as a person would. Floors of one kind share one outline; each kind has its own notch. */
export function makeTower({ storeys, kinds, bays = [14, 9] }: Tower): Framework {
  let tower = EMPTY_FRAMEWORK;
  const step = <Name extends CommandName>(name: Name, input: CommandInputs[Name]) => {
    tower = run(tower, name, input);
  };
  step('buildings.add', { name: 'Tower' });
  step('levels.setUp', {
    above: `${storeys}@3.6m`,
    names: { basement: 'B{n}', ground: 'G', upper: 'L{n}', roof: 'RF' },
  });
  step('grids.add', { baysA: `${bays[0]}@7200`, baysB: `${bays[1]}@7200` });
  for (let kind = 0; kind < kinds; kind += 1) {
    const at = Array.from({ length: storeys }, (_, i) => i)
      .filter((i) => i % kinds === kind)
      .map(levelName);
    step('floors.add', { name: `Floor ${kind}`, outline: notched(kind), levels: { at } });
  }
  step('columns.placeAtCrossings', {
    lines: 'all',
    section: { shape: 'rectangle', widthMm: 600, depthMm: 600 },
  });
  for (let i = 0; i < 15; i += 1) {
    step('shafts.add', {
      name: `S${i}`,
      outline: {
        type: 'rectangle',
        place: `${900 + (i % 5) * 21_600},${900 + Math.floor(i / 5) * 21_600}`,
        widthMm: 2400 + i * 20,
        depthMm: 2700,
        turnDeg: i % 3 === 0 ? 6.1 : 0,
      },
    });
  }
  return tower;
}

/** A slab edge of 40 corners: straight on three sides, toothed on the fourth, each kind a little deeper. */
function notched(kind: number): OutlineInput {
  const [width, depth] = [101_400, 65_400];
  const points = [
    { xMm: 0, yMm: 0 },
    { xMm: width, yMm: 0 },
  ];
  for (let tooth = 0; tooth < 19; tooth += 1) {
    const x = width - (tooth * width) / 19;
    const y = depth - (tooth % 2) * (300 + kind * 5);
    points.push({ xMm: x, yMm: y }, { xMm: x - width / 19, yMm: y });
  }
  return { type: 'polygon', place: '-300,-300', points };
}
