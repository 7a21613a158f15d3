'use client';

import { Initials } from '../page/initials';
import { eachOnce } from '../session/here';
import { chooseBuilding, TABS, useProjectStore, useSlice } from '../session/store';
import type { Other } from '../session/project';

const tabOf = (view: string) => TABS.find(([tab]) => tab === view);

/** The others who have the project open, as their initials; a press looks where they look. */
export function WhoIsHere() {
  const { others, solved } = useSlice('others', 'solved');
  const store = useProjectStore();
  const shown = eachOnce(others);
  const whereWords = ({ place }: Other): string => {
    const level = solved?.levels.find(({ id }) => id === place.level)?.name;
    return [tabOf(place.view)?.[1] ?? 'elsewhere', level && `level ${level}`].filter(Boolean).join(', ');
  };
  const lookThere = ({ place }: Other) => {
    if (place.building) chooseBuilding(store, place.building);
    const tab = tabOf(place.view)?.[0];
    store.setState({
      ...(place.level ? { level: place.level } : {}),
      ...(tab ? { tab } : {}),
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
