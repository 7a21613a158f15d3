'use client';

import { useState } from 'react';
import { SwitchButtons } from '../fields/fields';
import { RoomsTool } from './rooms-tool';
import { WallsTool } from './walls-tool';

const WAYS = [
  ['walls', 'Walls'],
  ['rooms', 'Rooms'],
] as const;

/** Walls, and the rooms they close. */
export function WallsStep() {
  const [way, setWay] = useState<'walls' | 'rooms'>('walls');
  return (
    <>
      <SwitchButtons label="Which tool" value={way} choices={WAYS} onChoose={setWay} />
      {way === 'walls' ? <WallsTool /> : <RoomsTool />}
    </>
  );
}
