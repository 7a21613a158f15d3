import { defineKindUi, none } from '../kind-ui';
import { FoundationFields } from './foundation-fields';
import { FoundationsTool } from './foundations-tool';

export const foundationUi = defineKindUi({
  kind: 'foundation',
  fields: { Fields: FoundationFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'floors', way: 'foundations', words: 'Foundations', Tool: FoundationsTool },
});
