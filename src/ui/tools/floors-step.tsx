'use client';

import { useState } from 'react';
import { useProject } from '../session/store';
import { SwitchButtons } from '../fields/fields';
import { FloorsTool } from './floors-tool';
import { FoundationsTool } from './foundations-tool';
import { RoofTool } from './roof-tool';

const WAYS = [
  ['floors', 'Floors'],
  ['roof', 'Flat roof'],
  ['foundations', 'Foundations'],
] as const;

/** Floors, the flat roof over them, and what they stand on. */
export function FloorsStep() {
  const set = useProject((project) => project.set);
  const [way, setWay] = useState<'floors' | 'roof' | 'foundations'>('floors');
  const choose = (next: typeof way) => {
    set({ ghost: null, onPlanPoint: null });
    setWay(next);
  };
  return (
    <>
      <SwitchButtons label="Which tool" value={way} choices={WAYS} onChoose={choose} />
      {way === 'floors' ? <FloorsTool /> : way === 'roof' ? <RoofTool /> : <FoundationsTool />}
    </>
  );
}
