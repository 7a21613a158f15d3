import type { CommandInputs } from '../commands/command-inputs';
import { recordsOf } from '../model/framework';
import type { Chance } from './chance';
import { layers, square } from './rich';

type Makers = {
  [
    Name in
      | 'walls.add'
      | 'walls.change'
      | 'walls.except'
      | 'walls.flip'
      | 'walls.parallel'
      | 'walls.defineType'
      | 'walls.addOpening'
      | 'walls.changeOpening'
      | 'walls.removeOpening'
      | 'walls.openingsAsBelow'
      | 'walls.holdClear'
      | 'walls.releaseClear'
      | 'walls.makeParty'
      | 'roofs.addFlat'
      | 'roofs.raiseParapet'
      | 'roofs.change'
      | 'rooms.add'
      | 'rooms.change'
      | 'rooms.addBoundary'
      | 'rooms.changeBoundary'
      | 'floors.setZone'
      | 'floors.removeZone'
      | 'elements.offset'
      | 'elements.moveEdge'
  ]: (chance: Chance) => CommandInputs[Name];
};

/** Inputs of what makes and changes walls, flat roofs, rooms and zones of floors. */
export const WALL_MAKERS: Makers = {
  'walls.add': ({ building, levels, between, pick }) => ({
    building,
    type: 'T',
    points: [
      { xMm: 0, yMm: 0 },
      { xMm: between(900, 9000), yMm: between(0, 9000) },
    ],
    startsAt: { level: pick(levels) },
  }),
  'walls.change': ({ one, pick, random }) => ({
    wall: one('wall'),
    use: pick(['interior', 'core', 'glazed']),
    name: `N${Math.floor(random() * 1e6)}`,
  }),
  'walls.except': ({ one, pick, levels, random }) => ({
    wall: one('wall'),
    level: pick(levels),
    leftOut: random() < 0.7,
    upwards: random() < 0.3,
    type: { name: 'Other', layers: layers(120) },
  }),
  'walls.flip': ({ one }) => ({ walls: [one('wall')] }),
  'walls.parallel': ({ one, between }) => ({ wall: one('wall'), clearMm: between(500, 3000) }),
  'walls.defineType': ({ between, pick }) => ({ name: pick(['T', 'Other']), layers: layers(between(100, 400)) }),
  'walls.addOpening': ({ one, between }) => ({
    wall: one('wall'),
    opening: 'plain',
    alongMm: between(100, 6000),
    widthMm: 300,
  }),
  'walls.changeOpening': ({ framework, pick, between }) => {
    const { id, openings } = pick(recordsOf(framework, 'wall').filter((wall) => wall.openings.length > 0));
    return { wall: id, opening: openings[0]!.id, sillMm: between(0, 900) };
  },
  'walls.removeOpening': ({ framework, pick }) => {
    const { id, openings } = pick(recordsOf(framework, 'wall').filter((wall) => wall.openings.length > 0));
    return { wall: id, opening: openings[0]!.id };
  },
  'walls.openingsAsBelow': ({ framework, pick }) => {
    const over = pick(recordsOf(framework, 'wall').filter(({ name }) => name === 'Over'));
    return { walls: [over.id], level: over.startsAt.level };
  },
  'walls.holdClear': ({ between }) => ({ walls: ['P', 'Q'], widthMm: between(900, 3000) }),
  'walls.releaseClear': ({ framework, pick }) => ({ wall: pick(recordsOf(framework, 'clearWidth')).walls[0] }),
  'walls.makeParty': () => ({ walls: ['W1', 'W2'] }),
  'roofs.addFlat': () => ({ building: 'Right' }),
  'roofs.raiseParapet': ({ one, between }) => ({ roof: one('roof'), byMm: between(-200, 400) }),
  'roofs.change': ({ one, between }) => ({ roof: one('roof'), thicknessMm: between(150, 400) }),
  'rooms.add': ({ building, pick, levels, between, random }) => ({
    building,
    level: pick(levels),
    place: `${between(0, 9000)},0`,
    name: 'Room',
    number: `${Math.floor(random() * 1e7)}`,
  }),
  'rooms.change': ({ one, random }) => ({ room: one('room'), name: `R${Math.floor(random() * 1e6)}` }),
  'rooms.addBoundary': ({ building, pick, levels, between }) => ({
    building,
    level: pick(levels),
    points: [
      { xMm: 0, yMm: 0 },
      { xMm: between(900, 9000), yMm: 0 },
    ],
  }),
  'rooms.changeBoundary': ({ one, between }) => ({
    line: one('boundaryLine'),
    points: [
      { xMm: 0, yMm: 0 },
      { xMm: between(1000, 5000), yMm: between(0, 5000) },
    ],
  }),
  'floors.setZone': ({ one, between, random }) => ({
    floor: one('floorPlate'),
    name: `Z${Math.floor(random() * 1e7)}`,
    outline: square(between(2000, 4000)),
    shiftMm: between(-200, -10),
  }),
  'floors.removeZone': ({ framework, pick }) => {
    const plate = pick(recordsOf(framework, 'floorPlate').filter(({ zones }) => zones.length > 0));
    return { floor: plate.id, zone: pick(plate.zones).id };
  },
  'elements.offset': ({ one, between }) => ({ ids: [one('shaft')], byMm: between(10, 300) }),
  'elements.moveEdge': ({ one, between, random }) => ({
    id: one('shaft'),
    edge: Math.floor(random() * 4),
    byMm: between(-200, 300),
  }),
};
