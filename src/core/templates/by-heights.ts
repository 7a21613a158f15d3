import { basements, levels, storeys } from './parts';
import type { Template } from './template';

/** Levels and nothing else. */
export const BY_HEIGHTS: Template = {
  key: 'by-heights',
  title: 'Empty, by heights',
  about: 'Levels by their floor-to-floor heights, and nothing else.',
  numbers: [
    storeys('Storeys from the ground up', '5.4m 2@4.8m 9@3.3m', "18' 2@16' 9@11'"),
    basements('3.9m 3.6m', "13' 12'"),
  ],
  steps: ({ list }, site) => [levels(site, list('storeys'), list('basements'))],
};
