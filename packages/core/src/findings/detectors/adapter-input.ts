import { isKind } from '../../rig/drawn';
import type { Connection } from '../../rig/resolved';
import type { Finding } from '../facts';
import { finding } from '../finding';
import { lacking } from './lacking';

/** What an adapter asks of the port before it: amps enough to start, and a second port for its second plug. */
export function adapterInputFindings(connection: Connection): Finding[] {
  const { id, from, to, output, secondPort } = connection;
  if (!isKind(to, 'adapter')) return [];
  const { leastA, plugs } = to.gear.input;
  const place = { aspect: 'connector', role: 'adapter', gearId: to.id, connectionId: id, part: to.title } as const;
  const facts = { adapter: to.title, port: output.name, of: from.title };
  const portA = output.gives === 'pd' ? undefined : output.maxA;
  const weak = ((): Finding[] => {
    if (leastA === undefined || output.gives === 'pd') return [];
    if (portA === undefined) return [lacking('port-current', from, id)];
    return portA < leastA ? [finding('port-weak', 'caution', place, { ...facts, portA, leastA })] : [];
  })();
  return [...weak, ...(plugs === 2 ? [finding('two-plugs', 'caution', place, { ...facts, second: secondPort?.name })] : [])];
}
