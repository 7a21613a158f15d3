import { finding, fixBy, type Finding } from '../checks/finding';
import { called } from '../kinds/records';
import { recordOf, recordsOf } from '../model/framework';
import { definePass } from '../passes/pass';
import { pitchedRoofsPass } from '../pitched-roofs/pitched-roof-passes';
import { assembliesOf, type Assembly } from '../slants/assembly';
import { ownRecords } from '../solving/building-passes';
import { formatLength } from '../units/format-length';
import { UNSOLVED } from './roof-opening-rules';
import { solveRoofOpening, type SolvedOpening } from './solve-roof-opening';

const WHERE = { heightMm: 'high', widthMm: 'wide', upMm: 'up the roof' } as const;

const roofOpeningPass = definePass<SolvedOpening | null>({
  name: 'roof opening',
  scope: 'thing',
  run: (cx, id) => {
    const opening = recordOf(cx.framework, 'roofOpening', id);
    if (!opening) return null;
    const roofs = assembliesOf(cx.get(pitchedRoofsPass, opening.building), 'pitchedRoof');
    const roof = roofs.find(({ thing }) => thing === opening.roof);
    return roof
      ? solveRoofOpening(cx.framework, opening, roof)
      : { fault: 'Its roof cannot be worked out. See to that first', would: null };
  },
  failing: ({ framework }, id) => {
    const opening = recordOf(framework, 'roofOpening', id);
    return {
      what: opening ? called(opening) : 'A roof opening',
      building: opening?.building ?? '',
      about: [id],
      value: null,
    };
  },
});

export const roofOpeningsPass = definePass({
  name: 'roof openings',
  scope: 'building',
  gathers: true,
  run: (cx, building): readonly Assembly[] =>
    ownRecords(recordsOf(cx.framework, 'roofOpening'), building).flatMap(({ id }) => {
      const solved = cx.get(roofOpeningPass, id);
      return solved && 'made' in solved ? [solved.made] : [];
    }),
});

export const roofOpeningFindingsPass = definePass({
  name: 'findings of roof openings',
  scope: 'building',
  run: (cx, building): readonly Finding[] =>
    ownRecords(recordsOf(cx.framework, 'roofOpening'), building).flatMap((opening) => {
      const solved = cx.get(roofOpeningPass, opening.id);
      if (!solved || 'made' in solved) return [];
      const { fault, would } = solved;
      const write = (mm: number) => `${formatLength(mm)} mm`;
      const words = Object.entries(would ?? {})
        .map(([field, mm]) => `${write(mm)} ${WHERE[field as keyof typeof WHERE]}`)
        .join(' and ');
      const fixes = [
        ...(words ? [fixBy(`Make it ${words}`, 'roofOpenings.change', { opening: opening.id, ...would })] : []),
        fixBy('Delete it', 'elements.remove', { ids: [opening.id] }),
      ];
      const level = recordOf(cx.framework, 'pitchedRoof', opening.roof)?.eavesAt.level ?? null;
      return [
        finding(
          UNSOLVED,
          building,
          level,
          [opening.id],
          `Roof opening ${opening.name} cannot be worked out. ${fault}`,
          fixes,
        ),
      ];
    }),
});
