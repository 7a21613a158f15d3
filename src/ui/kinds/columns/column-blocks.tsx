'use client';

import { mmOf } from '@/core/dimensions/resolve-length';
import { CheckField, ChoiceField } from '../../fields/fields';
import { LengthField } from '../../fields/length-field';
import { useProject } from '../../session/store';
import type { Change } from '@/core/commands/command-inputs';
import { stackIn } from './stack-in';

type Block = 'head' | 'thickening';

/** Column heads and slab thickenings. */
export function Blocks({ columns }: { columns: readonly string[] }) {
  const project = useProject((shown) => shown);
  const { framework, solved, level, run, say, mayEdit } = project;
  const stack = stackIn(project, columns[0]!);
  if (!stack || !solved) return null;
  const attempt = (refusal: string | null) => {
    if (refusal) say(refusal);
  };
  const set = (part: Change<'columns.setBlocks', 'columns'>) =>
    run('columns.setBlocks', { columns: [...columns], ...part });
  const usual: Record<Block, { widthMm: number; depthMm: number; heightMm: number }> = {
    head: { widthMm: 1200, depthMm: 1200, heightMm: 400 },
    thickening: { widthMm: 2400, depthMm: 2400, heightMm: 150 },
  };
  const levels = solved.levels.filter((each) => each.building === stack.building && each.bounding).slice(1);
  return (
    <details className="border-t border-faint pt-1.5" open={stack.head !== null || stack.thickening !== null}>
      <summary className="text-ink2">Heads and thickenings</summary>
      <div className="flex flex-col gap-1.5 pt-1.5">
        {(['head', 'thickening'] as const).map((block) => {
          const size = stack[block];
          const words = block === 'head' ? 'Column head' : 'Slab thickening';
          return (
            <div key={block} className="flex flex-col gap-1">
              <CheckField
                label={words}
                value={size !== null}
                disabled={!mayEdit}
                onChange={(on) => attempt(set({ [block]: on ? usual[block] : null }))}
              />
              {size &&
                (['widthMm', 'depthMm', 'heightMm'] as const).map((field) => (
                  <LengthField
                    key={field}
                    label={`${words}: ${field.replace('Mm', '')}`}
                    valueMm={mmOf(framework, size[field])}
                    disabled={!mayEdit}
                    onCommit={(length) => set({ [block]: { ...size, [field]: length } })}
                  />
                ))}
            </div>
          );
        })}
        {(stack.head || stack.thickening) && (
          <ChoiceField
            label="Under the slabs"
            value={stack.blocksAt === 'allButTop' ? 'allButTop' : 'chosen'}
            disabled={!mayEdit}
            choices={[
              ['allButTop', 'of all levels but the top'],
              ['chosen', 'of chosen levels'],
            ]}
            onChoose={(choice) => attempt(set({ at: choice === 'allButTop' ? 'allButTop' : level ? [level] : [] }))}
          />
        )}
        {stack.blocksAt !== 'allButTop' && (
          <div role="group" aria-label="Under the slabs of" className="flex flex-wrap gap-1">
            {levels.map(({ id, name }) => {
              const isOn = stack.blocksAt.includes(id);
              return (
                <button
                  key={id}
                  type="button"
                  aria-pressed={isOn}
                  disabled={!mayEdit}
                  className={`figures rounded-sm border px-1.5 ${isOn ? 'border-now bg-now text-sheet' : 'border-hair bg-sheet'}`}
                  onClick={() => {
                    const now = stack.blocksAt === 'allButTop' ? [] : stack.blocksAt;
                    attempt(set({ at: isOn ? now.filter((each) => each !== id) : [...now, id] }));
                  }}
                >
                  {name}
                </button>
              );
            })}
          </div>
        )}
      </div>
    </details>
  );
}
