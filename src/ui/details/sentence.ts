import { facet } from '@/core/kinds/kind';
import { called } from '@/core/kinds/records';
import { kindOf } from '@/core/kinds/registry';
import type { SayAt } from '@/core/kinds/said';
import type { Framework } from '@/core/model/framework';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { formatArea, formatElevation, formatLength, type LengthDisplay } from '@/core/units/format-length';

export interface Said {
  title: string;
  sentence: string;
}

/** One sentence on a thing: what it is and where it runs. */
export function sayThing(framework: Framework, solved: Solved, id: Id, display: LengthDisplay): Said | null {
  const record = framework.records.get(id);
  const said = record && facet(kindOf(record).sentence);
  if (!said) return null;
  const at: SayAt = {
    framework,
    solved,
    write: (mm) => formatLength(mm, display),
    elevation: (mm) => formatElevation(mm, display),
    area: (mm2) => formatArea(mm2, display),
    level: (level) => solved.levels.find((candidate) => candidate.id === level)?.name ?? '?',
  };
  const words = called(record);
  return {
    title: said.title?.(record, at) ?? words.charAt(0).toUpperCase() + words.slice(1),
    sentence: said.of(record, at),
  };
}
