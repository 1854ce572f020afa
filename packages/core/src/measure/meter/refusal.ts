import { issue } from '../../issue';
import type { Issue } from '../../issue';

const SHOWN_LINES = 3;
const SHOWN_LENGTH = 60;

/** A place in a file that holds something else than was expected. */
export interface BadPlace {
  readonly line: number;
  /** By its name, or its place. */
  readonly column: string;
  readonly expected: string;
  readonly got: string;
}

/** Why a file was refused: what was looked for, the first place that is otherwise, and how the file begins. */
export function refusal(code: string, says: string, place: BadPlace | undefined, lines: readonly string[]): Issue {
  const shown = lines.filter((line) => line.trim() !== '').slice(0, SHOWN_LINES);
  const begins =
    shown.length === 0 ? 'The file is empty.' : `The file begins: ${shown.map((line) => `“${line.slice(0, SHOWN_LENGTH)}”`).join(', ')}.`;
  const { expected, received } = place ? issue('', code, place.expected, place.got) : issue('', code, says, shown[0]);
  const where = place ? ` Line ${place.line}, ${place.column}: expected ${expected}; got ${received}.` : '';
  return { path: place ? `/line ${place.line}/${place.column}` : '', code, expected, received, message: `${says}${where} ${begins}` };
}
