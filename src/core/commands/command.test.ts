import { z } from 'zod';
import { FURNISHED, given, levelId, refusal, step, SMALL_TOWER } from '../testing/given';
import { derivedCommandId, idSource } from '../model/ids';
import { commandList, COMMANDS, plan } from './commands';
import { defineCommand, groundsDigest, planCommand } from './command';
import { EMPTY_FRAMEWORK, frameworkHash, recordsOf } from '../model/framework';
import { canonicalJson, sameJson } from '../model/json';

const tower = given(FURNISHED);

describe('the list of commands', () => {
  it('names each once, in words a person reads, with a schema a machine reads', () => {
    const names = COMMANDS.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
    for (const { name, title, input } of commandList()) {
      expect(name).toMatch(/^[a-z][a-zA-Z]*\.[a-zA-Z]+$/);
      expect(title.length).toBeGreaterThan(8);
      expect(input).toMatchObject({ type: 'object', additionalProperties: false });
    }
  });

  it('says so when there is no such command', () => {
    expect(refusal(tower, 'levels.fly', {})).toMatch(/no command named "levels.fly"/);
  });
});

describe('planning', () => {
  it('gives the same ids and bytes for the same command id, wherever it runs', () => {
    const id = derivedCommandId('x');
    const plans = [1, 2].map(() => plan(tower, 'levels.insert', { level: '01', heightMm: 2000, mode: 'only' }, id));
    expect(canonicalJson(plans[0])).toBe(canonicalJson(plans[1]));
    const other = plan(tower, 'levels.insert', { level: '01', heightMm: 2000, mode: 'only' }, derivedCommandId('y'));
    expect(other).not.toEqual(plans[0]);
    const next = idSource(id);
    expect([next(), next()]).toEqual([idSource(id)(), expect.not.stringMatching(idSource(id)())]);
  });

  it('stores lengths to a millionth of a millimetre, so 1/64" is exact', () => {
    const after = step(tower, 'levels.setElevation', { level: '01', fflMm: `17'-8 1/64"`, mode: 'only' }).after;
    expect(recordsOf(after, 'level').find(({ name }) => name === '01')!.heightMm).toBe(5385.196875);
  });

  it('refuses input that does not fit, saying where, and changes nothing', () => {
    const before = frameworkHash(tower);
    expect(refusal(tower, 'levels.setElevation', { level: '01', fflMm: 'high' })).toMatch(/no dimension named "high"/);
    expect(refusal(tower, 'levels.setElevation', { level: '01' })).toMatch(/elevation \(FFL\)/);
    expect(refusal(tower, 'levels.setElevation', { level: '01', fflMm: 1, extra: 1 })).toMatch(/extra/);
    expect(refusal(tower, 'levels.setElevation', { level: '01', fflMm: Number.NaN })).toMatch(/elevation \(FFL\)/);
    expect(refusal(tower, 'levels.rename', { level: '01', name: 'a\nb' })).toMatch(/control characters/);
    expect(frameworkHash(tower)).toBe(before);
  });

  it('refuses changes that would leave a reference to nothing', () => {
    const bad = defineCommand({
      name: 'test.dangle',
      title: 'Leaves a dangling reference',
      input: z.strictObject({}),
      plan: (edit) => edit.remove(levelId(tower, 'B2')),
      sentence: () => '',
    });
    const planned = planCommand(bad, tower, {}, derivedCommandId('dangle'));
    expect(planned).toMatchObject({
      ok: false,
      refusal: { message: expect.stringMatching(/B2 cannot go: .* hangs on it/) },
    });
  });

  it('refuses a circle, naming it', () => {
    const named = given([
      ['dimensions.define', { name: 'slab', value: 250 }],
      ['dimensions.define', { name: 'clear', value: '2.7m + slab' }],
    ]);
    expect(refusal(named, 'dimensions.define', { name: 'slab', value: 'clear - 2.4m' })).toMatch(
      /circle: .*slab.* → .*clear.* → .*slab/,
    );
  });

  it('solves again all that uses a named dimension', () => {
    const named = given(
      [
        ['dimensions.define', { name: 'typical', value: 3300 }],
        ['levels.setHeight', { level: '03', heightMm: 'typical - 100mm', mode: 'push' }],
        ['dimensions.define', { name: 'typical', value: '3.6m' }],
      ],
      given(SMALL_TOWER),
    );
    const [l3, l4] = ['03', '04'].map((name) => recordsOf(named, 'level').find((level) => level.name === name)!);
    expect(l4!.from).toBe(l3!.id);
    const report = step(named, 'levels.setHeight', { level: '03', heightMm: 'typical', mode: 'push' });
    expect(report.sentence).toBe('Storey 03 made 3600 mm high');
    expect(refusal(named, 'dimensions.remove', { dimension: 'typical' })).toMatch(/cannot go/);
  });
});

describe('the digest of what a plan stands on', () => {
  const id = derivedCommandId('digest');
  const raise = { level: '01', fflMm: 5550, mode: 'push' };
  const digest = (framework = tower) => {
    const planned = plan(framework, 'levels.setElevation', raise, id);
    return planned.ok ? groundsDigest(planned.value.changes) : planned.refusal.message;
  };
  it('is the same after edits elsewhere and another after an edit of what it touches', () => {
    expect(digest(step(tower, 'shafts.change', { shaft: 'S1', purpose: 'lift' }).after)).toBe(digest());
    expect(digest(step(tower, 'levels.rename', { level: '01', title: 'Foyer' }).after)).toBe(digest());
    expect(digest(step(tower, 'levels.setElevation', { level: '01', fflMm: 5500, mode: 'push' }).after)).not.toBe(
      digest(),
    );
  });
});

describe('the fingerprint', () => {
  it('does not depend on the order records came in, nor on the sign of zero', () => {
    const shuffled = { records: new Map([...tower.records].reverse()) };
    expect(frameworkHash(shuffled)).toBe(frameworkHash(tower));
    expect(canonicalJson({ b: -0, a: [1e21, 'é'], c: undefined })).toBe('{"a":[1e+21,"é"],"b":0}');
    expect(sameJson({ a: 1, b: 2 }, { b: 2, a: 1 })).toBe(true);
    expect(() => canonicalJson(Number.POSITIVE_INFINITY)).toThrow();
    expect(frameworkHash(EMPTY_FRAMEWORK)).toMatch(/^[0-9a-f]{64}$/);
  });
});
