import type { Role } from '@/core/people/powers';
import type { ListedInvitation, Member } from '@/core/people/told';

/** The people of a project, as the page about them is told. */
export interface PeopleOf {
  project: string;
  me: { id: string; role: Role; mayInvite: boolean; mayManage: boolean };
  members: Member[];
  invitations: ListedInvitation[];
  powers: { role: Role; may: string[] }[];
  disciplines: string[];
}
