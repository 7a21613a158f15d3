import { defineKindUi, none } from '../kind-ui';
import { GuardFields } from './guard-fields';
import { GuardsTool } from './guards-tool';

export const guardUi = defineKindUi({
  kind: 'guard',
  fields: { Fields: GuardFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('It follows what it runs along'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'stairs', way: 'guards', words: 'Guards', Tool: GuardsTool },
});
