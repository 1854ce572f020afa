import type { Battery } from '..';

/**
 * Tags for several things of one kind: the first as typed, the others counted on from its number, past those in use.
 *
 * @example nextTags('V7', 3, new Set(['V8'])) // ['V7', 'V9', 'V10']
 */
export function nextTags(first: string, count: number, inUse: ReadonlySet<string>): readonly string[] {
  const [, stem = first, digits] = /^(.*?)(\d+)$/.exec(first) ?? [];
  const tags: string[] = [];
  for (let number = Number(digits ?? 1); tags.length < count; number++) {
    const tag = digits === undefined && count === 1 ? first : `${stem}${number}`;
    if (tags.length === 0 || !inUse.has(tag)) tags.push(tag);
  }
  return tags;
}

/** What the first battery of a form is called, where nobody has said otherwise; judgement. */
const LETTERS: Readonly<Record<Battery['form'], string>> = {
  'v-mount': 'V',
  'three-stud': 'T',
  'l-series': 'L',
  camera: 'C',
  bank: 'B',
  pack: 'P',
};

/**
 * The tag that comes next for a battery of a form: after the last one of those alike, `V8` after V1 to V7; the first of its
 * letter that is free where none of them bears a number.
 *
 * @example tagFor('v-mount', ['V1', 'V2'], new Set(['V1', 'V2'])) // 'V3'
 */
export function tagFor(form: Battery['form'], alike: readonly string[], inUse: ReadonlySet<string>): string {
  const counted = alike.flatMap((tag) => {
    const [, stem, digits] = /^(.*?)(\d+)$/.exec(tag) ?? [];
    return stem === undefined ? [] : [{ stem, number: Number(digits) }];
  });
  const [last] = counted.sort((a, b) => b.number - a.number);
  if (last) return `${last.stem}${last.number + 1}`;
  const letter = LETTERS[form];
  let number = 1;
  while (inUse.has(`${letter}${number}`)) number++;
  return `${letter}${number}`;
}
