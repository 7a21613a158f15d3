import { ELSEWHERE, defineKind } from '../kinds/kind';
import { withFreeName } from '../kinds/renewed';
import { ceilingRecords } from './ceiling';

export const ceilingKind = defineKind({
  ...ELSEWHERE,
  records: ceilingRecords,
  inPlan: {
    follows: ({ outline }) => (outline ? null : 'hangs in its rooms. Move their walls'),
    renewed: withFreeName,
  },
  inCores: false,
  shownAs: { kind: 'ceilings' },
  carriedAs: { words: { ceilings: 'ceilings' }, kind: () => 'ceilings' },
  step: { step: 'walls' },
});

declare module '../kinds/carry-kinds' {
  interface CarryKinds {
    ceilings: true;
  }
}
