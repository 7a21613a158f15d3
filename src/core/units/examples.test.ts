import { parseSection } from '../columns/section-text';
import { recordsOf } from '../model/framework';
import { parsePath } from '../outlines/typed-path';
import { FURNISHED, given } from '../testing/given';
import { EXAMPLES, examplesInFeet } from './examples';
import { forReader } from './for-reader';
import { IMPERIAL } from './format-length';
import { parseBays } from './parse-bays';
import { parseLength } from './parse-length';
import { parsePoint } from './parse-point';

const tower = given(FURNISHED);
const SYSTEMS = [
  ['metric', 'mm'],
  ['imperial', 'ft'],
] as const;

/** The parts of an example: `a, b or c`. */
const parts = (text: string) => text.split(/, (?!\d)| or |, (?=\d+"? ?,)/);

describe.each(SYSTEMS)('what is given as an example in %s units can be typed', (system, unit) => {
  const context = { unit };
  it('lengths', () => {
    for (const text of [
      ...EXAMPLES.length[system].split(/, | or /),
      ...EXAMPLES.decimal[system].split(' or '),
      EXAMPLES.groundHeight[system],
      EXAMPLES.elevation[system].split(' to ')[1]!,
    ])
      expect([text, parseLength(text, context).ok]).toEqual([text, true]);
  });

  it('a length with a decimal comma, where commas are decimal', () => {
    expect(parseLength(EXAMPLES.oneDecimal[system], { unit, decimal: system === 'metric' ? ',' : '.' }).ok).toBe(true);
  });

  it('points, bays, sections and paths', () => {
    for (const text of [...EXAMPLES.point[system].split(' or '), EXAMPLES.crossing[system]])
      expect([text, parsePoint(text, context).ok]).toEqual([text, true]);
    for (const text of EXAMPLES.shifts[system].split('; '))
      expect([text, parsePoint(text, context).ok]).toEqual([text, true]);
    for (const text of [EXAMPLES.newStoreys[system], EXAMPLES.storeys[system]])
      expect([text, parseBays(text, context).ok]).toEqual([text, true]);
    for (const text of parts(EXAMPLES.section[system])) {
      const section = parseSection(text);
      expect([text, section.ok]).toEqual([text, true]);
      if (section.ok)
        for (const size of section.value.sizes) expect([size, parseLength(size, context).ok]).toEqual([size, true]);
    }
    expect(parsePath(tower, recordsOf(tower, 'building')[0]!.id, EXAMPLES.path[system], context).ok).toBe(true);
  });
});

it('a refusal gives its example in the unit of who reads it', () => {
  const refused = parseLength('what', { unit: 'ft' });
  if (refused.ok) throw new Error('It was read');
  expect(forReader(refused.refusal.message, IMPERIAL)).toContain(EXAMPLES.length.imperial.slice(0, 10));
  expect(examplesInFeet(`Say how high the storeys are, like ${EXAMPLES.storeys.metric}`)).toBe(
    `Say how high the storeys are, like 8@11'-4"`,
  );
});
