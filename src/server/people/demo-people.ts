/** The made-up people of the demo. */
export const DEMO_PEOPLE = [
  { as: 'owner', name: 'Orla Marsh', email: 'orla.marsh@tidewater.example', role: 'owner', disciplines: [] },
  { as: 'designer', name: 'Ada Vale', email: 'ada.vale@tidewater.example', role: 'designer', disciplines: [] },
  {
    as: 'consultant',
    name: 'Sten Ekko',
    email: 'sten.ekko@tidewater.example',
    role: 'consultant',
    disciplines: ['Structure'],
  },
  {
    as: 'services',
    name: 'Mira Solano',
    email: 'mira.solano@tidewater.example',
    role: 'consultant',
    disciplines: ['Services', 'Acoustics'],
  },
  { as: 'fire', name: 'Tor Brandt', email: 'tor.brandt@tidewater.example', role: 'consultant', disciplines: ['Fire'] },
  { as: 'viewer', name: 'Vera Quill', email: 'vera.quill@tidewater.example', role: 'viewer', disciplines: [] },
] as const;

export type DemoPart = (typeof DEMO_PEOPLE)[number]['as'];

/** Who the demo's doors let in. */
export const DEMO_DOORS = ['owner', 'designer', 'consultant', 'viewer'] as const satisfies readonly DemoPart[];
