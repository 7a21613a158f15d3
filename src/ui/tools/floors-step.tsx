'use client';

import { SwitchButtons } from '../fields/fields';
import { FloorsTool } from './floors-tool';
import { FoundationsTool } from './foundations-tool';
import { RoofTool } from './roof-tool';
import { useWay } from './use-way';

const WAYS = [
  ['floors', 'Floors'],
  ['roof', 'Flat roof'],
  ['foundations', 'Foundations'],
] as const;

/** Floors, the flat roof over them, and what they stand on. */
export function FloorsStep() {
  const [way, choose] = useWay('floors', WAYS);
  return (
    <>
      <SwitchButtons label="Which tool" value={way} choices={WAYS} onChoose={choose} />
      {way === 'floors' ? <FloorsTool /> : way === 'roof' ? <RoofTool /> : <FoundationsTool />}
    </>
  );
}
