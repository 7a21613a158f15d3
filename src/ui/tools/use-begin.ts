import { useMemo, useState } from 'react';
import { directionDeg } from '@/core/geometry/trig';
import { readPlaceText, writePlace } from '../fields/place-text';
import { useSlice } from '../session/store';
import { usePlanPoints } from './plan-busy';

type Towards = '90' | '0' | '270' | '180' | 'pressed';
const TOWARDS: readonly (readonly [Towards, string])[] = [
  ['90', 'up the plan'],
  ['0', 'to the right'],
  ['270', 'down the plan'],
  ['180', 'to the left'],
];

/** Where a stair or ramp begins and which way it goes from there: typed, or pressed in the plan one after the other. */
export function useBegin(isOn: boolean) {
  const { framework, building, mayEdit, display } = useSlice('framework', 'building', 'mayEdit', 'display');
  const [place, setPlace] = useState('0,0');
  const [towards, setTowards] = useState<Towards>('90');
  const [pressedDeg, setPressed] = useState(90);
  const [start, setStart] = useState<{ x: number; y: number } | null>(null);
  const at = readPlaceText(place, display);
  usePlanPoints(
    isOn && mayEdit && building
      ? (point, phase) => {
          if (start && (phase === 'press' || phase === 'move')) {
            const [dx, dy] = [point.x - start.x, point.y - start.y];
            if (Math.abs(dx) + Math.abs(dy) > 1) {
              // Degrees to a hundredth: what one sees is what is typed.
              setPressed(Math.round(directionDeg(dy, dx) * 100) / 100);
              setTowards('pressed');
            }
          }
          if (phase !== 'press') return;
          if (!start) setPlace(writePlace(framework, building, point.x, point.y, display));
          setStart(start ? null : point);
        }
      : null,
  );
  const input = at.ok ? at.value.input : '';
  const towardsDeg = towards === 'pressed' ? pressedDeg : Number(towards);
  const begin = useMemo(() => ({ place: input, towardsDeg }), [input, towardsDeg]);
  return {
    begin,
    wrong: at.ok ? null : at.refusal.message,
    towards,
    setTowards,
    choices: [...TOWARDS, ...(towards === 'pressed' ? [['pressed', `${pressedDeg}°`] as const] : [])],
    fields: [
      {
        label: 'Begins at',
        value: place,
        onChange: setPlace,
        note: at.ok ? at.value.words : at.refusal.message,
        wrong: !at.ok,
      },
    ],
  };
}
