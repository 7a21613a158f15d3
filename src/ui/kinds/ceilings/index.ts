import { defineKindUi, none } from '../kind-ui';
import { CeilingFields } from './ceiling-fields';
import { CeilingsTool } from './ceilings-tool';

export const ceilingUi = defineKindUi({
  kind: 'ceiling',
  fields: { Fields: CeilingFields },
  several: none('Several of them have nothing of their own'),
  tool: { step: 'walls', way: 'ceilings', words: 'Ceilings', Tool: CeilingsTool },
});
