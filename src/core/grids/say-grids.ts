import type { Listed, Sentence } from '../kinds/said';
import type { SolvedLine } from '../solving/solved';

export const gridLineSentence: Sentence<'gridLine'> = {
  title: ({ id }, { solved }) => `Grid line ${solved.lines.find((line) => line.id === id)?.label ?? 'without a label'}`,
  of: ({ id }, { solved, write }) => {
    const line = solved.lines.find((each) => each.id === id);
    return line ? lineSentence(line, write) : 'It is not drawn.';
  },
};

function lineSentence(line: SolvedLine, write: (mm: number) => string): string {
  const minor = line.minor ? 'A minor line, ' : '';
  const part = line.side === 'both' ? '' : ', stopping part way';
  const { curve } = line;
  if (line.shape === 'free')
    return `${minor}${curve.kind === 'arc' ? `a free arc of radius ${write(curve.radiusMm)}` : 'a free line'}.`;
  if (line.offsetDeg !== null) return `${minor}${line.offsetDeg}° from the first ray.`;
  if (curve.kind === 'arc') return `${minor}a ring of radius ${write(line.offsetMm)}.`;
  return `${minor}${write(line.offsetMm)} from the first line of its direction${part}.`;
}

export const gridLinesListed: Listed = {
  heading: 'Grid lines',
  things: ({ solved, shown }) =>
    solved.lines
      .filter(({ building }) => building === shown.building)
      .map(({ id, label }) => ({ id, words: label ?? '–' })),
};
