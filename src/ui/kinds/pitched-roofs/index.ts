import { defineKindUi, none } from '../kind-ui';
import { PitchedRoofFields } from './pitched-roof-fields';
import { PitchedRoofTool } from './pitched-roof-tool';

export const pitchedRoofUi = defineKindUi({
  kind: 'pitchedRoof',
  fields: { Fields: PitchedRoofFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its outline has those that all shapes have'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'floors', way: 'pitched-roofs', words: 'Pitched roof', Tool: PitchedRoofTool },
});
