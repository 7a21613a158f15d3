import { plan, recalledBy } from '../commands/commands';
import type { Recall } from '../commands/command';
import { done, refuse } from '../model/result';
import { derivedCommandId } from '../model/ids';
import { given, levelId, SMALL_TOWER, step } from '../testing/given';
import { UNDO } from './undo-command';

const tower = given(SMALL_TOWER);
const raised = step(tower, 'levels.setElevation', { level: '01', fflMm: 6000, mode: 'only' });
const [undoId, redoId] = [derivedCommandId('undo'), derivedCommandId('redo')];
const target = derivedCommandId('raised');
const recalling =
  (what: { changes: typeof raised.changes; sentence: string }, by?: string): Recall =>
  (id) =>
    id === target || id === undoId
      ? done({ changes: what.changes, sentence: what.sentence, laterAuthor: () => by })
      : refuse('Not in this project');

describe('taking back, a command like others', () => {
  it('does the inverse of what it names, and of a taking back the same again, with a sentence for each', () => {
    const undone = plan(raised.after, UNDO, { target }, undoId, recalling(raised));
    if (!undone.ok) throw new Error(undone.refusal.message);
    expect(undone.value.after.records).toEqual(tower.records);
    expect(undone.value.sentence).toBe(`Undone: ${raised.sentence}`);
    const again = plan(undone.value.after, UNDO, { target: undoId }, redoId, recalling(undone.value));
    if (!again.ok) throw new Error(again.refusal.message);
    expect(again.value.after.records).toEqual(raised.after.records);
    expect(again.value.sentence).toBe(`Redone: ${raised.sentence}`);
    const back = plan(again.value.after, UNDO, { target }, undoId, recalling(again.value));
    expect(back.ok && back.value.sentence).toBe(`Undone: ${raised.sentence}`);
  });

  it('is refused with a reason, and changes nothing, where somebody else changed it since or it is not there', () => {
    const moved = step(raised.after, 'levels.setElevation', { level: '01', fflMm: 6100, mode: 'only' }).after;
    expect(plan(moved, UNDO, { target }, undoId, recalling(raised, 'Orla'))).toMatchObject({
      refusal: { message: expect.stringMatching(/same place by Orla/) },
    });
    expect(plan(moved, UNDO, { target: redoId }, undoId, recalling(raised))).toMatchObject({
      refusal: { message: 'Not in this project' },
    });
    expect(plan(moved, UNDO, { target }, undoId)).toMatchObject({
      refusal: { message: expect.stringMatching(/not there any more/) },
    });
    expect(plan(moved, UNDO, {}, undoId)).toMatchObject({ refusal: { path: ['target'] } });
    expect(plan(moved, UNDO, { target: levelId(moved, '01') + 'x' }, undoId).ok).toBe(false);
  });

  it('is the only command that names an earlier one', () => {
    expect(recalledBy(UNDO, { target })).toBe(target);
    expect(recalledBy(UNDO, { target: 'x' })).toBeNull();
    expect(recalledBy('levels.rename', { level: '01', title: 'x', target })).toBeNull();
  });
});
