import { boundariesListed, boundarySentence, roomSentence, roomsListed } from './say-rooms';
import { boundariesInPlan, roomsInPlan } from './draw-rooms';
import { roomsInIfc } from './ifc-rooms';
import { roomRows } from './report-rooms';
import { ROOM_COMMANDS } from './room-commands';
import { ELSEWHERE, defineKind, none } from '../kinds/kind';
import { freeRoomNumber } from './free-room-number';
import { roomRecords, boundaryLineRecords } from './room';

export const roomKind = defineKind({
  ...ELSEWHERE,
  records: roomRecords,
  commands: { all: ROOM_COMMANDS },
  forms: none('Nothing of it is typed in one line'),
  plan: { wordsOfRooms: roomsInPlan },
  section: none('A room is the space between what is drawn'),
  report: roomRows,
  inPlan: {
    follows: () => null,
    renewed: (edit, copy) => ({ ...copy, number: freeRoomNumber(edit.framework, copy.level) }),
  },
  inCores: false,
  shownAs: { kind: 'rooms' },
  carriedAs: none('It says itself how far up it goes'),
  step: { step: 'walls' },
  sentence: roomSentence,
  listed: roomsListed,
  board: none('It says itself how far up it goes'),
  consequences: none('What becomes of rooms is said by findings'),
  ifc: roomsInIfc,
  solids: none('A room is the space between what is drawn'),
  space: none('A room is the space between what is drawn'),
});

export const boundaryLineKind = defineKind({
  ...ELSEWHERE,
  records: boundaryLineRecords,
  commands: none('They are those of rooms'),
  forms: none('Nothing of it is typed in one line'),
  plan: { boundaries: boundariesInPlan },
  section: none('It has no height'),
  report: none('It only divides rooms'),
  inPlan: {
    follows: () => null,
    renewed: (_, copy) => copy,
  },
  inCores: false,
  shownAs: { kind: 'rooms' },
  carriedAs: none('It divides the rooms of one level'),
  step: { step: 'walls' },
  sentence: boundarySentence,
  listed: boundariesListed,
  board: none('It divides the rooms of one level'),
  consequences: none('What becomes of rooms is said by findings'),
  ifc: none('It is no element of the building'),
  solids: none('It takes no space'),
  space: none('It takes no space'),
});
