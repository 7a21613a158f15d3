import { facet } from '@/core/kinds/kind';
import { everyFacet, kindOf } from '@/core/kinds/registry';
import { recordKindOf } from '@/core/kinds/records';
import { offeredInPlan } from '@/core/elements/in-plan';
import { ringAround } from '@/core/elements/offset-command';
import type { Kind } from '@/core/model/kinds';
import type { Id } from '@/core/model/ids';
import type { Act } from '../kinds/kind-ui';
import { byHand } from './by-hand';
import { uiOf } from '../kinds/registry';
import { take } from './taken';
import type { Project } from '../session/project';

/** The acts for what is chosen: those used most first, the same on the bar and in the menu, which has more. */
export interface ActGroups {
  few: readonly Act[];
  more: readonly Act[];
}

export const REMOVE: Act = {
  words: 'Delete',
  weight: 'danger',
  act: ({ selection, framework, run, select }) => {
    const [first] = selection;
    const line = first === undefined ? undefined : framework.records.get(first);
    const refusal =
      line?.kind === 'gridLine' && selection.length === 1
        ? run('grids.removeLine', { line: line.id })
        : run('elements.remove', { ids: [...selection] });
    if (refusal === null) select([]);
    return refusal;
  },
};

/** All things of one kind that stand at the current level of the building shown. */
function sameHere({ framework, solved, level }: Project, kind: Kind): Id[] {
  const shown = solved?.levels.find(({ id }) => id === level);
  if (!solved || !shown) return [];
  const all = everyFacet('listed').flatMap(({ things }) => things({ framework, solved, shown }));
  return [...new Set(all.map(({ id }) => id))].filter((id) => framework.records.get(id)?.kind === kind);
}

/** What can be done with what is chosen now; null where nothing is. */
export function actsFor(project: Project): ActGroups | null {
  const { framework, selection, mayEdit, building } = project;
  const records = selection.flatMap((id) => framework.records.get(id) ?? []);
  if (records.length === 0) return null;
  const kinds = new Set(records.map(({ kind }) => kind));
  const [kind] = kinds;
  const many = kind && kinds.size === 1 ? recordKindOf(kind)!.words.many : null;
  const choose: Act[] = [];
  if (many && kind) {
    const inBuilding = (id: Id) => {
      const record = framework.records.get(id);
      return record?.kind === kind && (!('building' in record) || record.building === building);
    };
    choose.push({
      words: `Choose all ${many} on this level`,
      act: (now) => {
        now.select(sameHere(now, kind));
        return null;
      },
    });
    choose.push({
      words: `Choose all ${many} on all levels`,
      act: (now) => {
        now.select([...now.framework.records.keys()].filter(inBuilding));
        return null;
      },
    });
  }
  const ui = kinds.size === 1 ? uiOf(records[0]!) : undefined;
  const own = (ui && facet(ui.acts)?.of(records)) ?? { few: [], more: [] };
  if (!mayEdit) return { few: [], more: [...choose, ...own.more.filter(({ isLooking }) => isLooking)] };
  const { move, copy } = offeredInPlan(framework, selection);
  const few: Act[] = [
    ...(move ? [byHand('Move', 'move', 'Move from a point to a point')] : []),
    ...(copy
      ? [
          byHand('Copy', 'copy', 'Copy from a point to points, or in a row'),
          byHand('Mirror', 'mirror', 'Mirror in a pressed line'),
        ]
      : []),
    ...(move
      ? [byHand('Turn', 'turn', 'Turn about a point'), byHand('Flush', 'flush', 'Bring a side flush with another')]
      : []),
  ];
  const isOffset = records.every((record) => ringAround(framework, record, project.level));
  const offset = isOffset ? [byHand('Offset', 'offset', 'Move all edges outwards or inwards')] : [];
  const isDeleted = records.every((record) => facet(kindOf(record).inPlan) || record.kind === 'gridLine');
  const elsewhere: Act[] = copy
    ? [
        { words: 'Take along to another level, building or project (Ctrl+C)', act: take },
        {
          words: 'Take along and delete here (Ctrl+X)',
          act: (now) => take(now) ?? REMOVE.act(now),
        },
      ]
    : [];
  return {
    few: [...few, ...own.few],
    more: [...elsewhere, ...offset, ...own.more, ...choose, ...(isDeleted ? [REMOVE] : [])],
  };
}
