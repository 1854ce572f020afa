import { said } from '../../said';
import { CHEMISTRIES } from '../../tables';
import type { ChemistryId } from '../../tables';
import type { Battery, Connector, Output } from '..';
import type { Label, LabelAsk } from './label';
import { budgetsOfLabel, outputsOfLabel } from './ports-of-label';
import { cellsMeant } from './read-label';
import type { LabelSaid } from './says';

interface BatteryClass {
  readonly title: string;
  readonly form: Battery['form'];
  /** What batteries of this class are made of, where they are all alike. */
  readonly chemistry?: ChemistryId;
  /** How it is joined to what it feeds, beside the ports that its label names. */
  readonly mount?: { readonly name: string; readonly connector: Connector };
  /** Ports where the label names none. */
  readonly usual?: readonly Output[];
  /** Volts that its mAh count at where its label does not say; told as a guess. */
  readonly countedAtV?: number;
  /** A label as such things have one. */
  readonly example: string;
  readonly ports?: string;
}

const DTAP: Connector = { type: 'd-tap' };
const TERMINALS: Connector = { type: 'bare', polarity: 'as-marked' };

/** What batteries a label can be read for. */
export const BATTERY_CLASSES = {
  camera: {
    title: 'camera battery',
    form: 'camera',
    chemistry: 'li-ion',
    mount: { name: 'Contacts', connector: { type: 'bay' } },
    example: '7.2 V 2040 mAh 14.7 Wh',
  },
  'v-mount': {
    title: 'V-mount battery',
    form: 'v-mount',
    chemistry: 'li-ion',
    mount: { name: 'Mount', connector: { type: 'v-mount' } },
    usual: [{ gives: 'pack', id: 'd-tap', name: 'D-tap', connector: DTAP }],
    example: '14.4 V 98 Wh 10A max',
    ports: 'D-tap 8A, USB-C 65W, USB-A 5V 2.4A',
  },
  'three-stud': {
    title: 'three-stud battery',
    form: 'three-stud',
    chemistry: 'li-ion',
    mount: { name: 'Mount', connector: { type: 'three-stud' } },
    usual: [{ gives: 'pack', id: 'd-tap', name: 'D-tap', connector: DTAP }],
    example: '14.4 V 95 Wh',
    ports: 'D-tap 8A, USB-A 5V 2A',
  },
  'l-series': {
    title: 'L-series battery',
    form: 'l-series',
    chemistry: 'li-ion',
    mount: { name: 'Plate', connector: { type: 'l-plate' } },
    example: '7.2 V 6600 mAh',
  },
  bank: {
    title: 'USB bank',
    form: 'bank',
    chemistry: 'li-ion',
    usual: [{ gives: 'fixed', id: 'usb-a', name: 'USB-A', connector: { type: 'usb-a' }, voltageV: 5 }],
    countedAtV: 3.7,
    example: '20 000 mAh 74 Wh',
    ports: 'USB-C1 100W, USB-C2 27W, USB-A 18W',
  },
  lead: {
    title: 'lead-acid battery',
    form: 'pack',
    chemistry: 'agm',
    mount: { name: 'Terminals', connector: TERMINALS },
    example: '12 V 33 Ah',
  },
  holder: {
    title: 'holder of AA or 18650 cells',
    form: 'pack',
    mount: { name: 'Lead', connector: TERMINALS },
    example: '8 x AA NiMH 1900 mAh',
  },
  pack: {
    title: 'other pack, or one of your own cells',
    form: 'pack',
    mount: { name: 'Lead', connector: TERMINALS },
    example: '4S2P Li-ion 14.4 V 7 Ah',
    ports: 'XT60 20A, 12V 5A',
  },
} as const satisfies Readonly<Record<string, BatteryClass>>;
export type BatteryClassId = keyof typeof BATTERY_CLASSES;

/** What a person says where a label does not. */
export interface LabelAnswers {
  readonly chemistry?: ChemistryId;
  readonly voltageV?: number;
  readonly cellsInSeries?: number;
}

/** A battery as far as its labels go, and what is still to be said of it. */
export interface LabelledBattery {
  readonly battery: Battery;
  readonly asks: readonly LabelAsk[];
  /** What was taken for what the label does not say. */
  readonly assumed: readonly LabelSaid[];
}

/**
 * A battery from its label and that of its ports: what is printed, what the class of battery tells, what a person answered,
 * and nothing else. What is not known stays away.
 *
 * @example batteryOfLabel('lead', readLabel('12 V 33 Ah'), undefined).battery.cellsInSeries // 6
 */
export function batteryOfLabel(id: BatteryClassId, label: Label, ports: Label | undefined, answers: LabelAnswers = {}): LabelledBattery {
  const kind: BatteryClass = BATTERY_CLASSES[id];
  const { reads } = label;
  const chemistry = answers.chemistry ?? reads.chemistry ?? kind.chemistry;
  const assumed: LabelSaid[] = [];
  const stacked = stackedV(reads.cellsInSeries, chemistry);
  let voltageV = answers.voltageV ?? reads.voltageV;
  let isGuess = false;
  if (voltageV === undefined && reads.energyWh === undefined && reads.capacityAh !== undefined) {
    voltageV = stacked ?? kind.countedAtV;
    isGuess = stacked === undefined && voltageV !== undefined;
    if (isGuess) assumed.push(said('bank-counted-at', { voltageV }));
  }
  const cells =
    answers.cellsInSeries ??
    reads.cellsInSeries ??
    (chemistry && voltageV !== undefined ? cellsMeant(chemistry, voltageV) : kind.form === 'bank' ? 1 : undefined);
  const energyWh = reads.energyWh ?? (voltageV !== undefined && reads.capacityAh !== undefined ? voltageV * reads.capacityAh : undefined);
  const asks = label.asks.filter((ask) => {
    if (ask === 'chemistry') return chemistry === undefined;
    if (ask === 'voltageV') return voltageV === undefined && cells === undefined;
    if (ask === 'cellsInSeries') return cells === undefined;
    return true;
  });
  if (cells === undefined && asks.length === 0)
    asks.push(chemistry === undefined ? 'chemistry' : voltageV === undefined ? 'voltageV' : 'cellsInSeries');
  if (label.reads.chemistry === undefined && kind.chemistry && answers.chemistry === undefined)
    assumed.push(said('chemistry-usual', { chemistry: kind.chemistry, form: kind.form }));
  const outputs = [...mountOf(kind, reads.currentA), ...portsOf(kind, ports ?? label)];
  return {
    battery: {
      kind: 'battery',
      name: `My ${kind.title.split(',')[0]}`,
      form: kind.form,
      chemistry: chemistry ?? 'li-ion',
      ...(cells !== undefined && { cellsInSeries: cells }),
      ...(energyWh !== undefined && { energyWh: Number(energyWh.toFixed(3)) }),
      ...(voltageV !== undefined && !isGuess && { nominalV: voltageV }),
      ...(energyWh !== undefined && { from: { energyWh: isGuess ? ('guess' as const) : ('printed' as const) } }),
      outputs: outputs.length > 0 ? outputs : [{ gives: 'pack', id: 'out', name: 'Out', connector: { type: 'bare' } }],
      ...budgetsOfLabel(ports ?? label),
    },
    asks,
    assumed,
  };
}

function stackedV(cells: number | undefined, chemistry: ChemistryId | undefined): number | undefined {
  return cells !== undefined && chemistry ? cells * CHEMISTRIES[chemistry].nominalCellV : undefined;
}

function mountOf({ mount }: BatteryClass, maxA: number | undefined): readonly Output[] {
  return mount ? [{ gives: 'pack', id: 'mount', name: mount.name, connector: mount.connector, ...(maxA !== undefined && { maxA }) }] : [];
}

/** Ports that a label names; those usual for the class where it names none that gives anything. */
function portsOf(kind: BatteryClass, label: Label): readonly Output[] {
  const outputs = outputsOfLabel(label, { leftOut: kind.mount?.connector.type, ofPack: true });
  return outputs.length > 0 ? outputs : (kind.usual ?? []);
}
