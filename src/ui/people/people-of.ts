import type { Role } from '@/core/people/powers';

export interface Member {
  id: string;
  name: string;
  email: string;
  role: Role;
  disciplines: string[];
  joinedAt: string;
}

export interface Invitation {
  id: string;
  email: string;
  role: Role;
  disciplines: string[];
  invitedBy: string;
  at: string;
  until: string;
  state: 'open' | 'used' | 'expired' | 'taken back';
  usedBy: string | null;
}

/** The people of a project, as the page about them is told. */
export interface PeopleOf {
  project: string;
  me: { id: string; role: Role; mayInvite: boolean; mayManage: boolean };
  members: Member[];
  invitations: Invitation[];
  powers: { role: Role; may: string[] }[];
  disciplines: string[];
}
