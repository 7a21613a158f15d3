import { LevelTable } from './level-table';
import { defineKindUi, none } from '../kind-ui';
import { LevelFields } from './level-fields';
import { LevelsTool } from './levels-tool';

export const levelUi = defineKindUi({
  kind: 'level',
  fields: { Fields: LevelFields },
  several: none('Several of them have nothing of their own'),
  schedule: { words: 'Levels', Table: LevelTable },
  tool: { step: 'levels', way: 'levels', words: 'Levels', Tool: LevelsTool },
});
