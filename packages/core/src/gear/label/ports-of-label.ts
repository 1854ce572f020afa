import type { Connector } from '../connector';
import type { Budget } from '../gear';
import type { Output } from '../port';
import type { Label, LabelPort } from './read-label';

/**
 * The ports that a label names, as outputs: USB-C by its rating or list, a plain port at 5 V, D-tap handing on the pack's
 * volts, anything else at the volts it prints. Ports that take power, and those of the connector left out, are none.
 *
 * @example outputsOfLabel(readLabel('D-tap 8A, USB-A 5V 2.4A')).length // 2
 */
export function outputsOfLabel({ reads }: Label, leftOut?: Connector['type']): readonly Output[] {
  const named = (reads.ports ?? []).filter(({ direction, connector }) => direction !== 'in' && connector?.type !== leftOut);
  // profiles of a port without a name are a USB port's
  const loose: readonly LabelPort[] = named.length === 0 && reads.profiles ? [{ name: 'USB', profiles: reads.profiles }] : [];
  const ids = new Set<string>();
  return [...named, ...loose].map((port) => outputOf(port, ids, hasTotal(reads)));
}

/** What a label prints for all its ports together. */
export function budgetsOfLabel({ reads }: Label): { readonly budgets?: readonly Budget[] } {
  return hasTotal(reads) ? { budgets: [{ id: ALL, name: 'All ports together', maxW: reads.powerW! }] } : {};
}

function outputOf(port: LabelPort, taken: Set<string>, shares: boolean): Output {
  const connector = port.connector ?? { type: 'usb-a' as const };
  const name = port.name ?? 'Out';
  let id = name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
  while (taken.has(id)) id += '-2';
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
    return { gives: 'fixed', id, name, connector, voltageV: 5, ...(five && { maxA: five.currentA }), ...budget };
  }
  const [first] = whole;
  const maxA = first?.currentA ?? port.currentA;
  const isPack = connector.type === 'd-tap' || port.voltageV === undefined;
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
  return { gives: 'fixed', id, name, connector, voltageV: port.voltageV, ...(maxA !== undefined && { maxA }), ...budget };
}

/** What all ports share, where the label prints it beside several. */
const ALL = 'all';
const hasTotal = ({ powerW, ports = [] }: Label['reads']): boolean => powerW !== undefined && ports.length > 1;
