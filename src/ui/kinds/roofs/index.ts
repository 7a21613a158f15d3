import { defineKindUi, none } from '../kind-ui';
import { RoofFields } from './roof-fields';
import { RoofTool } from './roof-tool';

export const roofUi = defineKindUi({
  kind: 'roof',
  fields: { Fields: RoofFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'floors', way: 'roof', words: 'Flat roof', Tool: RoofTool },
});
