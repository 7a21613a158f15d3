import { defineKindUi, none } from '../kind-ui';
import { FallFields } from './fall-fields';
import { FallsTool } from './falls-tool';
import { OutletHandles } from './outlet-handles';

export const fallLayerUi = defineKindUi({
  kind: 'fallLayer',
  fields: { Fields: FallFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: { Handles: OutletHandles },
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'floors', way: 'falls', words: 'Falls', Tool: FallsTool },
});
