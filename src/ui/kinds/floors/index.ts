import { defineKindUi, none } from '../kind-ui';
import { FloorFields } from './floor-fields';
import { FloorsTool } from './floors-tool';

export const floorUi = defineKindUi({
  kind: 'floorPlate',
  fields: { Fields: FloorFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'floors', way: 'floors', words: 'Floors', Tool: FloorsTool },
});
