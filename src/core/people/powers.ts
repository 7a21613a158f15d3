/** What a member is in a project. */
export const ROLES = ['owner', 'designer', 'consultant', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

/** Who may invite others into a project. */
export const INVITERS = ['owners', 'designers'] as const;
export type Inviters = (typeof INVITERS)[number];

/** What can be done in a project, for whom, and how it is said of them. */
interface PowerRow {
  roles: readonly Role[];
  /** Goes on from “May”. */
  words: string;
  /** Goes on from “you cannot”, for who may not. */
  refused: string;
}

/**
 * The one table of what each may do. The server asks it, the interface is fitted to it, and the page about people shows it.
 * Designers invite only where the project lets them: see {@link may}.
 */
export const POWERS = {
  look: {
    roles: ROLES,
    words: 'look at everything, measure, choose, download files, and keep views of one’s own',
    refused: 'look at this',
  },
  edit: {
    roles: ['owner', 'designer'],
    words: 'change the framework, bring files, and undo one’s own edits',
    refused: 'change the framework',
  },
  invite: { roles: ['owner', 'designer'], words: 'invite people', refused: 'invite people' },
  people: {
    roles: ['owner'],
    words: 'change roles, remove people, hand the project over, and read what happened',
    refused: 'change who is in the project',
  },
  project: {
    roles: ['owner'],
    words: 'rename, set up, archive and delete the project',
    refused: 'change the project itself',
  },
  copy: {
    roles: ['owner', 'designer'],
    words: 'copy the project and take it out as one file',
    refused: 'copy the project or take it out',
  },
} as const satisfies Record<string, PowerRow>;

export type Power = keyof typeof POWERS;

/** True if a role has a power in a project that lets these invite. */
export const may = (role: Role, power: Power, inviters: Inviters = 'designers'): boolean =>
  (POWERS[power].roles as readonly Role[]).includes(role) &&
  (power !== 'invite' || role === 'owner' || inviters === 'designers');

/** What a role may do, in words, one line for each power. */
export const powersOf = (role: Role, inviters: Inviters): string[] =>
  (Object.keys(POWERS) as Power[]).filter((power) => may(role, power, inviters)).map((power) => POWERS[power].words);

/** Why a role cannot do something, in words. */
export const mayNot = (role: Role, power: Power): string =>
  power === 'edit'
    ? `As ${role} you can look and measure, but not change the framework`
    : `As ${role} you cannot ${POWERS[power].refused}. Ask an owner`;

/** Why an archived project is not changed. */
export const ARCHIVED = 'This project is archived. An owner can take it out of the archive';

/** Disciplines a project begins with; it may have others. */
export const DISCIPLINES: readonly string[] = ['Structure', 'Services', 'Fire', 'Acoustics', 'Landscape'];
