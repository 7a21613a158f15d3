import { refSchema } from '../commands/refer';

/** The rule set a command names: the project's own by name too. */
export const rulesInputSchema = refSchema.meta({
  description: 'public, general, private, or a rule set of the project by id or name',
});
export const rampRulesInputSchema = refSchema.meta({
  description: 'public, general, sliding, or a rule set of the project by id or name',
});
