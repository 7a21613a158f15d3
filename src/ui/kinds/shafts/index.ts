import { defineKindUi, none } from '../kind-ui';
import { ShaftFields } from './shaft-fields';
import { ShaftsTool } from './shafts-tool';

export const shaftUi = defineKindUi({
  kind: 'shaft',
  fields: { Fields: ShaftFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'shafts', way: 'shafts', words: 'Shafts', Tool: ShaftsTool },
});
