import type { Id } from '../model/ids';
import type { Role } from './powers';

/** A member of a project, as the page about people is told. */
export interface Member {
  id: string;
  name: string;
  email: string;
  role: Role;
  disciplines: string[];
  /** ISO 8601, as all times here. */
  joinedAt: string;
}

export type InvitationState = 'open' | 'used' | 'expired' | 'taken back';

/** An invitation as it is listed. */
export interface ListedInvitation {
  id: string;
  email: string;
  role: Role;
  disciplines: string[];
  invitedBy: string;
  at: string;
  until: string;
  state: InvitationState;
  /** Who joined with it. */
  usedBy: string | null;
}

/** What who opens an invitation is told before they join. */
export interface Invited {
  projectId: string;
  project: string;
  role: Role;
  disciplines: string[];
  invitedBy: string;
  email: string;
  /** What one may do in it, in words. */
  may: string[];
}

/** One line of what happened around a project. */
export interface AuditLine {
  at: string;
  event: string;
  who: string;
  about: string;
  detail: string;
  address: string;
}

/** A place where somebody is signed in. */
export interface SignInPlace {
  id: string;
  /** The address it came from, and the browser, as they were told. */
  address: string;
  browser: string;
  since: string;
  /** When the session was last made longer: about when it was last used. */
  lastSeen: string;
  isThis: boolean;
}

/** A project as the list shows it. */
export interface ListedProject {
  id: string;
  name: string;
  role: Role;
  headSeq: number;
  changedAt: string;
  /** Who made the last change, and what it was; null before the first. */
  lastBy: string | null;
  lastDone: string | null;
  archived: boolean;
  /** When it was deleted: until some days later it can be brought back. */
  deletedAt: string | null;
  members: { id: string; name: string; role: Role }[];
  /** Its buildings, and the change they were counted at; null until they are. */
  summary: { seq: number; buildings: { name: string; levels: number }[] } | null;
}

/** Where somebody looks in a tab. */
export interface Place {
  building: Id | null;
  level: Id | null;
  view: string;
  selection: Id[];
}

/** What everybody in a project is told of a tab: where it looks; null when it closed. */
export interface Here {
  projectId: string;
  tab: string;
  userId: string;
  name: string;
  place: Place | null;
}
