import { defineKindUi, none } from '../kind-ui';
import { RoomFields, BoundaryFields } from './room-fields';
import { RoomsTool } from './rooms-tool';

export const roomUi = defineKindUi({
  kind: 'room',
  fields: { Fields: RoomFields },
  several: none('Several of them have nothing of their own'),
  tool: { step: 'walls', way: 'rooms', words: 'Rooms', Tool: RoomsTool },
});

export const boundaryLineUi = defineKindUi({
  kind: 'boundaryLine',
  fields: { Fields: BoundaryFields },
  several: none('Several of them have nothing of their own'),
  tool: none('It is drawn with the tool of rooms'),
});
