import { defineKindUi, none } from '../kind-ui';
import { CeilingFields } from './ceiling-fields';
import { CeilingsTool } from './ceilings-tool';

export const ceilingUi = defineKindUi({
  kind: 'ceiling',
  fields: { Fields: CeilingFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'walls', way: 'ceilings', words: 'Ceilings', Tool: CeilingsTool },
});
