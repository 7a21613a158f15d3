import { defineKindUi } from '../kind-ui';
import { BeamFields } from './beam-fields';
import { BeamsTool } from './beams-tool';

export const beamUi = defineKindUi({
  kind: 'beam',
  Fields: BeamFields,
  tool: { step: 'floors', way: 'beams', words: 'Beams', Tool: BeamsTool },
});
