import { defineKindUi, none } from '../kind-ui';
import { SettingOutFields } from './setting-out-fields';

export const settingOutUi = defineKindUi({
  kind: 'settingOutLine',
  fields: { Fields: SettingOutFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: none('It is drawn at the step of the grids'),
});
