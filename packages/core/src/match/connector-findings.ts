import { connectorName, mates } from '../gear/connector';
import type { Connector } from '../gear/connector';
import type { Chain } from './chain';
import type { Finding, Role } from './finding';

interface End {
  readonly role: Role;
  readonly part: string;
  readonly connector: Connector;
}

/** One finding a joint, from the battery to the device. */
export function connectorFindings(chain: Chain): readonly Finding[] {
  const { battery, output, cable, adapter, device, input } = chain;
  const ends: [End, End][] = [];
  let source: End = { role: 'battery', part: battery.name, connector: output.connector };
  if (cable) {
    ends.push([source, { role: 'cable', part: cable.name, connector: cable.ends.source }]);
    source = { role: 'cable', part: cable.name, connector: cable.ends.load };
  }
  if (adapter) {
    ends.push([source, { role: 'adapter', part: adapter.name, connector: adapter.input.connector }]);
    source = { role: 'adapter', part: adapter.name, connector: adapter.output.connector };
  }
  ends.push([source, { role: 'device', part: device.name, connector: input.connector }]);
  return ends.map(([from, to]) => joint(from, to));
}

function joint(from: End, to: End): Finding {
  const base = { aspect: 'connector', role: to.role, part: to.part, numbers: [] } as const;
  const [here, there] = [connectorName(from.connector), connectorName(to.connector)];
  switch (mates(from.connector, to.connector)) {
    case 'yes':
      return { ...base, code: 'connector-fits', verdict: 'good', sentence: `${from.part} and ${to.part} mate: ${there}.` };
    case 'no':
      return {
        ...base,
        code: 'connector-mismatch',
        verdict: 'stop',
        sentence: `${from.part} ends in ${here}, ${to.part} takes ${there}: they do not mate.`,
        remedy: `Use a cable or adapter from ${here} to ${there}. Never force a plug or change its ends without checking polarity.`,
      };
    case 'unknown':
      return {
        ...base,
        code: 'connector-unknown',
        verdict: 'unknown',
        sentence: `${from.part} is for ${here}, ${to.part} takes ${there}: whether the two are the same form is not known.`,
        remedy: 'Name the family of the battery bay on both.',
      };
  }
}
