import type { Sent } from '@/core/commands/command-inputs';
import { ANNEX } from './annex';
import { ENVELOPE } from './envelope';
import { HALL_HOUSE } from './hall-house';
import { LOWER_FLOORS } from './lower-floors';
import { TYPES } from './made';
import { RAMPS_AND_GUARDS } from './ramps-and-guards';
import { STUDENT_FLOORS } from './student-floors';
import { UPPER_FLOORS } from './upper-floors';
import { WALLS_AND_ROOMS } from './walls-and-rooms';

/**
 * "Tidewater Yard", a made-up music school with student rooms: the hall house and the annex, as a script of commands. Everything
 * shown in pictures and tests is made by this script.
 */
export const TIDEWATER_YARD: readonly Sent[] = [
  ...HALL_HOUSE,
  ...ANNEX,
  ...TYPES,
  ...ENVELOPE,
  ...WALLS_AND_ROOMS,
  ...LOWER_FLOORS,
  ...STUDENT_FLOORS,
  ...UPPER_FLOORS,
  ...RAMPS_AND_GUARDS,
];
