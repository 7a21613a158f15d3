import { defineKindUi, none } from '../kind-ui';
import { ShaftFields } from './shaft-fields';
import { ShaftsTool } from './shafts-tool';

export const shaftUi = defineKindUi({
  kind: 'shaft',
  fields: { Fields: ShaftFields },
  several: none('Several of them have nothing of their own'),
  tool: { step: 'shafts', way: 'shafts', words: 'Shafts', Tool: ShaftsTool },
});
