import { issue } from '../../issue';
import { formatQuantity } from '../../quantity';
import type { Parsed } from '../../quantity';
import type { ChemistryId } from '../../tables';
import type { Label, LabelProfile } from './label';
import { readLabel } from './read-label';

export interface BatteryLabel {
  readonly energyWh: number;
  readonly nominalV: number | undefined;
  readonly capacityAh: number | undefined;
  /** Where the label prints it. */
  readonly chemistry: ChemistryId | undefined;
  /** Where the label prints them, or they follow from volts and a chemistry that it prints. */
  readonly cellsInSeries: number | undefined;
  /** True when the watt-hours were worked out from volts and amp-hours rather than printed. */
  readonly energyComputed: boolean;
}

export interface PortLabel {
  readonly voltageV: number;
  readonly currentA: number;
}

const BATTERY = 'what the label says, such as “7.2 V 2040 mAh” or “95 Wh”';
/** What is expected where a figure can be read in two ways, or is printed twice. */
const TWICE: Readonly<Record<string, string>> = {
  voltageV: 'one figure in V, not two; of a range or a full pack the nominal one',
  capacityAh: 'one capacity, such as “2040 mAh”: the label has two, or one that can be read in two ways',
  energyWh: 'one figure in Wh: the label has two, or one that can be read in two ways',
};

/**
 * What a battery's label means in watt-hours.
 *
 * Takes watt-hours as printed, or volts with amp-hours. Errors: `capacity-without-voltage` (mAh mean nothing without
 * the volts they are counted at), `label-disagrees` (V × Ah and Wh more than 5 % apart), `energy-missing`, `figure-twice`,
 * `not-a-label`, `empty`.
 *
 * @example readBatteryLabel('7.2 V 2040 mAh') // { ok: true, value: { energyWh: 14.688, nominalV: 7.2, … } }
 */
export function readBatteryLabel(text: string): Parsed<BatteryLabel> {
  const label = readLabel(text);
  if (label.refused) return fail(text, label.refused.code, BATTERY);
  const { voltageV, capacityAh, energyWh: printedWh, chemistry, cellsInSeries } = label.reads;
  if (label.disagrees) {
    const say = formatQuantity;
    const { printedWh: wh, voltageV: v, capacityAh: ah } = label.disagrees;
    return fail(
      text,
      'label-disagrees',
      `figures that agree: ${say(v, 'V')} × ${say(ah, 'Ah')} is ${say(v * ah, 'Wh')}, the label says ${say(wh, 'Wh')}; type the one you trust`,
    );
  }
  const twice = (['voltageV', 'capacityAh', 'energyWh'] as const).find((ask) => isTwice(label, ask));
  if (twice) return fail(text, 'figure-twice', TWICE[twice]!);
  if (printedWh === undefined && capacityAh !== undefined && voltageV === undefined)
    return fail(
      text,
      'capacity-without-voltage',
      'the volts beside the mAh, such as “7.2 V 2040 mAh” (a USB bank counts its mAh at 3.6 or 3.7 V, not at 5 V)',
    );
  const computedWh = voltageV !== undefined && capacityAh !== undefined ? voltageV * capacityAh : undefined;
  if (printedWh === undefined && computedWh === undefined) return fail(text, 'energy-missing', 'watt-hours, or volts with mAh');
  return {
    ok: true,
    value: {
      energyWh: printedWh ?? computedWh ?? 0,
      // of three figures any two give the third
      nominalV: voltageV ?? (printedWh !== undefined && capacityAh !== undefined ? printedWh / capacityAh : undefined),
      capacityAh,
      chemistry,
      cellsInSeries,
      energyComputed: printedWh === undefined,
    },
  };
}

/** Asked though it is there: printed twice, or to be read in two ways. */
function isTwice({ asks, reads }: Label, ask: 'voltageV' | 'capacityAh' | 'energyWh'): boolean {
  if (!asks.includes(ask)) return false;
  // volts are asked for where there are none, too
  return ask !== 'voltageV' || (reads.energyWh === undefined && reads.capacityAh === undefined);
}

/**
 * What a port's label means: `5V 3A`, `12 V 36 W`. Errors: `not-a-label`, `port-incomplete`, `empty`.
 *
 * @example readPortLabel('5V 3A') // { ok: true, value: { voltageV: 5, currentA: 3 } }
 */
export function readPortLabel(text: string): Parsed<PortLabel> {
  const { reads, refused, asks } = readLabel(text);
  if (refused) return fail(text, refused.code, 'what the port says, such as “5V 3A”');
  const port = asks.length === 0 ? portOf(reads) : undefined;
  return port ? { ok: true, value: port } : fail(text, 'port-incomplete', 'volts and amps, such as “5V 3A”');
}

/**
 * A port that offers several profiles: `5V 3A / 9V 3A / 15V 3A`.
 *
 * @example readProfiles('5V 3A, 9V 2,22A') // { ok: true, value: [{ voltageV: 5, currentA: 3 }, { voltageV: 9, currentA: 2.22 }] }
 */
export function readProfiles(text: string): Parsed<readonly PortLabel[]> {
  const expected = 'PD profiles such as “5V 3A / 9V 3A”';
  const { reads, refused, asks } = readLabel(text);
  if (refused) return fail(text, refused.code, expected);
  const ports = (reads.profiles ?? [reads]).map(portOf);
  const known = ports.filter((port) => port !== undefined);
  return known.length === ports.length && asks.length === 0 ? { ok: true, value: known } : fail(text, 'port-incomplete', expected);
}

function portOf({ voltageV, currentA, powerW }: LabelProfile): PortLabel | undefined {
  if (voltageV === undefined) return undefined;
  const amps = currentA ?? (powerW === undefined ? undefined : powerW / voltageV);
  return amps === undefined ? undefined : { voltageV, currentA: amps };
}

function fail(text: string, code: string, expected: string): { readonly ok: false; readonly issue: ReturnType<typeof issue> } {
  return { ok: false, issue: issue('', code, expected, text) };
}
