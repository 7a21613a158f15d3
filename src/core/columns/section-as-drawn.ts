import { refusing } from '../commands/length-input';
import type { Framework } from '../model/framework';
import { readSection, sectionInputSchema, type SectionInput } from './column-input';
import { sectionMm, type SectionMm } from './section-shape';

/** A section as it will be once its column stands, for showing it before; null where it cannot be. */
export function sectionAsDrawn(framework: Framework, input: SectionInput): SectionMm | null {
  const read = sectionInputSchema.safeParse(input);
  if (!read.success) return null;
  let section: SectionMm | null = null;
  refusing(() => {
    section = sectionMm(framework, readSection(framework, read.data));
  });
  return section;
}
