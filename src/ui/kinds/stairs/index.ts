import { StairTable } from './stair-table';
import { defineKindUi, none } from '../kind-ui';
import { StairFields } from './stair-fields';
import { WaysOutTool } from './ways-out-tool';
import { StairsTool } from './stairs-tool';

export const stairUi = defineKindUi({
  kind: 'stair',
  fields: { Fields: StairFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: { words: 'Stairs', Table: StairTable },
  tool: [
    { step: 'stairs', way: 'stairs', words: 'Stairs', Tool: StairsTool },
    { step: 'stairs', way: 'waysOut', words: 'Ways out', Tool: WaysOutTool },
  ],
});
