import type { Id } from '@/core/model/ids';

/** What a pointer is over, and what a press on it says. */
export interface Pointed {
  onPoint: (id: Id | null) => void;
  onPress: (id: Id, event: MouseEvent) => void;
}
