'use client';

import { toolsAt } from '../kinds/registry';
import { SwitchButtons } from '../fields/fields';
import { FloorsTool } from './floors-tool';
import { FoundationsTool } from './foundations-tool';
import { RoofTool } from './roof-tool';
import { useWay } from './use-way';

const OWN = [
  ['floors', 'Floors'],
  ['roof', 'Flat roof'],
  ['foundations', 'Foundations'],
] as const;
const TOOLS = toolsAt('floors');
const WAYS: readonly (readonly [string, string])[] = [...OWN, ...TOOLS.map(({ way, words }) => [way, words] as const)];

/** Floors, the flat roof over them, what they stand on, and what carries them. */
export function FloorsStep() {
  const [way, choose] = useWay('floors', WAYS);
  const Own = TOOLS.find((tool) => tool.way === way)?.Tool;
  return (
    <>
      <SwitchButtons label="Which tool" value={way} choices={WAYS} onChoose={choose} />
      {way === 'floors' ? <FloorsTool /> : way === 'roof' ? <RoofTool /> : Own ? <Own /> : <FoundationsTool />}
    </>
  );
}
