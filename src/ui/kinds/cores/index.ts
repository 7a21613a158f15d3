import { defineKindUi, none } from '../kind-ui';
import { CoreTool } from './core-tool';
import { CoreFields } from './core-fields';

export const coreUi = defineKindUi({
  kind: 'core',
  fields: { Fields: CoreFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'shafts', way: 'core', words: 'Core', Tool: CoreTool },
});
