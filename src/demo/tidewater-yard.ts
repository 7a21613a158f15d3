import type { Sent } from '@/core/commands/command-inputs';
import { ANNEX } from './annex';
import { HALL_HOUSE } from './hall-house';
import { WALLS_AND_ROOMS } from './walls-and-rooms';

/**
 * "Tidewater Yard", a made-up music school with student rooms: the hall house and the annex, as a script of commands. Everything
 * shown in pictures and tests is made by this script.
 */
export const TIDEWATER_YARD: readonly Sent[] = [...HALL_HOUSE, ...ANNEX, ...WALLS_AND_ROOMS];
