import { defineKindUi, none } from '../kind-ui';
import { BeamFields } from './beam-fields';
import { BeamsTool } from './beams-tool';

export const beamUi = defineKindUi({
  kind: 'beam',
  fields: { Fields: BeamFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('Its shape has those that all shapes have'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'floors', way: 'beams', words: 'Beams', Tool: BeamsTool },
});
