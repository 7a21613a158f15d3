import type { Command } from '../model/command';
import { COLUMN_CHANGE_COMMANDS } from './change-commands';
import { COLUMN_PLACE_COMMANDS } from './place-commands';

export const COLUMN_COMMANDS: Command[] = [...COLUMN_PLACE_COMMANDS, ...COLUMN_CHANGE_COMMANDS];
