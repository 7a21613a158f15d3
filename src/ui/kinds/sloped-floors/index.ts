import { defineKindUi, none } from '../kind-ui';
import { SlopedFloorFields } from './sloped-floor-fields';
import { SlopedFloorsTool } from './sloped-floors-tool';

export const slopedFloorUi = defineKindUi({
  kind: 'slopedFloor',
  fields: { Fields: SlopedFloorFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'stairs', way: 'sloped-floors', words: 'Sloped floors', Tool: SlopedFloorsTool },
});
