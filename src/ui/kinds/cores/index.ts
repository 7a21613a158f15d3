import { defineKindUi, none } from '../kind-ui';
import { CoreFields } from './core-fields';

export const coreUi = defineKindUi({
  kind: 'core',
  fields: { Fields: CoreFields },
  several: none('Several of them have nothing of their own'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: none('It is made of what is chosen'),
});
