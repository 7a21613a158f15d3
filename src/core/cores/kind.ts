import { coreSentence, coresListed } from './say-cores';
import { NO_THING, defineKind, none } from '../kinds/kind';
import { coreRecords } from './core';

export const coreKind = defineKind({
  ...NO_THING,
  records: coreRecords,
  commands: none('It holds things of several kinds: they stand with the commands of those'),
  forms: none('They stand with those for things of several kinds: entry/forms.ts'),
  inPlan: none('Its parts are taken in its place'),
  inCores: false,
  shownAs: none('Its parts are drawn'),
  carriedAs: none('Its parts are carried'),
  step: none('It is made of what is chosen'),
  sentence: coreSentence,
  listed: coresListed,
});
