import { defineKindUi, none } from '../kind-ui';
import { RampFields } from './ramp-fields';
import { RampsTool } from './ramps-tool';

export const rampUi = defineKindUi({
  kind: 'ramp',
  fields: { Fields: RampFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('It is as long as it must be: it has no shape to drag'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'stairs', way: 'ramps', words: 'Ramps', Tool: RampsTool },
});
