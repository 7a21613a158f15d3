import { recordsById, type Framework } from '../model/framework';
import { canonicalJson } from '../model/json';
import { FILE_VERSION } from './migrate';

/** Writes a framework as a `*.spine.json` file: versioned, records by id, keys sorted. */
export const writeSpineFile = (framework: Framework): string =>
  `${canonicalJson({ format: 'spine', version: FILE_VERSION, records: recordsById(framework) })}\n`;
