import { defineKindUi, none } from '../kind-ui';
import { RoofOpeningFields } from './roof-opening-fields';
import { RoofOpeningsTool } from './roof-openings-tool';

export const roofOpeningUi = defineKindUi({
  kind: 'roofOpening',
  fields: { Fields: RoofOpeningFields },
  several: none('Several of them have nothing of their own'),
  acts: none('Nothing is done with it but what is done with all things'),
  handles: none('It lies in its roof by two distances, which are typed'),
  schedule: none('Its numbers stand in its panel and in the report'),
  tool: { step: 'floors', way: 'dormers', words: 'Dormers', Tool: RoofOpeningsTool },
});
