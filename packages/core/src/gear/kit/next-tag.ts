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
 * The first tag of a form that is free.
 *
 * @example firstTag('v-mount', new Set()) // 'V1'
 */
export function firstTag(form: Battery['form'], inUse: ReadonlySet<string>): string {
  const letter = LETTERS[form];
  let number = 1;
  while (inUse.has(`${letter}${number}`)) number++;
  return `${letter}${number}`;
}

/**
 * The tag after the last one of a sort: `V8` after V1 to V7; undefined where nothing of the sort bears one.
 *
 * @example tagAfter(['V1', 'V2']) // 'V3'
 */
export function tagAfter(tags: readonly string[]): string | undefined {
  const counted = tags.flatMap((tag) => {
    const [, stem, digits] = /^(.*?)(\d+)$/.exec(tag) ?? [];
    return stem === undefined ? [] : [{ stem, number: Number(digits) }];
  });
  const [last] = counted.sort((a, b) => b.number - a.number);
  return last && `${last.stem}${last.number + 1}`;
}
