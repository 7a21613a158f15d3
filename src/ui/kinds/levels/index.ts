import { LevelTable } from './level-table';
import { defineKindUi, none } from '../kind-ui';
import { LevelFields } from './level-fields';
import { LevelsTool } from './levels-tool';

export const levelUi = defineKindUi({
  kind: 'level',
  fields: { Fields: LevelFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: { words: 'Levels', Table: LevelTable },
  tool: { step: 'levels', way: 'levels', words: 'Levels', Tool: LevelsTool },
});
