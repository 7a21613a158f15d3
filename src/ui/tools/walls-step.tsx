'use client';

import { SwitchButtons } from '../fields/fields';
import { CeilingsTool } from './ceilings-tool';
import { RoomsTool } from './rooms-tool';
import { useWay } from './use-way';
import { WallsTool } from './walls-tool';

const WAYS = [
  ['walls', 'Walls'],
  ['rooms', 'Rooms'],
  ['ceilings', 'Ceilings'],
] as const;

/** Walls, the rooms they close, and the ceilings that hang in them. */
export function WallsStep() {
  const [way, choose] = useWay('walls', WAYS);
  return (
    <>
      <SwitchButtons label="Which tool" value={way} choices={WAYS} onChoose={choose} />
      {way === 'walls' ? <WallsTool /> : way === 'rooms' ? <RoomsTool /> : <CeilingsTool />}
    </>
  );
}
