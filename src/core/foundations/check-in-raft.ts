import { finding, fixBy, type Finding } from '../checks/finding';
import { calledIn } from '../commands/refer';
import { subtract } from '../geometry/boolean';
import { boundsOf, boxesMeet } from '../geometry/polygon';
import { recordOf, type Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { FoundationPiece } from '../solving/solved';

/** What is left of a pad outside a raft, and is nothing, mm². */
const NOTHING_MM2 = 1;

/** Pads and strips that lie wholly in a raft of the building, in plan and in height: the raft is there already. A finding for each foundation. */
export function checkInRaft(framework: Framework, pieces: readonly FoundationPiece[]): Finding[] {
  const rafts = pieces.filter(({ form }) => form === 'raft');
  const within = new Map<Id, { raft: FoundationPiece; pieces: FoundationPiece[] }>();
  for (const piece of pieces) {
    if (piece.form === 'raft') continue;
    const raft = rafts.find(
      (each) => each.bottomMm <= piece.bottomMm + 1 && each.topMm >= piece.topMm - 1 && isOver(each, piece),
    );
    if (!raft) continue;
    const known = within.get(piece.foundation) ?? { raft, pieces: [] };
    known.pieces.push(piece);
    within.set(piece.foundation, known);
  }
  return [...within].flatMap(([id, { raft, pieces: eaten }]): Finding[] => {
    const record = recordOf(framework, 'foundation', id);
    if (!record) return [];
    const gone = new Set(eaten.map(({ under }) => under));
    const left = record.under.filter((each) => !gone.has(each));
    const first = eaten[0]!.under && framework.records.get(eaten[0]!.under);
    const one = record.form === 'pads' ? 'pad' : 'strip';
    const what = first ? ` under ${calledIn(framework, first)}` : '';
    const more = eaten.length > 1 ? ` and ${eaten.length - 1} more` : '';
    const lie = eaten.length > 1 ? 'lie' : 'lies';
    const message = `The ${one} of ${record.name}${what}${more} ${lie} wholly in raft ${raft.name}. Take ${eaten.length > 1 ? 'them' : 'it'} away, or make ${eaten.length > 1 ? 'them' : 'it'} thicker than the raft`;
    const fix =
      left.length > 0
        ? fixBy(`Leave ${eaten.length > 1 ? 'those' : 'it'} out of ${record.name}`, 'foundations.change', {
            foundation: id,
            under: left,
          })
        : fixBy(`Take ${record.name} away`, 'elements.remove', { ids: [id] });
    return [finding('foundation.inRaft', record.building, record.top.level, [id, raft.foundation], message, [fix])];
  });
}

function isOver(raft: FoundationPiece, piece: FoundationPiece): boolean {
  if (!boxesMeet(boundsOf(raft.rings), boundsOf(piece.rings))) return false;
  return piece.rings.every((ring) => subtract(ring, raft.rings).areaMm2 < NOTHING_MM2);
}
