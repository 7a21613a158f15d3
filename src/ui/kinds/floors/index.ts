import { defineKindUi, none } from '../kind-ui';
import { FloorFields } from './floor-fields';
import { FloorsTool } from './floors-tool';

export const floorUi = defineKindUi({
  kind: 'floorPlate',
  fields: { Fields: FloorFields },
  several: none('Several of them have nothing of their own'),
  tool: { step: 'floors', way: 'floors', words: 'Floors', Tool: FloorsTool },
});
