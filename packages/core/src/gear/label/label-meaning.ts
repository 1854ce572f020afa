import { issue } from '../../issue';
import type { Parsed } from '../../quantity';
import { said } from '../../said';
import { CHEMISTRIES } from '../../tables';
import { readLabel } from './read-label';
import type { LabelSaid } from './says';
import { readBatteryLabel } from './views';

/** What a label that prints no volts counts its amp-hours at. */
export const LABEL_KINDS = {
  printed: { title: 'prints its volts or watt-hours', cellV: undefined },
  bank: { title: 'a USB bank: its mAh count at the cells, 3.7 V', cellV: 3.7 },
  nimh: { title: 'NiMH cells: 1.2 V each', cellV: CHEMISTRIES.nimh.nominalCellV },
  alkaline: { title: 'alkaline cells: 1.5 V each', cellV: CHEMISTRIES.alkaline.nominalCellV },
} as const;
export type LabelKind = keyof typeof LABEL_KINDS;

/** What energy goes through before it is used. */
export interface Through {
  readonly title: string;
  /** Share that comes out; 1 for straight from the pack. */
  readonly efficiency: number;
  readonly outputV?: number | undefined;
}

export interface LabelMeaning {
  readonly nominalV: number | undefined;
  readonly capacityAh: number | undefined;
  readonly packWh: number;
  readonly useWh: number;
  /** Amp-hours at the place of use, where its volts are known. */
  readonly useAh: number | undefined;
  /** How it follows, step by step. */
  readonly steps: readonly LabelSaid[];
}

/**
 * Any battery's label in watt-hours, at the pack and at the place of use. `cells`: how many of one kind the label
 * speaks of, in series. Errors: those of `readBatteryLabel`.
 *
 * @example labelMeaning('20 000 mAh', { kind: 'bank', through: { title: '5 V port', efficiency: 0.86, outputV: 5 } }) // { ok: true, value: { packWh: 74, useWh: 63.64, … } }
 */
export function labelMeaning(
  text: string,
  { kind = 'printed', cells = 1, through }: { readonly kind?: LabelKind; readonly cells?: number; readonly through?: Through } = {},
): Parsed<LabelMeaning> {
  const { cellV } = LABEL_KINDS[kind];
  const { reads } = readLabel(text);
  const isPrinted = reads.voltageV !== undefined || reads.energyWh !== undefined;
  const assumedV = cellV === undefined || isPrinted ? undefined : cellV * (kind === 'bank' ? 1 : cells);
  const read = readBatteryLabel(assumedV === undefined ? text : `${text} ${assumedV} V`);
  if (!read.ok) return { ok: false, issue: issue('', read.issue.code, read.issue.expected, text) };
  const { nominalV, capacityAh, energyWh: packWh } = read.value;
  const steps: LabelSaid[] = [];
  if (assumedV !== undefined)
    steps.push(kind === 'bank' ? said('bank-counts', { assumedV }) : said('cells-times', { cells, cellV, assumedV }));
  steps.push(read.value.energyComputed ? said('volts-times', { nominalV, capacityAh, packWh }) : said('printed', { packWh }));
  const useWh = packWh * (through?.efficiency ?? 1);
  if (through && through.efficiency < 1) steps.push(said('through', { title: through.title, efficiency: through.efficiency, useWh }));
  const useAh = through?.outputV === undefined ? undefined : useWh / through.outputV;
  if (useAh !== undefined) steps.push(said('at-use', { outputV: through!.outputV!, useAh }));
  return { ok: true, value: { nominalV, capacityAh, packWh, useWh, useAh, steps } };
}

/** A label in a comparison. */
export interface ComparedLabel {
  readonly name: string;
  readonly meaning: LabelMeaning;
}

/** Two labels of which the bigger number of mAh is the smaller battery. */
export interface MisleadingPair {
  readonly more: ComparedLabel;
  readonly less: ComparedLabel;
}

/**
 * Pairs in which the bigger number of mAh is the smaller battery: the commonest mistake with labels.
 * The greatest contradiction first.
 *
 * @example misleadingPairs([{ name: 'Bank', meaning: labelMeaning('20 000 mAh', { kind: 'bank' }).value }, { name: 'V1', meaning: labelMeaning('14.4 V 6600 mAh').value }])[0].more.name // 'Bank'
 */
export function misleadingPairs(labels: readonly ComparedLabel[]): readonly MisleadingPair[] {
  const pairs = labels.flatMap((more) =>
    labels
      .filter(({ meaning }) => (meaning.capacityAh ?? Infinity) < (more.meaning.capacityAh ?? 0) && meaning.useWh > more.meaning.useWh)
      .map((less) => ({ more, less, ratio: less.meaning.useWh / more.meaning.useWh })),
  );
  return pairs.sort((a, b) => b.ratio - a.ratio).map(({ more, less }) => ({ more, less }));
}
