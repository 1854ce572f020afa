import { UNITS_OF_SCRIPTS } from './label-words';

export type FigureUnit = 'V' | 'A' | 'W' | 'Wh' | 'Ah' | 'awg' | 'mm2' | 'other';

/** Thousands, thousandths, or as it stands. */
export type Prefix = 'k' | 'm' | '';

const UNITS: readonly (readonly [RegExp, FigureUnit, Prefix])[] = [
  [/^k ?wh(?![a-z])/i, 'Wh', 'k'],
  [/^m ?wh(?![a-z])/i, 'Wh', 'm'],
  [/^(?:w ?[./·]? ?h|watt[- ]?hours?|watt-?stunden|wattheures?)(?![a-z])/i, 'Wh', ''],
  [/^(?:m ?a ?h|milli ?amp(?:ere)?[- ]?hours?)(?![a-z])/i, 'Ah', 'm'],
  [/^(?:a ?[./·]? ?h|amp(?:ere)?[- ]?(?:hours?|stunden))(?![a-z])/i, 'Ah', ''],
  [/^mm ?(?:²|2|\^2|q|kv\.?)(?![a-z\d])|^(?:qmm|sq\.? ?mm)(?![a-z])/i, 'mm2', ''],
  [/^(?:awg|ga|gauge)(?![a-z])/i, 'awg', ''],
  [/^(?:ma)(?![a-z])/i, 'A', 'm'],
  [/^(?:mv)(?![a-z])/i, 'V', 'm'],
  [/^(?:kw)(?![a-z])/i, 'W', 'k'],
  [/^(?:mw)(?![a-z])/i, 'W', 'm'],
  [/^(?:v(?:olts?|oltios?)? ?(?:dc|ac|d\.c\.)|v(?:olts?|oltios?)?)(?![a-z])/i, 'V', ''],
  [/^(?:a(?:mp(?:s|[eè]res?|erios?)?)?)(?![a-z])/i, 'A', ''],
  [/^(?:w(?:atts?)?|vatios?)(?![a-z])/i, 'W', ''],
  // read for what it is, and nothing of power: lengths, weights, hertz, per cent, temperatures, resistance, rates of discharge
  [
    /^(?:mm|cm|m|ft|feet|in|inch|zoll|hz|khz|g|kg|oz|lb|lbs|%|°c|° ?c|°f|c|mω|ω|mohm|ohm|va|h|hrs?|min|years?|jahre?|ans|cycles?|x?lm|lumens?)(?![a-z])/i,
    'other',
    '',
  ],
];

/** A letter of a script that is not Latin, with the marks on it. */
export const OTHER_LETTER = /^(?![a-zà-ÿßµω])\p{L}[\p{M}ー]*/iu;
/** A unit that stands before its number. */
export const UNIT_BEFORE = String.raw`\(?\[?(?<unit>k?wh|m?wh|m?ah|ma|vdc|v|a|w)\)?\]?[ :=]*(?<number>\d+(?:[.,]\d+)*)(?![\d.,]*\d)`;
/** A label that writes every number behind its unit. */
export const UNIT_FIRST = new RegExp(
  `^(?:[^\\d]*(?<![a-z])${UNIT_BEFORE.replace(/\?<(?:unit|number)>/g, '?:')}(?![ ]*(?:k?wh|m?wh|m?ah|ma|vdc|v|a|w)(?![a-z])\\s*(?:$|[,;/|]|\\n)))+[^\\d]*$`,
  'i',
);

/** A unit in whatever script; none goes on in letters of its own. */
export const ALL_UNITS: typeof UNITS = [
  ...UNITS,
  ...UNITS_OF_SCRIPTS.map(([{ source, flags }, ...rest]) => [new RegExp(`(?:${source})(?![a-zа-я])`, flags), ...rest] as const),
];

/** Digits, letters and marks of other widths and scripts as plain ones: each stays one place in the text. */
export function plain(text: string): string {
  return text
    .replace(/[\uff01-\uff5e]/g, (found) => String.fromCharCode(found.charCodeAt(0) - 0xfee0))
    .replace(/\u3000/g, ' ')
    .replace(/[\u0660-\u0669\u06f0-\u06f9]/g, (found) => String(found.charCodeAt(0) & 0xf))
    .replace(/[\u066b]/g, ',')
    .replace(/[\u200e\u200f\u061c\u202a-\u202e]/g, ' ');
}

/** What a unit that is written out means; undefined where it is none. */
export function readUnit(text: string): readonly [FigureUnit, Prefix] | undefined {
  for (const [pattern, unit, prefix] of UNITS) if (pattern.exec(text)?.[0] === text) return [unit, prefix];
  return undefined;
}

export function scaled(value: number, prefix: Prefix): number {
  return prefix === 'm' ? value / 1000 : prefix === 'k' ? value * 1000 : value;
}
