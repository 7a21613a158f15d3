/** The made-up people of the demo. */
export const DEMO_PEOPLE = [
  { as: 'designer', name: 'Ada Vale', email: 'ada.vale@tidewater.example' },
  { as: 'consultant', name: 'Sten Ekko', email: 'sten.ekko@tidewater.example' },
  { as: 'viewer', name: 'Vera Quill', email: 'vera.quill@tidewater.example' },
] as const;

export type DemoPart = (typeof DEMO_PEOPLE)[number]['as'];
