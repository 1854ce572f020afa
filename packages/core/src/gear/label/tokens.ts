import { parseNumber } from '../../quantity';
import type { ChemistryId } from '../../tables';
import type { Connector } from '..';
import { ALL_UNITS, OTHER_LETTER, plain, readUnit, scaled, UNIT_BEFORE, UNIT_FIRST } from './label-units';
import type { FigureUnit } from './label-units';
import {
  CELL_SIZES,
  CELL_WORDS,
  CHEMISTRY_WORDS,
  CONNECTOR_WORDS,
  COUNTED_WORDS,
  DIRECTION_WORDS,
  EACH_WORDS,
  FROM_WORDS,
  FULL_WORDS,
  LEAST_WORDS,
  MARKINGS,
  MOST_WORDS,
  NAME_WORDS,
  OWN_WORDS,
  PEAK_WORDS,
  TOTAL_WORDS,
  WORDS_OF_SCRIPTS,
} from './label-words';

/** A piece of a label, where it stands in it. */
export type Token = { readonly at: number; readonly text: string } & (
  | {
      readonly is: 'figure';
      readonly unit: FigureUnit;
      /** Undefined where the digits can be read in two ways. */
      readonly value: number | undefined;
      /** Where two volts are joined to a range. */
      readonly toValue?: number | undefined;
      /** It is printed in thousandths, as mAh are. */
      readonly milli: boolean;
    }
  | { readonly is: 'number'; readonly value: number }
  | { readonly is: 'barrel'; readonly outerMm: number; readonly innerMm: number }
  | { readonly is: 'cells'; readonly series: number | undefined }
  | { readonly is: 'count'; readonly count: number; /** It stands behind what it counts. */ readonly trails?: boolean }
  | { readonly is: 'size' }
  | { readonly is: 'chemistry'; readonly chemistry: ChemistryId }
  | { readonly is: 'connector'; readonly type: Connector['type'] | undefined; readonly name: string }
  | { readonly is: 'direction'; readonly direction: 'in' | 'out' }
  | { readonly is: 'polarity'; readonly polarity: NonNullable<Connector['polarity']> }
  | {
      readonly is:
        | 'end'
        | 'comma'
        | 'dash'
        | 'each'
        | 'own'
        | 'total'
        | 'least'
        | 'most'
        | 'counted'
        | 'peak'
        | 'full'
        | 'name'
        | 'cell-word'
        | 'word';
    }
  | { readonly is: 'unreadable' }
);

const NUMBER = String.raw`\d{1,3}(?:[.,'’]\d{3})*(?:[.,]\d+)?(?!\d)|\d+(?:[.,]\d+)?`;
const GROUPED = String.raw`\d{1,3}(?:[ '’]\d{3})+(?:[.,]\d+)?(?!\d)`;
const POLARITY: readonly (readonly [RegExp, NonNullable<Connector['polarity']>])[] = [
  [
    /^(?:\(?\+\)? ?(?:in(?:side|nen)?|innen|dentro|interno|int[ée]rieur|à l'int[ée]rieur|binnen|cent(?:er|re)|tip)|(?:cent(?:er|re)|tip|inner|innen|plus innen)[- ]?(?:positive|plus|\+)|plus innen)(?![a-zà-ÿ])/i,
    'centre-positive',
  ],
  [
    /^(?:\(?[-−]\)? ?(?:inside|innen|dentro|interno|binnen|cent(?:er|re)|tip)|(?:cent(?:er|re)|tip|inner)[- ]?(?:negative|minus|-)|\(?\+\)? ?(?:out(?:side)?|aussen|außen|fuera|esterno|ext[ée]rieur|buiten)|minus innen)(?![a-zà-ÿ])/i,
    'centre-negative',
  ],
];
const MOST_METRES = 50;
/** IEC 61960 names a pack: 2ICP7/34/50 has two lithium-ion cells in series. */
const IEC_NAME = /^(\d{0,2})I[CNMF][RP]\d{1,3}\/\d{2,3}(?:\/\d{2,3})?(?:-\d{1,2})?(?![\d/])/i;

/** Cuts a label into pieces; whatever is none of them is `unreadable`, where it stands. */
export function tokensOf(text: string): readonly Token[] {
  const clean = plain(text)
    .replace(MARKINGS, (found) => ' '.repeat(found.length))
    .replace(/[\u00a0\u2009\u202f]/g, ' ')
    .replace(/[–—−‐‑]/g, '-')
    .replace(/×|(?<=\d ?)\*(?= ?\d)/g, 'x')
    // between two figures it is a range, behind one alternating current
    .replace(/[~∼](?=\s*\d)/g, '-')
    .replace(/[⎓⎯=~∼≈:⏛"“”„、。「」【】《》・]/g, ' ');
  const isUnitFirst = UNIT_FIRST.test(clean);
  const tokens: Token[] = [];
  let at = 0;
  while (at < clean.length) {
    const rest = clean.slice(at);
    const space = /^\s+/.exec(rest);
    if (space) {
      if (space[0].includes('\n')) tokens.push({ is: 'end', at, text: '\n' });
      at += space[0].length;
      continue;
    }
    const token =
      (isUnitFirst ? unitFirstAt(rest, at) : undefined) ??
      polarityAt(rest, at) ??
      (/^\d[- ]?p/i.test(rest) ? connectorAt(rest, at) : undefined) ??
      numberAt(rest, at, tokens) ??
      scriptAt(rest, at) ??
      wordAt(rest, at) ??
      markAt(rest, at);
    tokens.push(token);
    at += token.text.length;
  }
  return tokens;
}

/** “V 14.4”, “Ah 6.6”, “Capacity (mAh) 6600”, in a label that writes all its figures so. */
function unitFirstAt(rest: string, at: number): Token | undefined {
  const found = new RegExp(`^${UNIT_BEFORE}`, 'i').exec(rest);
  if (!found) return undefined;
  const { unit = '', number = '' } = found.groups ?? {};
  const read = readUnit(unit);
  const value = parseNumber(number, read?.[1] === 'm');
  if (!read) return undefined;
  return {
    is: 'figure',
    unit: read[0],
    value: value.ok ? scaled(value.value, read[1]) : undefined,
    milli: read[1] === 'm',
    at,
    text: found[0],
  };
}

/** What stands in a script that is not Latin: a direction, a chemistry, or a word of which nothing is known. */
function scriptAt(rest: string, at: number): Token | undefined {
  for (const [pattern, says] of WORDS_OF_SCRIPTS) {
    const found = pattern.exec(rest);
    if (!found) continue;
    return 'direction' in says
      ? { is: 'direction', direction: says.direction, at, text: found[0] }
      : { is: 'chemistry', chemistry: says.chemistry, at, text: found[0] };
  }
  const other = OTHER_LETTER.exec(rest);
  return other ? { is: 'word', at, text: other[0] } : undefined;
}

function polarityAt(rest: string, at: number): Token | undefined {
  for (const [pattern, polarity] of POLARITY) {
    const found = pattern.exec(rest);
    if (found) return { is: 'polarity', polarity, at, text: found[0] };
  }
  return undefined;
}

/** “da 12 a 24 V”: a word between two numbers, and no amps. */
function isRangeWord(behind: string, before: readonly Token[]): boolean {
  const from = before.at(-1);
  // who writes V and not A means no amps
  return (
    /^ a (?=\d+(?:[.,]\d+)? ?V(?![a-z]))/.test(behind) ||
    (/^ a (?=\d)/.test(behind) && from !== undefined && FROM_WORDS.test(from.text.toLowerCase()))
  );
}

function numberAt(rest: string, at: number, before: readonly Token[]): Token | undefined {
  if (!/^\d|^[.,]\d/.test(rest)) {
    const gauge = /^awg ?#?(\d{1,2})(?!\d)/i.exec(rest);
    // “#20 wire”
    const wire = /^#(\d{1,2})(?= (?:wire|lead|cable|cavo|filo|fil|draht|litze|hilo|draad)(?![a-z]))/i.exec(rest);
    if (wire) return { is: 'figure', unit: 'awg', value: Number(wire[1]), milli: false, at, text: wire[0] };
    return gauge ? { is: 'figure', unit: 'awg', value: Number(gauge[1]), milli: false, at, text: gauge[0] } : undefined;
  }
  const iec = IEC_NAME.exec(rest);
  if (iec) return { is: 'cells', series: Number(iec[1] || 1), at, text: iec[0] };
  // “3G1.5”: so many conductors of so many mm²
  const cable = /^\d{1,2}g(\d(?:[.,]\d{1,2})?)(?![\d.,]*[a-z\d])/i.exec(rest);
  if (cable) return { is: 'figure', unit: 'mm2', value: decimal(cable[1] ?? ''), milli: false, at, text: cable[0] };
  // “2C1A”: how many ports of which kind
  const kinds = /^\d[ac]\d[ac](?![a-z\d])/i.exec(rest);
  if (kinds) return { is: 'word', at, text: kinds[0] };
  const series = /^(\d{1,2}) ?s(?: ?(\d{1,2}) ?p)?(?![a-z\d])/i.exec(rest);
  if (series) return { is: 'cells', series: Number(series[1]), at, text: series[0] };
  const size = /^(\d{4,5})(?![\d.,]| ?m?[avw])/i.exec(rest);
  if (size && CELL_SIZES.test(size[1]!)) return { is: 'size', at, text: size[0] };
  const barrel =
    /^(\d(?:[.,]\d{1,2})?) ?(?:mm)? ?(?:x|\/) ?(\d(?:[.,]\d{1,2})?) ?(?:mm)?(?!\d|[.,]\d|²|q| ?kv| ?(?:m?[vaw]|(?:mm ?)?(?:2|²|\^2|q|kv\.?)|qmm|sq\.? ?mm)(?![a-z\d]))/i.exec(
      rest,
    );
  if (barrel && /[.,]/.test(barrel[1]! + barrel[2]!)) {
    const [outerMm, innerMm] = [decimal(barrel[1]!), decimal(barrel[2]!)];
    if (outerMm > innerMm) return { is: 'barrel', outerMm, innerMm, at, text: barrel[0] };
  }
  const grouped = new RegExp(`^(${GROUPED}) ?(?=m ?[aw] ?h|wh)`, 'i').exec(rest);
  const found = grouped ?? new RegExp(`^(${NUMBER}|[.,]\\d+)`).exec(rest)!;
  const digits = found[1]!;
  const behind = rest.slice(found[0].length);
  const gap = /^[ -]?/.exec(behind)![0];
  const count = /^ ?x(?![a-z])|^x(?=(?:aaa?|lr0?[36]|mignon|usb|d-?tap|xt60|xlr|type)(?![a-z]))/i.exec(behind);
  if (count && /^\d{1,2}$/.test(digits)) return { is: 'count', count: Number(digits), at, text: found[0] + count[0] };
  for (const [pattern, unit, prefix] of isRangeWord(behind, before) ? [] : ALL_UNITS) {
    const spelled = pattern.exec(behind.slice(gap.length));
    if (!spelled || (gap === '-' && unit !== 'V' && unit !== 'A' && unit !== 'W')) continue;
    const milli = prefix === 'm';
    // as a length it makes no sense: letters are missing
    if (unit === 'other' && /^m$/i.test(spelled[0]) && Number(digits) > MOST_METRES)
      return { is: 'unreadable', at, text: found[0] + gap + spelled[0] };
    const number = parseNumber(digits, milli);
    const value = number.ok ? scaled(number.value, prefix) : undefined;
    return { is: 'figure', unit, value, milli, at, text: found[0] + gap + spelled[0] };
  }
  // a year, a month, pieces: counted in a script of which nothing is known
  if (OTHER_LETTER.test(behind)) return { is: 'word', at, text: found[0] };
  // letters that are no unit, right behind: “3Q”
  const glued = /^[a-zµω]+\d*/i.exec(behind);
  if (glued && !/^x$/i.test(glued[0])) return { is: 'unreadable', at, text: found[0] + glued[0] };
  const number = parseNumber(digits);
  return number.ok ? { is: 'number', value: number.value, at, text: digits } : { is: 'unreadable', at, text: digits };
}

function connectorAt(rest: string, at: number): Token | undefined {
  const lower = rest.toLowerCase();
  for (const [pattern, type] of CONNECTOR_WORDS) {
    const found = new RegExp(`^(?:${pattern.source})(?:[- ]?#?\\d(?![\\d.,]| ?[-vawx]| ?(?:to|bis|à|a|ports?)(?![a-z])))?`).exec(lower);
    if (found && !/^[a-zà-ÿ]/.test(lower.slice(found[0].length))) {
      const name = rest.slice(0, found[0].length);
      return { is: 'connector', type, name, at, text: name };
    }
  }
  return undefined;
}

function wordAt(rest: string, at: number): Token | undefined {
  const lower = rest.toLowerCase();
  const times = /^x ?(\d{1,2})(?![\d.,]| ?m?[avw])/.exec(lower);
  if (times) return { is: 'count', count: Number(times[1]), trails: true, at, text: times[0] };
  // a word that a figure hangs on: “DC12V”, “PD100W”
  const prefix = /^(?:dc|ac)(?=-(?:in|out))|^(?:dc|ac|pd|qc|max|typ)(?=\d+(?:[.,]\d+)? ?m?(?:v|w|a)h?(?![a-z]))/.exec(lower);
  for (const [pattern, chemistry] of CHEMISTRY_WORDS) {
    const found = wordMatch(pattern, lower);
    if (found !== undefined) return { is: 'chemistry', chemistry, at, text: rest.slice(0, found.length) };
  }
  const connector = connectorAt(rest, at);
  if (connector) return connector;
  const iec = IEC_NAME.exec(rest);
  if (iec) return { is: 'cells', series: Number(iec[1] || 1), at, text: iec[0] };
  for (const [pattern, direction] of DIRECTION_WORDS) {
    const found = wordMatch(pattern, lower);
    if (found !== undefined && !FULL_WORDS.test(found)) return { is: 'direction', direction, at, text: rest.slice(0, found.length) };
  }
  const word = prefix ?? /^[a-zà-ÿß°][a-zà-ÿß0-9.'’/°-]*/i.exec(rest);
  if (!word) return undefined;
  const text = rest.slice(0, word[0].length).replace(/[.'’/-]+$/, '') || word[0];
  const said = text.toLowerCase();
  const is = OWN_WORDS.test(said)
    ? 'own'
    : TOTAL_WORDS.test(said)
      ? 'total'
      : CELL_SIZES.test(said)
        ? 'size'
        : CELL_WORDS.test(said)
          ? 'cell-word'
          : EACH_WORDS.test(said)
            ? 'each'
            : PEAK_WORDS.test(said)
              ? 'peak'
              : FULL_WORDS.test(said)
                ? 'full'
                : MOST_WORDS.test(said)
                  ? 'most'
                  : LEAST_WORDS.test(said)
                    ? 'least'
                    : COUNTED_WORDS.test(said)
                      ? 'counted'
                      : NAME_WORDS.test(said)
                        ? 'name'
                        : 'word';
  return { is, at, text };
}

function wordMatch(pattern: RegExp, lower: string): string | undefined {
  return new RegExp(`^(?:${pattern.source})(?![a-zà-ÿ0-9])`).exec(lower)?.[0];
}

function markAt(rest: string, at: number): Token {
  const text = rest[0]!;
  if (/[;|\n•·]/.test(text)) return { is: 'end', at, text };
  if (/[,/()[\]&]/.test(text)) return { is: 'comma', at, text };
  const dots = /^(?:\.{2,}|…)/.exec(rest);
  if (text === '-' || dots) return { is: 'dash', at, text: dots?.[0] ?? text };
  return /[+.*'’!≤<>±#®™©_°@]/.test(text) ? { is: 'word', at, text } : { is: 'unreadable', at, text };
}

function decimal(text: string): number {
  return Number(text.replace(',', '.'));
}
