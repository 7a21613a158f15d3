import { z } from 'zod';
import { ref } from '../kinds/marks';
import { RAMP_RULE_SETS } from '../ramps/ramp-rules';
import { RULE_SETS } from '../stairs/rule-sets';

/** The rule set a thing is measured against: a shipped one by its name, or one of the project's own by its id. */
export const rulesSchema = z.union([z.enum(RULE_SETS), ref('refuse')]);
export const rampRulesSchema = z.union([z.enum(RAMP_RULE_SETS), ref('refuse')]);
