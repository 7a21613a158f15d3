'use client';

import type { Step } from '@/core/kinds/steps';
import { SwitchButtons } from '../fields/fields';
import { toolsAt } from '../kinds/registry';
import { useWay } from './use-way';

/** The tools of a step, one at a time. */
export function StepTools({ step }: { step: Step }) {
  const tools = toolsAt(step);
  const ways = tools.map(({ way, words }) => [way, words] as const);
  const [way, choose] = useWay(step, ways);
  const tool = tools.find((each) => each.way === way);
  return (
    <>
      {tools.length > 1 && <SwitchButtons label="Which tool" value={way} choices={ways} onChoose={choose} />}
      {tool && <tool.Tool />}
    </>
  );
}
