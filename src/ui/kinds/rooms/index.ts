import { RoomTable } from './room-table';
import { defineKindUi, none } from '../kind-ui';
import { RoomFields, BoundaryFields } from './room-fields';
import { RoomsTool } from './rooms-tool';

export const roomUi = defineKindUi({
  kind: 'room',
  fields: { Fields: RoomFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: { words: 'Rooms', Table: RoomTable },
  tool: { step: 'walls', way: 'rooms', words: 'Rooms', Tool: RoomsTool },
});

export const boundaryLineUi = defineKindUi({
  kind: 'boundaryLine',
  fields: { Fields: BoundaryFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: none('It is drawn with the tool of rooms'),
});
