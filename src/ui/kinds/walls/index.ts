import { defineKindUi, none } from '../kind-ui';
import { WallFields } from './wall-fields';
import { OpeningHandles } from './opening-handles';
import { OpeningsTool } from './openings-tool';
import { WallsTool } from './walls-tool';
import { TwoWalls } from './two-walls';
import { wallActs } from './wall-acts';

export const wallUi = defineKindUi({
  kind: 'wall',
  fields: { Fields: WallFields },
  several: { Several: TwoWalls },
  acts: wallActs,
  handles: { Handles: OpeningHandles },
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: [
    { step: 'walls', way: 'walls', words: 'Walls', Tool: WallsTool },
    { step: 'walls', way: 'openings', words: 'Doors & windows', Tool: OpeningsTool },
  ],
});
