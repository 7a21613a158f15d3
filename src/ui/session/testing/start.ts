import { plan } from '@/core/commands/commands';
import { EMPTY_FRAMEWORK, type Framework } from '@/core/model/framework';
import { derivedCommandId } from '@/core/model/ids';

/** A house with three storeys, which sessions of tests begin from. */
export const START: Framework = [
  ['project.start', { name: 'House' }],
  ['buildings.add', { name: 'Hall' }],
  ['levels.setUp', { above: '4m 3m 3m', below: '' }],
].reduce<Framework>((framework, [command, input], i) => {
  const planned = plan(framework, command as string, input, derivedCommandId('start', String(i)));
  if (!planned.ok) throw new Error(planned.refusal.message);
  return planned.value.after;
}, EMPTY_FRAMEWORK);
