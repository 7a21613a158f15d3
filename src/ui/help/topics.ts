import type { Step, Tab } from '../session/project';

/** A page of help: what it is about, in the designer's words, and where it is opened by itself. */
export interface Topic {
  title: string;
  /** Words it is found by, beside its own. */
  words: string;
  text: readonly string[];
  step?: Step;
  tab?: Tab;
}

/** Pages of help, in the order of the job. */
export const TOPICS: readonly Topic[] = [
  {
    title: 'Levels',
    words: 'storey height ffl ssl build-up elevation insert push basement roof parapet datum mezzanine',
    step: 'levels',
    text: [
      'A level is a height of the building: its FFL is the finished floor one walks on, its SSL the top of the structural slab under it. The build-up lies between the two.',
      'Type a height in the strip, or drag a level by its handle. A level that moves pushes what is beyond it, or moves alone: choose that over the strip. Everything that stands between levels follows.',
      'The + between two levels inserts one. What runs through goes on running through; what is only in one storey is asked about.',
      'A datum is a height without a storey, like the top of a parapet. A mezzanine is a level of a part of the plan.',
    ],
  },
  {
    title: 'Typical floors',
    words: 'typical master follow repeat alike copy storeys',
    step: 'levels',
    text: [
      'Levels may follow one master: its walls, rooms and floors stand at each of them as they are there. What a level has of its own stays its own.',
      'In Details of the master, Let levels follow it. Change the master, and all that follow are changed.',
    ],
  },
  {
    title: 'Grids',
    words: 'axis axes lines bays label bubble radial arc split skew',
    step: 'grids',
    text: [
      'Type the bays of both directions: 2@7200 3600 3@7200. Labels run by themselves; I and O are left out unless asked for.',
      'A chosen line is moved, relabelled, split, bent or ended at levels in Details; a line dragged in the plan moves across itself.',
      'Setting-out lines lie at a distance from grid lines, edges or faces, for faces of columns and walls to be held to.',
    ],
  },
  {
    title: 'Columns',
    words: 'column stack pillar section steel head thickening flush mark',
    step: 'columns',
    text: [
      'A column is one thing through all its storeys. Place columns at crossings of lines, in a window, along a line, or one by one: each press is one.',
      'It may be thinner from a level up, left out in a storey, turned or shifted there: Details, Differs by level. A face may be held to a line.',
    ],
  },
  {
    title: 'Shafts',
    words: 'lift elevator riser duct void atrium opening hole slab core',
    step: 'shafts',
    text: [
      'A shaft is drawn once and cuts every slab between its ends; what is not to be cut is said at that level.',
      'Stairs, shafts and walls chosen together make a core, which is carried and copied as one.',
      'The tool Core takes an outline and what it is to hold, shows the arrangements that work on every storey, and builds one.',
      'A lift shaft says in Details where its lift stops, its doors, pit and overrun; what its shaft lacks is found.',
    ],
  },
  {
    title: 'Stairs',
    words: 'stair flight landing riser going tread pitch headroom well',
    step: 'stairs',
    text: [
      'Choose a form and give a well, its corners, or a corner where it begins, and the floors it serves. Every storey is solved by itself: steps, risers, going, landings, the openings over it. What does not fit says by how much.',
      'The other ways to climb a storey stand in Details with their numbers; one is taken by a press, for that storey. Which form would fit is asked of all of them.',
      'When a level moves the stair is solved again, and the history says what changed.',
    ],
  },
  {
    title: 'Ramps, sloped floors and guards',
    words: 'ramp slope incline apron threshold fall crossfall guard handrail railing balustrade drop edge post gate',
    step: 'stairs',
    text: [
      'A ramp goes from one level to another, to a height over it, or across to a level of another building, as steep as its rule set lets it and with its landings. A slope is typed as 1:12, 8 % or 4.8°.',
      'A sloped floor has corners with heights. Its faces tell their slope and the way they fall; Make it comply is the least that will do in a direction.',
      'A guard along open edges follows slabs, walls, shafts and stairs; where one walks stays free. A drop without one is found where a storey has its facade, and guarded by a press.',
    ],
  },
  {
    title: 'Ways out',
    words: 'escape egress exit travel distance dead end fire people width stair storey rule set',
    step: 'stairs',
    text: [
      'For each level: the stairs that reach it and where they lead, people and the width they need, and how far one walks from the farthest place of each room. The ways of the level shown are drawn in the plan.',
      'A level has a way out if it is nearest to the building’s zero, or where its Details say so.',
      'Limits stand in the rule set of the project. A rule set is copied and changed limit by limit, each with where it comes from.',
    ],
  },
  {
    title: 'Floors and roofs',
    words:
      'slab plate raft pad strip foundation beam downstand roof flat pitched gable hip ridge eaves overhang valley mansard dormer skylight falls outlet gutter parapet void zone step wet setback terrace',
    step: 'floors',
    text: [
      'A floor plate serves levels, drawn by itself, after the grid, or after walls. It differs at a level where that is said: a setback, a void, a thickness.',
      'A zone is a part of a floor at another height, with its own build-up. Beams hang under slabs and count for headroom.',
      'Foundations: a raft, pads under columns, strips under walls. A flat roof lies on walls, with its parapet.',
      'A pitched roof stands on the exterior walls or an outline. Each edge slopes as the roof does or as it is told, is a gable, or lies against a higher wall; slopes are typed as 40°, 1:1.5 or 60 %. The ridge may be held instead. The walls under it are let end at it by a press: gables, partitions, windows in them.',
      'Roofs that run into one another meet in valleys. Dormers and roof windows are pressed on a roof in the plan. A wall goes over a roof by what is typed where it stops; party walls do by themselves.',
      'A flat roof or terrace is laid to falls: press outlets in the plan, or choose edges, with gutters. Where water has no way out, or a parapet is too low over it, is found.',
    ],
  },
  {
    title: 'Walls, doors and windows',
    words: 'wall door window opening partition facade glazed curtain type layers party ceiling room',
    step: 'walls',
    text: [
      'Press corners in the plan, or type the path. Which face lies on the path is said; the layers stand on the side of the outside.',
      'A wall stands in the storeys between its ends, from the structural floor to the underside over it. Ends that meet another wall are joined.',
      'Doors & windows: hover over a wall and press, or type the distance from the nearer corner. F hangs a door on its other side, S opens it the other way.',
      'Of a chosen wall the diamonds slide its doors and windows, Split cuts it where it is pressed, and the list of acts gives it those of the level below.',
      'Rooms are the regions walls close; a place in one names it. Ceilings hang in rooms at a height.',
    ],
  },
  {
    title: 'Checks',
    words: 'finding error warning fix problem clash clear height wrong look',
    step: 'checks',
    text: [
      'A finding says what is wrong, where, and what to do; many have fixes of one press. It goes when it is mended, and comes back when it is not.',
    ],
  },
  {
    title: 'Hand over',
    words: 'export import ifc dxf pdf csv print sheet download file share consultant',
    step: 'issue',
    text: [
      'Take away IFC, DXF, PDF sheets, tables and the framework file; bring in grids, columns, levels and underlays. Lengths are in the units of the file, said before anything is taken.',
    ],
  },
  {
    title: 'Plan',
    words: 'draw snap hold direction length angle corner drag pan zoom window choose',
    tab: 'plan',
    text: [
      'Type a digit and the length opens at the pointer; Tab goes to the direction. An arrow key holds a direction, H the present one, N goes to the next place in reach, Shift holds snaps off.',
      'Press a thing to choose it, again for what lies beneath; Shift and drag chooses by a window. The bar over it has the acts used most, the right button all of them.',
      'Beside what is chosen stands how far it is from its neighbours: press a figure and type another.',
    ],
  },
  {
    title: 'Section and elevation',
    words: 'section elevation cut height mark drag end sill',
    tab: 'section',
    text: [
      'Along a grid line, a setting-out line or a line drawn in the plan, or from a side. Choose something, and drag its foot, its top, a sill or a level up and down.',
      'A level is typed anew where it stands; marks and heads are dragged to places of their own.',
    ],
  },
  {
    title: '3D',
    words: 'three dimensions space model orbit eye perspective parallel view rose crop',
    tab: 'model',
    text: [
      'Drag to turn, with the right button to move, with the wheel to come nearer. The rose looks from a side or from above; Chosen turns about what is chosen.',
      'What is shown leaves kinds, buildings and levels out, or crops to a window.',
    ],
  },
  {
    title: 'Carry board',
    words: 'carry copy up building storeys board bar exception',
    tab: 'board',
    text: [
      'Levels against everything that runs through them. Drag the end of a bar to carry it further; press a place on it for what can differ there. Carry storey takes all of one storey to others.',
    ],
  },
  {
    title: 'Schedules',
    words: 'table list quantities areas volumes numbers schedule',
    tab: 'schedules',
    text: [
      'Tables of levels, columns, stairs, rooms and quantities; many are typed in. The level table is taken away as CSV or XLSX, every number with the report, at Hand over.',
    ],
  },
  {
    title: 'Lengths and places',
    words: 'units feet inches metric imperial length type dimension named formula place crossing',
    text: [
      "A length is typed as one writes it: 4500, 4.5m, 14'9 1/2, 3.45m-325, or with a named dimension: typical - 300. A bare number is in millimetres, or in feet where feet are shown.",
      'A place is a crossing (C-4), a crossing and a shift (C-4 + 1200,300), a point (7200,6600), or distances from two lines (600 from C, 1200 from 4).',
    ],
  },
  {
    title: 'Saving, undoing, working together',
    words: 'save undo redo history people roles together offline conflict',
    text: [
      'Everything is saved as it is done; what could not be sent yet is kept in this browser and said at the top. Undo takes back your own last change, also after others have worked on.',
      'History lists every change with who made it. Others who have the project open are seen in the views.',
    ],
  },
];

/** Keys and what they do. */
export const KEYS: readonly (readonly [keys: string, does: string])[] = [
  ['Ctrl K', 'type a command, or find a tool by any word'],
  ['Page up, Page down', 'the level above, below'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['Delete', 'delete what is chosen'],
  ['Esc', 'one step back'],
  ['Shift and press, Shift and drag', 'choose more, choose by a window'],
  ['Arrows, Shift and arrows', 'nudge what is chosen'],
  ['Ctrl C, Ctrl X, Ctrl V', 'take along, take away, put in elsewhere'],
  ['Shift F10, menu key', 'all that can be done with what is chosen'],
  ['while drawing: a digit', 'the length; Tab goes to the direction or the second size'],
  ['while drawing: arrows, H', 'hold a direction'],
  ['while drawing: N, Shift', 'the next place in reach; no snaps'],
  ['while drawing: Backspace, Enter', 'a corner back; make it'],
  ['?', 'this help'],
];

/** Pages in which every word typed is found, best first: those it is in the title of. */
export function topicsFor(line: string): Topic[] {
  const words = line.toLowerCase().split(/\s+/).filter(Boolean);
  const score = ({ title, words: more, text }: Topic): number => {
    const own = title.toLowerCase();
    const all = `${own} ${more} ${text.join(' ').toLowerCase()}`;
    if (!words.every((word) => all.includes(word))) return -1;
    return words.reduce((sum, word) => sum + (own.includes(word) ? 4 : more.includes(word) ? 2 : 1), 0);
  };
  return TOPICS.map((topic) => ({ topic, score: score(topic) }))
    .filter((each) => each.score >= 0)
    .sort((a, b) => b.score - a.score)
    .map(({ topic }) => topic);
}

/** The page for what one is doing: the tool that is open, else the view. */
export const topicAt = (step: Step | null, tab: Tab): Topic =>
  TOPICS.find((topic) => step !== null && topic.step === step) ??
  TOPICS.find((topic) => topic.tab === tab) ??
  TOPICS[0]!;
