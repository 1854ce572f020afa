import { issue } from '../issue';
import type { Issue } from '../issue';
import { formatQuantity } from './format-quantity';
import { parseQuantity } from './parse-quantity';
import type { Parsed } from './parse-quantity';
import type { Unit } from './unit';

export interface BatteryLabel {
  readonly energyWh: number;
  readonly nominalV: number | undefined;
  readonly capacityAh: number | undefined;
  /** True when the watt-hours were worked out from volts and amp-hours rather than printed. */
  readonly energyComputed: boolean;
}

export interface PortLabel {
  readonly voltageV: number;
  readonly currentA: number;
}

type LabelUnit = Extract<Unit, 'V' | 'A' | 'W' | 'Wh' | 'Ah'>;
const LABEL_UNITS: readonly LabelUnit[] = ['V', 'A', 'W', 'Wh', 'Ah'];
const FIGURE =
  /((?:(?<=^|\s)[+\-−])?\d[\d.,]*(?:[\u0020\u00a0\u2009\u202f]\d{3})*(?:[.,]\d+)?)\s*(mAh|Ah|mWh|kWh|Wh|mA|mV|kW|mW|V|A|W)(?![a-z])/gi;
const IGNORED = /li-?ion|li-?po|lithium|battery|rechargeable|nominal|rated|capacity|energy|output|input|typ\.?|dc|[⎓=:;,/|()[\]x×~-]|\s/gi;
/** Labels that disagree with themselves by more than this are asked about, not averaged. */
const LABEL_TOLERANCE = 0.05;

/**
 * What a battery's label means in watt-hours.
 *
 * Takes watt-hours as printed, or volts with amp-hours. Errors: `capacity-without-voltage` (mAh mean nothing without
 * the volts they are counted at), `label-disagrees` (V × Ah and Wh more than 5 % apart), `energy-missing`, `not-a-label`.
 *
 * @example readBatteryLabel('7.2 V 2040 mAh') // { ok: true, value: { energyWh: 14.688, nominalV: 7.2, … } }
 */
export function readBatteryLabel(text: string): Parsed<BatteryLabel> {
  const read = readFigures(text, 'what the label says, such as “7.2 V 2040 mAh” or “95 Wh”');
  if (!read.ok) return read;
  const { V: nominalV, Ah: capacityAh, Wh: printedWh } = read.value;
  const odd = positive(read.value, text);
  if (odd) return { ok: false, issue: odd };
  if (printedWh === undefined && capacityAh !== undefined && nominalV === undefined) {
    return fail(
      text,
      'capacity-without-voltage',
      'the volts beside the mAh, such as “7.2 V 2040 mAh” (a USB bank counts its mAh at 3.6 or 3.7 V, not at 5 V)',
    );
  }
  const computedWh = nominalV !== undefined && capacityAh !== undefined ? nominalV * capacityAh : undefined;
  if (printedWh === undefined && computedWh === undefined) return fail(text, 'energy-missing', 'watt-hours, or volts with mAh');
  if (printedWh !== undefined && computedWh !== undefined && Math.abs(computedWh / printedWh - 1) > LABEL_TOLERANCE) {
    return fail(
      text,
      'label-disagrees',
      `figures that agree: ${formatQuantity(nominalV ?? 0, 'V')} × ${formatQuantity(capacityAh ?? 0, 'Ah')} is ${formatQuantity(computedWh, 'Wh')}, the label says ${formatQuantity(printedWh, 'Wh')}; type the one you trust`,
    );
  }
  return {
    ok: true,
    value: {
      energyWh: printedWh ?? computedWh ?? 0,
      // of three figures any two give the third
      nominalV: nominalV ?? (printedWh !== undefined && capacityAh !== undefined ? printedWh / capacityAh : undefined),
      capacityAh,
      energyComputed: printedWh === undefined,
    },
  };
}

/**
 * What a port's label means: `5V 3A`, `12 V 36 W`. Errors: `not-a-label`, `port-incomplete`.
 *
 * @example readPortLabel('5V 3A') // { ok: true, value: { voltageV: 5, currentA: 3 } }
 */
export function readPortLabel(text: string): Parsed<PortLabel> {
  const read = readFigures(text, 'what the port says, such as “5V 3A”');
  if (!read.ok) return read;
  const { V: voltageV, A: currentA, W: powerW } = read.value;
  const odd = positive(read.value, text);
  if (odd) return { ok: false, issue: odd };
  if (voltageV === undefined || (currentA === undefined && powerW === undefined)) {
    return fail(text, 'port-incomplete', 'volts and amps, such as “5V 3A”');
  }
  return { ok: true, value: { voltageV, currentA: currentA ?? (powerW ?? 0) / voltageV } };
}

/**
 * A port that offers several profiles, apart by `/`, `;` or a comma and a space: `5V 3A / 9V 3A / 15V 3A`.
 *
 * @example readProfiles('5V 3A, 9V 2,22A') // { ok: true, value: [{ voltageV: 5, currentA: 3 }, { voltageV: 9, currentA: 2.22 }] }
 */
export function readProfiles(text: string): Parsed<readonly PortLabel[]> {
  const profiles: PortLabel[] = [];
  for (const part of text.split(/[/;|]|,\s+/).filter((piece) => piece.trim() !== '')) {
    const profile = readPortLabel(part);
    if (!profile.ok) return profile;
    profiles.push(profile.value);
  }
  return profiles.length > 0 ? { ok: true, value: profiles } : fail(text, 'empty', 'profiles such as “5V 3A / 9V 3A”');
}

type Figures = Partial<Record<LabelUnit, number>>;

function readFigures(text: string, expected: string): Parsed<Figures> {
  if (text.trim() === '') return fail(text, 'empty', expected);
  const figures: Figures = {};
  for (const [, digits = '', spelled = ''] of text.matchAll(FIGURE)) {
    const unit = LABEL_UNITS.find((candidate) => spelled.toLowerCase().replace(/^[mk]/, '') === candidate.toLowerCase());
    if (unit === undefined) continue;
    const parsed = parseQuantity(`${digits} ${spelled}`, unit);
    if (!parsed.ok) return parsed;
    if (figures[unit] !== undefined) return fail(text, 'figure-twice', `one figure in ${unit}, not two`);
    figures[unit] = parsed.value;
  }
  const rest = text.replace(FIGURE, '').replace(IGNORED, '');
  if (rest !== '' || Object.keys(figures).length === 0) return fail(text, 'not-a-label', expected);
  return { ok: true, value: figures };
}

function positive(figures: Figures, text: string): Issue | undefined {
  const bad = LABEL_UNITS.find((unit) => (figures[unit] ?? 1) <= 0);
  return bad && issue('', 'not-positive', `more than 0 ${bad}`, text);
}

function fail(text: string, code: string, expected: string): { readonly ok: false; readonly issue: Issue } {
  return { ok: false, issue: issue('', code, expected, text) };
}
