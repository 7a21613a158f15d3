import { parseAngles } from './parse-angles';

const read = (text: string) => {
  const parsed = parseAngles(text);
  return parsed.ok ? parsed.value : parsed.refusal.message;
};

it.each<[string, number[]]>([
  ['6@15', [15, 15, 15, 15, 15, 15]],
  ["12°30' 15° 3@20", [12.5, 15, 20, 20, 20]],
  ['30, 45; 2 @ 7.5', [30, 45, 7.5, 7.5]],
  ['12@30', Array<number>(12).fill(30)],
])('reads %s', (text, angles) => expect(read(text)).toEqual(angles));

it.each<[string, RegExp]>([
  ['', /Type the angles/],
  ['15 x', /"x" is not an angle/],
  ['0 15', /more than zero/],
  ['-15', /more than zero/],
  ['4@91', /364°, more than a full turn/],
  ['999@0.1', /At most 360|full turn/],
])('refuses %s', (text, says) => expect(read(text)).toMatch(says));
