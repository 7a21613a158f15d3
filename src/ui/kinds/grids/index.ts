import { defineKindUi, none } from '../kind-ui';
import { LineFields } from './line-fields';
import { GridsTool } from './grids-tool';

export const gridLineUi = defineKindUi({
  kind: 'gridLine',
  fields: { Fields: LineFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'grids', way: 'grids', words: 'Grids', Tool: GridsTool },
});
