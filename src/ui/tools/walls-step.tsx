'use client';

import { useState } from 'react';
import { SwitchButtons } from '../fields/fields';
import { CeilingsTool } from './ceilings-tool';
import { RoomsTool } from './rooms-tool';
import { WallsTool } from './walls-tool';

const WAYS = [
  ['walls', 'Walls'],
  ['rooms', 'Rooms'],
  ['ceilings', 'Ceilings'],
] as const;

/** Walls, the rooms they close, and the ceilings that hang in them. */
export function WallsStep() {
  const [way, setWay] = useState<'walls' | 'rooms' | 'ceilings'>('walls');
  return (
    <>
      <SwitchButtons label="Which tool" value={way} choices={WAYS} onChoose={setWay} />
      {way === 'walls' ? <WallsTool /> : way === 'rooms' ? <RoomsTool /> : <CeilingsTool />}
    </>
  );
}
