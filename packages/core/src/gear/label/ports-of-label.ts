import type { Budget, Connector, Output } from '..';
import type { Label, LabelPort, LabelProfile } from './label';

export interface OutputsOptions {
  /** A connector that is told already: the mount of a battery. */
  readonly leftOut?: Connector['type'] | undefined;
  /** They are those of a battery. */
  readonly ofPack?: boolean;
}

/**
 * The ports that a label names, as outputs: USB-C by its rating or list, a plain port at 5 V, D-tap handing on the pack's
 * volts, anything else at the volts it prints, or in their range. A port whose connector is not printed is a plain USB one at
 * 5 V and bare ends at any other volts; of a pack (`ofPack`) those hand its own volts on, which are not what is printed as
 * nominal. Ports that take power, and those of the connector left out, are none.
 *
 * @example outputsOfLabel(readLabel('D-tap 8A, USB-A 5V 2.4A')).length // 2
 */
export function outputsOfLabel(label: Label, { leftOut, ofPack = false }: OutputsOptions = {}): readonly Output[] {
  const { reads } = label;
  const given = (reads.ports ?? []).filter(({ direction }) => direction !== 'in');
  const unnamed = given.filter(({ connector }) => connector === undefined);
  // one output without a connector is what a battery says of itself
  const named = given.filter(({ connector }) => (connector === undefined ? !ofPack || unnamed.length > 1 : connector.type !== leftOut));
  // profiles of a port without a name are a USB port's
  const loose = named.length === 0 && reads.profiles ? looseUsb(reads.profiles) : [];
  // what a supply prints without naming a port is its only one; a battery prints its own figures so
  const only = reads.ports === undefined && loose.length === 0 && !ofPack ? onlyPort(label) : [];
  const ids = new Set<string>();
  return [...named, ...loose, ...only].map((port) => outputOf(port, ids, hasTotal(reads), ofPack));
}

/** Profiles of ports that have no name: a list of one port, or a port each where volts stand twice or in a range. */
function looseUsb(profiles: readonly LabelProfile[]): readonly LabelPort[] {
  const volts = new Set(profiles.map(({ voltageV }) => voltageV));
  const isList = volts.size === profiles.length && !volts.has(undefined);
  return isList ? [{ name: 'USB', profiles }] : profiles.map((profile) => ({ name: 'USB', ...profile }));
}

/**
 * What a label prints for all its ports together.
 *
 * @example budgetsOfLabel(readLabel('USB-C 65W, total 80W')) // {  }
 */
export function budgetsOfLabel({ reads }: Label): { readonly budgets?: readonly Budget[] } {
  return hasTotal(reads) ? { budgets: [{ id: ALL, name: 'All ports together', maxW: reads.powerW! }] } : {};
}

/** What a supply prints without the word of a port. */
function onlyPort({ reads }: Label): readonly LabelPort[] {
  const { voltageV, minV, maxV, currentA, powerW } = reads;
  const hasVolts = voltageV !== undefined || (minV !== undefined && maxV !== undefined);
  if (!hasVolts || (currentA === undefined && powerW === undefined)) return [];
  const amps = currentA ?? (voltageV === undefined ? undefined : powerW! / voltageV);
  return [{ name: 'Out', ...reads, ...(amps !== undefined && { currentA: amps }) }];
}

function outputOf(port: LabelPort, taken: Set<string>, shares: boolean, ofPack: boolean): Output {
  const connector = port.connector ?? unnamedConnector(port);
  const idOf = (title: string): string => title.toLowerCase().replace(/[^a-z0-9]+/g, '-');
  let name = port.name ?? 'Out';
  for (let place = 2; taken.has(idOf(name)); place++) name = `${port.name ?? 'Out'} ${place}`;
  const id = idOf(name);
  taken.add(id);
  const budget = shares ? { budget: ALL } : {};
  const list = port.profiles ?? (port.voltageV !== undefined ? [port] : []);
  const whole = list.flatMap(({ voltageV, currentA }) =>
    voltageV !== undefined && currentA !== undefined ? [{ voltageV, currentA }] : [],
  );
  if (connector.type === 'usb-c') {
    const ratingW = port.powerW ?? (whole.length > 0 ? Math.max(...whole.map(({ voltageV, currentA }) => voltageV * currentA)) : undefined);
    const isPlain = whole.length === 1 && whole[0]!.voltageV === 5;
    if (isPlain) return { gives: 'fixed', id, name, connector, voltageV: 5, maxA: whole[0]!.currentA, ...budget };
    return {
      gives: 'pd',
      id,
      name,
      connector,
      ...(ratingW !== undefined && { ratingW }),
      ...(whole.length > 0 && { profiles: whole }),
      ...budget,
    };
  }
  if (connector.type === 'usb-a') {
    // a plain port gives 5 V; more than that is asked for in ways that a camera does not speak
    const five = whole.find(({ voltageV }) => voltageV === 5);
    // in a range it may give more by itself
    const { minV, maxV, currentA } = port;
    const range = minV !== undefined && maxV !== undefined && minV <= 5 && maxV >= 5 ? { minV, maxV } : undefined;
    const maxA = five?.currentA ?? (range && currentA);
    return { gives: 'fixed', id, name, connector, voltageV: 5, ...range, ...(maxA !== undefined && { maxA }), ...budget };
  }
  const [first] = whole;
  const maxA = first?.currentA ?? port.currentA;
  const { minV, maxV } = port;
  const range = minV !== undefined && maxV !== undefined ? { minV, maxV } : undefined;
  const voltageV = port.voltageV ?? (range && (range.minV + range.maxV) / 2);
  const isPack = connector.type === 'd-tap' || voltageV === undefined || (ofPack && connector.type === 'bare');
  if (isPack)
    return {
      gives: 'pack',
      id,
      name,
      connector,
      ...(maxA !== undefined && { maxA }),
      ...(port.powerW !== undefined && { maxW: port.powerW }),
      ...budget,
    };
  return { gives: 'fixed', id, name, connector, voltageV, ...range, ...(maxA !== undefined && { maxA }), ...budget };
}

/** Where a label prints no connector: 5 V are USB's, other volts come out of bare ends. */
function unnamedConnector({ voltageV, minV, profiles = [] }: LabelPort): Connector {
  const volts = [voltageV, minV, ...profiles.map((one) => one.voltageV)].filter((one) => one !== undefined);
  return volts.length === 0 || volts.some((one) => Math.abs(one - 5) < 0.5) ? { type: 'usb-a' } : { type: 'bare' };
}

/** What all ports share, where the label prints it beside several. */
const ALL = 'all';
const hasTotal = ({ powerW, ports = [] }: Label['reads']): boolean => powerW !== undefined && ports.length > 1;
