import { drawBodiesOver } from '../bodies/draw-bodies';
import type { CeilingPiece } from '../ceilings/solved-ceiling';
import { sectionRing } from '../columns/section-shape';
import { chords } from '../geometry/chords';
import { bounds, ringMoment, ringArea } from '../geometry/polygon';
import { shaftRingAt } from '../shafts/ring-at';
import type { FloorPiece, Solved, SolvedLevel, SolvedShaft } from '../solving/solved';
import type { RoomRegion } from '../rooms/solve-rooms';
import { formatArea } from '../units/format-length';
import { drawGrids } from './draw-grids';
import { boxOf, type Drawing, type Primitive } from './drawing';
import { drawStair } from './draw-stairs';
import { drawWall } from './draw-walls';
import { marksOfView } from './view-marks';
import type { PlanView } from './plan-view';

/** The plan of one level: slab with its holes, shafts, columns cut, grid with bubbles and dimension strings. */
export function drawPlan(solved: Solved, view: PlanView): Drawing {
  const level = solved.levels.find(({ id }) => id === view.level);
  if (!level) return { primitives: [], marks: [], box: null };
  const cutMm = level.fflMm + view.cutAboveMm;
  const grids = drawGrids(solved, {
    ...view,
    fflMm: level.fflMm,
    markAt: marksOfView(solved.marks, view.building, [`plan ${view.level}`, 'plan']),
  });
  const primitives: Primitive[] = [
    ...drawFloors(solved, view),
    ...drawFoundations(solved, view),
    ...solved.floors.flatMap((piece) =>
      piece.zone && piece.level === view.level ? [zoneText(piece, piece.zone, view)] : [],
    ),
    ...solved.shafts
      .filter(({ levels }) => levels.includes(view.level))
      .flatMap((shaft) => drawShaft(shaft, view, level.fflMm)),
    ...[...solved.walls, ...solved.sharedWalls]
      .filter(
        ({ building, bottomMm, topMm, level: of }) =>
          building === view.building && (of === view.level || (bottomMm < cutMm && topMm > cutMm)),
      )
      .flatMap((piece) => drawWall(piece, solved.profiles, cutMm)),
    ...solved.rooms
      .filter(({ level: of, room }) => of === view.level && room !== null)
      .flatMap((region) => drawRoom(region, view)),
    ...solved.ceilings
      .filter(({ level: of }) => of === view.level)
      // Two ceilings in one room are a finding; their tags stand one under the other.
      .flatMap((piece, i, all) =>
        drawCeiling(piece, solved, view, all.slice(0, i).filter(({ ring }) => ring === piece.ring).length),
      ),
    ...solved.stairs
      .filter(({ building }) => building === view.building)
      .flatMap((stair) => drawStair(stair, { scale: view.scale, level: view.level, cutMm })),
    ...grids.primitives,
    ...drawExtents(solved, level),
    ...drawBlocks(solved, level, view, cutMm),
    ...drawBodiesOver(solved, view),
    ...drawColumns(solved, view, cutMm),
  ];
  return { primitives, marks: grids.marks, box: boxOf(primitives) };
}

const drawFloors = (solved: Solved, view: PlanView): Primitive[] =>
  solved.floors
    .filter(({ level }) => level === view.level)
    .flatMap((piece) =>
      solved.profiles[piece.profile]!.regions.map(({ outer, holes }): Primitive => ({
        type: 'area',
        style: piece.zone ? 'floorZone' : 'floor',
        id: piece.plate,
        rings: [outer, ...holes],
      })),
    );

/** A zone's name and the step of its floor, in its upper left corner. */
function zoneText({ outline, plate }: FloorPiece, zone: NonNullable<FloorPiece['zone']>, view: PlanView): Primitive {
  const box = bounds(outline);
  const step = zone.stepMm === 0 ? '±0' : `${zone.stepMm > 0 ? '+' : '−'}${view.writeLength(Math.abs(zone.stepMm))}`;
  const text = `${zone.name} ${step}`;
  const heightMm = Math.min(2 * view.scale, (box.maxX - box.minX) / (text.length * 0.8), (box.maxY - box.minY) / 5);
  const wide = text.length * 0.6 * heightMm;
  return {
    type: 'text',
    style: 'zoneText',
    id: plate,
    at: { x: box.minX + heightMm * 0.6 + wide / 2, y: box.maxY - heightMm * 1.2 },
    text,
    heightMm,
    turnDeg: 0,
  };
}

/** Foundations under the level their top is held to, hidden by the slab: dashed. */
const drawFoundations = (solved: Solved, view: PlanView): Primitive[] =>
  solved.foundations
    .filter(({ level }) => level === view.level)
    .flatMap(({ foundation, profile }) =>
      solved.profiles[profile]!.regions.map(({ outer, holes }): Primitive => ({
        type: 'area',
        style: 'columnHead',
        id: foundation,
        rings: [outer, ...holes],
      })),
    );

function drawColumns(solved: Solved, view: PlanView, cutMm: number): Primitive[] {
  return solved.columns
    .filter(({ building, bottomMm, topMm }) => building === view.building && bottomMm <= cutMm && topMm >= cutMm)
    .map((piece): Primitive =>
      piece.section.shape === 'circle'
        ? { type: 'circle', style: 'columnCut', id: piece.stack, at: piece.at, radiusMm: piece.section.diameterMm / 2 }
        : {
            type: 'area',
            style: 'columnCut',
            id: piece.stack,
            rings: [sectionRing(piece.section, piece.at, piece.turnDeg)],
          },
    );
}

/** Where mezzanines hang in the storey, and on a mezzanine its own edge: dashed. */
function drawExtents(solved: Solved, level: SolvedLevel): Primitive[] {
  const top = level.storeyHeightMm === null ? level.fflMm : level.fflMm + level.storeyHeightMm;
  return solved.levels
    .filter(
      (other) =>
        other.building === level.building &&
        other.extent &&
        (other.id === level.id || (other.fflMm > level.fflMm && other.fflMm < top)),
    )
    .map((other): Primitive => ({ type: 'area', style: 'columnHead', id: other.id, rings: [other.extent!] }));
}

/** Heads and thickenings under the slab above, hidden from here: dashed. */
function drawBlocks(solved: Solved, level: SolvedLevel, view: PlanView, cutMm: number): Primitive[] {
  const ceiling = level.fflMm + (level.storeyHeightMm ?? 0);
  return solved.blocks
    .filter(({ building, bottomMm, topMm }) => building === view.building && bottomMm > cutMm && topMm <= ceiling)
    .map(({ stack, at, turnDeg, widthMm, depthMm }): Primitive => ({
      type: 'area',
      style: 'columnHead',
      id: stack,
      rings: [sectionRing({ shape: 'rectangle', widthMm, depthMm }, at, turnDeg)],
    }));
}

const ROOM_TEXT_MM = 2.3;

/** Of a room's number and name: as large as the room has place for. */
function tagHeight({ number, name, ring }: RoomRegion, view: PlanView): number {
  const box = bounds(ring);
  const fitting = (box.maxX - box.minX) / (`${number} ${name}`.length * 0.7);
  return Math.min(ROOM_TEXT_MM * view.scale, fitting, (box.maxY - box.minY) / 4);
}

/** A room's tag: its number and name, its area under them. */
function drawRoom(region: RoomRegion, view: PlanView): Primitive[] {
  const { room, number, name, netMm2, at } = region;
  const text = `${number} ${name}`;
  const heightMm = tagHeight(region, view);
  const line = (style: 'roomText' | 'roomArea', words: string, downMm: number): Primitive => ({
    type: 'text',
    style,
    id: room,
    at: { x: at.x, y: at.y - downMm },
    text: words,
    heightMm: style === 'roomText' ? heightMm : heightMm * 0.85,
    turnDeg: 0,
  });
  return [line('roomText', text, 0), line('roomArea', view.writeArea?.(netMm2) ?? formatArea(netMm2), heightMm * 1.35)];
}

/** What is clear under a ceiling, under the tag of its room; the outline of one that follows no room, dashed. */
function drawCeiling(piece: CeilingPiece, { rooms, profiles }: Solved, view: PlanView, nth: number): Primitive[] {
  const region = rooms.find(({ level, ring, room }) => level === piece.level && room !== null && ring === piece.ring);
  const box = bounds(piece.ring);
  const words = `clear ${view.writeLength(piece.clearMm)}`;
  const fitting = Math.min((box.maxX - box.minX) / (words.length * 0.75), (box.maxY - box.minY) / 5);
  const heightMm = Math.min((region ? tagHeight(region, view) : ROOM_TEXT_MM * view.scale) * 0.85, fitting);
  const middle = profiles[piece.profile]!.centroid;
  const follows = rooms.some(({ level, ring }) => level === piece.level && ring === piece.ring);
  return [
    ...(follows
      ? []
      : [{ type: 'area' as const, style: 'ceilingOver' as const, id: piece.ceiling, rings: [piece.ring] }]),
    {
      type: 'text',
      style: 'ceilingText',
      id: piece.ceiling,
      at: region
        ? { x: region.at.x, y: region.at.y - tagHeight(region, view) * (2.6 + 1.1 * nth) }
        : { x: middle.x, y: middle.y - heightMm * 1.3 * nth },
      text: words,
      heightMm,
      turnDeg: 0,
    },
  ];
}

/** Outline at every level it passes; crossed diagonals where the slab is open. */
function drawShaft(shaft: SolvedShaft, view: PlanView, fflMm: number): Primitive[] {
  const cut = shaft.cuts.find(({ level }) => level === view.level);
  const isOpen = cut !== undefined;
  const ring = cut?.ring ?? shaftRingAt(shaft, fflMm);
  const sleeves = shaft.sleevesAt.includes(view.level);
  const outline: Primitive = {
    type: 'area',
    style: isOpen ? 'shaftOpen' : 'shaftClosed',
    id: shaft.shaft,
    rings: [ring],
  };
  const box = bounds(ring);
  // From corner to corner of a rectangle, however it is turned; of any other outline of the box around it, within it.
  const corners =
    ring.length === 4
      ? ring
      : [
          { x: box.minX, y: box.minY },
          { x: box.maxX, y: box.minY },
          { x: box.maxX, y: box.maxY },
          { x: box.minX, y: box.maxY },
        ];
  const diagonals = isOpen
    ? [...chords(ring, corners[0]!, corners[2]!), ...chords(ring, corners[1]!, corners[3]!)]
    : [];
  const moment = ringMoment(ring);
  const area = ringArea(ring);
  const heightMm = Math.min(2.4 * view.scale, (box.maxX - box.minX) / 3, (box.maxY - box.minY) / 1.6);
  return [
    outline,
    ...diagonals.map((points): Primitive => ({
      type: 'path',
      style: 'shaftCross',
      id: shaft.shaft,
      points,
      closed: false,
    })),
    {
      type: 'text',
      style: 'shaftText',
      id: shaft.shaft,
      at: { x: moment.x / area, y: moment.y / area },
      text: sleeves ? `${shaft.name} sleeves` : shaft.name,
      heightMm,
      turnDeg: 0,
    },
  ];
}
