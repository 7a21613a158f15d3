'use client';

import { Initials } from '../page/initials';
import { eachOnce, type Other } from '../session/here';
import { chooseBuilding, useProject, useProjectStore, type Tab } from '../session/store';

const VIEW_NAMES: Record<string, string> = {
  plan: 'plan',
  section: 'section',
  model: '3D',
  board: 'carry board',
  schedules: 'schedules',
};

/** The others who have the project open, as their initials; a press looks where they look. */
export function WhoIsHere() {
  const { others, solved } = useProject((project) => project);
  const store = useProjectStore();
  const shown = eachOnce(others);
  const whereWords = ({ place }: Other): string => {
    const level = solved?.levels.find(({ id }) => id === place.level)?.name;
    return [VIEW_NAMES[place.view] ?? place.view, level && `level ${level}`].filter(Boolean).join(', ');
  };
  const lookThere = ({ place }: Other) => {
    if (place.building) chooseBuilding(store, place.building);
    store.setState({
      ...(place.level ? { level: place.level } : {}),
      ...(place.view in VIEW_NAMES ? { tab: place.view as Tab } : {}),
      selection: place.selection,
    });
  };
  if (shown.length === 0) return null;
  return (
    <ul aria-label="Who is here" className="flex items-center gap-1">
      {shown.slice(0, 6).map((other) => (
        <li key={other.userId}>
          <button
            type="button"
            className="block rounded-full"
            aria-label={`Look where ${other.name} looks: ${whereWords(other)}`}
            onClick={() => lookThere(other)}
          >
            <Initials name={other.name} note={whereWords(other)} />
          </button>
        </li>
      ))}
      {shown.length > 6 && <li className="text-ink2">+{shown.length - 6}</li>}
    </ul>
  );
}
