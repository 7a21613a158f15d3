/** A change that makes the program wrong, and tests of which one at least must notice it. */
export interface Mutant {
  name: string;
  file: string;
  find: string;
  put: string;
  tests: readonly string[];
}

const passes = 'src/core/passes/graph.test.ts';
const solving = 'src/core/solving/solve.test.ts';
const delta = 'src/core/solving/solved-delta.test.ts';
const beams = 'src/core/beams/beams.test.ts';
const checks = ['src/core/checks/checks.test.ts', 'src/core/checks/fixes.test.ts'];
const walls = 'src/core/walls/walls.test.ts';
const ceilings = 'src/core/ceilings/ceilings.test.ts';
const rooms = 'src/core/rooms/rooms.test.ts';
const stairs = 'src/core/stairs/stairs.test.ts';
const floors = [
  'src/core/floors/floors.test.ts',
  'src/core/floors/zones.test.ts',
  'src/core/floors/exceptions.test.ts',
];
const carrying = 'src/core/carrying/carrying.test.ts';
const consequences = 'src/core/carrying/consequences.test.ts';
const opened = 'src/core/drawing/opened-at.test.ts';
const drawing = 'src/core/drawing/drawing.test.ts';
const space = 'src/core/space/space.test.ts';
const spaceLaws = 'src/core/space/laws.test.ts';
const footing = 'src/core/checks/footing.test.ts';
const underRoofs = 'src/core/pitched-roofs/under-roofs.test.ts';

const mutant = (name: string, file: string, find: string, put: string, ...tests: string[]): Mutant => ({
  name,
  file: `src/core/${file}`,
  find,
  put,
  tests,
});

/** One at a time: a dependency that is not traced, a check or rule that is gone, a limit that is off, a thing left out of a view. */
export const MUTANTS: readonly Mutant[] = [
  // What passes read.
  mutant('results of passes are not traced', 'passes/graph.ts', 'this.running?.note(node);', '', passes),
  mutant(
    'an equal result is a new object',
    'passes/reuse.ts',
    'return isSame && fields === 0 ? before : (made ?? after);',
    'return made ?? after;',
    'src/core/passes/reuse.test.ts',
    passes,
  ),
  mutant(
    'what is gathered is always the same',
    'passes/reuse.ts',
    'after.every((each, i) => each === before[i])',
    'true',
    'src/core/passes/reuse.test.ts',
    solving,
  ),
  mutant(
    'a removed record is not told',
    'passes/graph.ts',
    'if (!framework.records.has(id)) note(id, was.kind, null);',
    '',
    passes,
    solving,
  ),
  mutant(
    'a failure is told for ever',
    'passes/graph.ts',
    '      this.failed.delete(node);\n    }\n    node.end',
    '    }\n    node.end',
    passes,
  ),
  mutant('nothing is forgotten', 'passes/graph.ts', 'this.nodes.get(node.group)?.delete(node.key);', '', passes),
  mutant('profiles in use are never let go', 'passes/profiles.ts', 'else this.uses.delete(key);', '', solving),
  mutant(
    'storeys alike whatever stands in them',
    'walls/wall-passes.ts',
    '      cx.get(band, key).map(runOf).join(),\n',
    '',
    solving,
    walls,
  ),
  mutant(
    'storeys alike whatever opens in them',
    'walls/wall-passes.ts',
    "      own.map(({ open }) => open).join(''),\n",
    '',
    solving,
    walls,
  ),
  mutant(
    'closed regions whatever columns stand in them',
    'rooms/room-passes.ts',
    '[cutStripsPass, boundariesPass, columnRingsPass, shaftRingsPass]',
    '[cutStripsPass, boundariesPass, shaftRingsPass]',
    solving,
    rooms,
  ),
  mutant(
    'ceilings whatever holes are over them',
    'ceilings/ceiling-passes.ts',
    '    cx.get(holesAtPass, keyOf(building, storey.above.id)).map(number).join(),\n',
    '',
    solving,
    ceilings,
  ),
  mutant(
    'a piece keeps its height in another place',
    'solving/placed.ts',
    'if (before?.zeroMm === zeroMm) return before.placed;',
    'if (before) return before.placed;',
    solving,
    delta,
  ),
  mutant(
    'headroom whatever hangs over it',
    'stairs/headroom.ts',
    "    above.map(surfaceText).join('|'),\n",
    '',
    stairs,
    solving,
  ),
  mutant(
    'the space of a storey whatever reaches into it',
    'space/space-passes.ts',
    '    textOf(cx.get(reachingPartsPass, key)),\n',
    '',
    space,
    spaceLaws,
    solving,
  ),
  mutant(
    'what stands on a floor reaches nowhere else',
    'space/in-storey-passes.ts',
    'found[i]!.push([id, quantiseMm(fflMm - storeys[i]!.fflMm)]);',
    'if (storeys[i]!.id === id) found[i]!.push([id, 0]);',
    space,
    spaceLaws,
    footing,
    'src/core/checks/free-slabs.test.ts',
    ...checks,
  ),
  mutant(
    'walls stand on the same whatever is under them',
    'checks/footing-passes.ts',
    '    reaching.map((each) => textOf(each, isOwn(each))).join(),\n',
    '',
    footing,
  ),
  mutant(
    'walls that go down past a slab stand on the same whatever is below',
    'checks/footing-passes.ts',
    '    below.map((each) => textOf(each, isOwn(each))).join(),\n',
    '',
    footing,
  ),
  mutant(
    'a wall of another building is its own',
    'walls/walls-standing.ts',
    'if (own?.building === building) return',
    'if (own) return',
    'src/core/walls/party-walls.test.ts',
    walls,
  ),
  mutant(
    'columns stay where levels go up',
    'columns/column-passes.ts',
    'topMm: quantiseMm(piece.topMm + fflMm),',
    'topMm: piece.topMm,',
    solving,
    'src/core/columns/columns.test.ts',
  ),
  mutant(
    'a list that grows is put in at its end',
    'solving/solved-delta.ts',
    'return [...list.slice(0, delta.from), ...delta.put, ...list.slice(delta.from + delta.drop)];',
    'return [...list.slice(0, delta.from), ...list.slice(delta.from + delta.drop), ...delta.put];',
    delta,
  ),
  // Roofs.
  mutant(
    'stairs do not open roofs',
    'pitched-roofs/roof-holes.ts',
    '    ...stairs.filter((stair) => goesOut(stair, faces)).map(({ ring }) => ring),\n',
    '',
    underRoofs,
  ),
  mutant(
    'a stair that goes out has the roof over it',
    'stairs/headroom-passes.ts',
    'isOwn && goesOut(solved, slants)',
    'false',
    underRoofs,
  ),
  mutant(
    'bays rise out of the eaves',
    'pitched-roofs/bays.ts',
    'footMm: at(i), rises: 1',
    'footMm: fromMm, rises: 1',
    'src/core/pitched-roofs/bays.test.ts',
  ),
  mutant(
    'a roof in section has no layers',
    'pitched-roofs/pitched-roofs-drawn.ts',
    ', ...layersCut(solved, at)]',
    ']',
    'src/core/pitched-roofs/roofs-in-section.test.ts',
  ),
  // Checks and rules.
  mutant('columns in shafts are not found', 'checks/check-passes.ts', '  columnsInShafts,\n', '', ...checks, solving),
  mutant('columns off slabs are not found', 'checks/check-passes.ts', '  columnsOnSlabs,\n', '', ...checks, solving),
  mutant('ends of columns are not looked at', 'checks/check-passes.ts', '  columnEnds,\n', '', ...checks),
  mutant('columns in doors and stairs are not found', 'checks/check-passes.ts', '  columnsInTheWay,\n', '', ...checks),
  mutant('shafts in shafts are not found', 'checks/check-passes.ts', '  shaftPairs,\n', '', ...checks),
  mutant('what stands round shafts is not looked at', 'checks/check-passes.ts', '  shaftsAround,\n', '', ...checks),
  mutant('floors are not looked at', 'checks/check-passes.ts', '  floors,\n', '', ...checks),
  mutant('levels are not looked at', 'checks/check-passes.ts', '  levels,\n', '', ...checks),
  mutant(
    'roofs are not looked at',
    'checks/check-passes.ts',
    '  roofs,\n',
    '',
    ...checks,
    'src/core/roofs/roofs.test.ts',
  ),
  mutant('walls are not looked at', 'checks/check-passes.ts', '  ...WALL_CHECKS,\n', '', ...checks),
  mutant(
    'a gap is one where another wall closes it',
    'checks/gap-passes.ts',
    '        if (touching.some(isBeside)) return [];\n',
    '',
    'src/core/checks/wall-gaps.test.ts',
    ...checks,
  ),
  mutant(
    'a gap is one in storeys that the other wall is not in',
    'checks/gap-passes.ts',
    'gaps.find(({ other }) => isBeside(other))',
    'gaps[0]',
    'src/core/checks/wall-gaps.test.ts',
    ...checks,
  ),
  mutant(
    'a façade goes up where another begins',
    'walls/wall-pieces.ts',
    'toSoffit || isLow(each) || !runsThrough',
    'toSoffit || !runsThrough',
    'src/core/walls/walls-apart.test.ts',
  ),
  mutant(
    'no wall goes past its levels',
    'walls/wall-squares.ts',
    'goesOn || other.goesOn || shareStorey',
    'shareStorey',
    'src/core/walls/party-walls.test.ts',
    walls,
  ),
  mutant(
    'a wall keeps where it stands though what it is lifted by changed',
    'walls/wall-storeys.ts',
    'before?.fromMm !== fromMm || before.toMm !== toMm',
    '!before',
    'src/core/walls/walls-apart.test.ts',
  ),
  mutant(
    'slabs that stop short of walls are not found',
    'checks/check-walls.ts',
    'return byMm <= 0 || byMm > SLAB_GAP_MM ?',
    'return byMm > 0 ?',
    ...checks,
  ),
  mutant('ceilings are not looked at', 'checks/check-passes.ts', '  ceilings,\n];', '];', ceilings),
  mutant(
    'clear heights are not looked at',
    'checks/check-passes.ts',
    '  clearHeights,\n',
    '',
    'src/core/levels/height-budget.test.ts',
    ...checks,
  ),
  mutant('clear widths are not looked at', 'checks/wall-check-passes.ts', ', clearWidths];', '];', ...checks, walls),
  mutant(
    'clear widths are held against what was',
    'checks/check-walls.ts',
    'if (Math.abs(off) < 0.5) return [];',
    'if (Math.abs(off) < 500) return [];',
    ...checks,
    walls,
  ),
  mutant('core walls may be barred', 'checks/wall-check-passes.ts', ' barred,', '', ...checks),
  mutant('walls may end short of slabs', 'checks/wall-check-passes.ts', '[tops, ', '[', ...checks, ceilings),
  mutant('gaps beside walls are not found', 'checks/wall-check-passes.ts', ' gapsToSlabs,', '', ...checks),
  mutant(
    'gaps in loops are not found',
    'solving/solved-pass.ts',
    '  ...cx.get(gapFindingsPass, building),\n',
    '',
    ...checks,
    walls,
  ),
  mutant(
    'a hair off a crossing is not found',
    'checks/check-column-places.ts',
    ', ...offCrossing(own, given)',
    '',
    ...checks,
  ),
  mutant(
    'a shaft is closed by nothing',
    'checks/check-shafts.ts',
    'return { closed: places.filter(isClosed).length / places.length,',
    'return { closed: 1,',
    ...checks,
  ),
  mutant(
    'storeys without a stair are not found',
    'stairs/stair-passes.ts',
    '    ...checkStoreysReached(cx.get(stairsPass, building), storeysOf(cx, building)),\n',
    '',
    ...checks,
    stairs,
  ),
  mutant(
    'ends of beams rest anywhere',
    'beams/check-beams.ts',
    'if (supports.some(({ ring }) => rests(ring, point))) return;',
    'return;',
    beams,
  ),
  mutant('beams may be as low as they like', 'beams/check-beams.ts', 'if (short > 0.5)', 'if (short > 5000)', beams),
  mutant('beams need no slab', 'beams/check-beams.ts', 'if (!here.isUnderSlab)', 'if (here.level === "")', beams),
  mutant(
    'beams take the space of columns',
    'beams/solve-beams.ts',
    'union(profile, [ring], holes)',
    'union(profile, [ring], [])',
    beams,
  ),
  mutant('beams take no headroom', 'stairs/headroom.ts', 'above.push(flat(ring, underMm, name));', '', beams),
  mutant(
    'rooms as small as a gap',
    'rooms/solve-rooms.ts',
    'const LEAST_MM2 = 250_000;',
    'const LEAST_MM2 = 1;',
    rooms,
  ),
  mutant(
    'no least area of a room',
    'rooms/solve-rooms.ts',
    'const LEAST_MM2 = 250_000;',
    'const LEAST_MM2 = 25_000_000;',
    rooms,
  ),
  mutant(
    'two tags in one room are none',
    'rooms/solve-rooms.ts',
    'if (tagged.length > 1)',
    'if (tagged.length > 9)',
    rooms,
  ),
  mutant(
    'an open room is none',
    'rooms/solve-rooms.ts',
    'else if (!region && isOwn) findings.push(outside(tag.room, level));',
    '',
    rooms,
  ),
  // What an edit brings about.
  mutant(
    'levels that move are not told',
    'levels/kind.ts',
    'consequences: { of: levelsDiffer },',
    'consequences: { of: () => [] },',
    carrying,
  ),
  mutant(
    'stairs that change are not told',
    'stairs/kind.ts',
    'consequences: { of: stairsDiffer },',
    'consequences: { of: () => [] },',
    carrying,
  ),
  mutant(
    'shafts that cut others are not told',
    'shafts/kind.ts',
    'consequences: { of: shaftsDiffer },',
    'consequences: { of: () => [] },',
    carrying,
    consequences,
  ),
  mutant(
    'findings that come and go are not told',
    'carrying/consequences.ts',
    '    ...findings(before.solved, after.solved),\n',
    '',
    carrying,
  ),
  mutant(
    'areas that change are not told',
    'floors/floors-differ.ts',
    'if (Math.abs(now - old) <= LEAST_MM2)',
    'if (Math.abs(now - old) <= 1e15)',
    carrying,
    consequences,
  ),
  mutant(
    'pieces of bodies are not told',
    'beams/beams-differ.ts',
    'count(before.solved), count(after.solved)',
    'count(after.solved), count(after.solved)',
    beams,
  ),
  // Views.
  mutant(
    'a building is opened with its ceilings on',
    'drawing/opened-at.ts',
    '    ceilings: keeps(solved.ceilings, ({ topMm }) => topMm),\n',
    '',
    opened,
  ),
  mutant(
    'a building is opened with its beams on',
    'drawing/opened-at.ts',
    '    bodies: keeps(solved.bodies, ({ topMm }) => topMm),\n',
    '',
    opened,
    beams,
  ),
  mutant('beams are not drawn in plan', 'drawing/draw-plan.ts', '? drawBodiesOver(solved, view)', '? []', beams),
  mutant(
    'beams are not cut in sections',
    'drawing/draw-section.ts',
    "coat === 'bodies' ? bodies(true) :",
    "coat === 'bodies' ? [] :",
    beams,
  ),
  mutant(
    'slabs hang from FFL',
    'floors/solve-floors.ts',
    '{ topMm: level.sslMm, thicknessMm: plate.thicknessMm, zone: null }',
    '{ topMm: level.fflMm, thicknessMm: plate.thicknessMm, zone: null }',
    ...floors,
    drawing,
  ),
  mutant(
    'walls are not joined',
    'walls/wall-plans.ts',
    'return join && joined(join, near);',
    'return join && join.path;',
    walls,
  ),
  mutant('walls reach into each other', 'walls/wall-pieces.ts', '    through.add(other.plan);\n', '', walls),
];
