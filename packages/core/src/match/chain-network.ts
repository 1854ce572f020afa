import { CHEMISTRIES } from '../cell/chemistry';
import { packFrom } from '../cell/pack';
import type { PackSpec } from '../cell/pack';
import type { Feed, Network } from '../circuit/network';
import { discharge } from '../discharge/discharge';
import type { Contract } from '../usb/power-delivery';
import type { Chain } from './chain';
import { converterOf } from './chain-converter';
import { leadResistance, limitOfLead } from './chain-lead';
import type { LeadLimit } from './chain-lead';
import { packSpec } from './chain-pack';
import { portOf } from './chain-port';
import type { Figure } from './figure';
import type { Finding } from './finding';

/** A chain as a circuit: everything but the device's draw is settled. */
export interface ChainNetwork {
  /** The network with the device drawing so much; undefined where a figure is missing that must not be guessed. */
  readonly withDraw: (powerW: number) => Network | undefined;
  readonly contract: Contract | undefined;
  /** Volts at the end of the battery's own electronics: what leaves a regulated port. Undefined for one that follows the pack. */
  readonly portV: number | undefined;
  readonly leadLimit: LeadLimit | undefined;
  readonly cutoffV: number;
  readonly figures: readonly Figure[];
  readonly missing: readonly Finding[];
}

export function chainNetwork(chain: Chain): ChainNetwork {
  const { adapter, device, input, rig, battery } = chain;
  const figures: Figure[] = [];
  const lacking: Finding[] = [];
  const spec = packSpec(chain, figures, lacking);
  const port = portOf(chain, figures, lacking);
  const leadOhm = leadResistance(chain, figures);
  const leadLimit = limitOfLead(chain, port.contract, lacking);
  const adapterConverter = adapter && converterOf(chain, figures, lacking);
  const incomplete = spec === undefined || port.incomplete || (adapter !== undefined && adapterConverter === undefined);
  const cutoffV = battery.cutoffV ?? battery.cellsInSeries * CHEMISTRIES[battery.chemistry].cutoffCellV;

  const withDraw = (powerW: number): Network | undefined => {
    if (incomplete) return undefined;
    const minV = input.takes === 'window' ? input.minV : undefined;
    const peak = device.peakW !== undefined ? { peakW: device.peakW, peakMs: device.peakMs ?? 0 } : {};
    const lead: Feed = {
      id: 'lead',
      resistanceOhm: leadOhm,
      ...(leadLimit && { maxA: leadLimit.maxA }),
      ...(adapterConverter && { converter: adapterConverter }),
      load: { id: 'device', powerW, ...(minV !== undefined && { minV }), ...peak },
    };
    const feeds: Feed[] = port.converter ? [{ id: 'port', resistanceOhm: 0, converter: port.converter, feeds: [lead] }] : [lead];
    return paced(spec, feeds, rig.startCharge ?? 1);
  };
  return { withDraw, contract: port.contract, portV: port.converter?.outputV, leadLimit, cutoffV, figures, missing: lacking };
}

/** For chemistries that lose capacity when hurried, the mean current decides the capacity and the capacity the current. */
function paced(spec: PackSpec, feeds: readonly Feed[], startSoc: number): Network {
  let network: Network = { pack: packFrom({ ...spec, startSoc }), feeds };
  if (CHEMISTRIES[spec.chemistry].peukertExponent === 1) return network;
  for (let round = 0; round < 20; round++) {
    const run = discharge(network);
    if (run.minutes === 0) return network;
    const meanA = ((startSoc - run.endSoc) * network.pack.capacityAh) / (run.minutes / 60);
    const next = packFrom({ ...spec, startSoc, meanA });
    const settled = Math.abs(next.capacityAh / network.pack.capacityAh - 1) < 1e-6;
    network = { pack: next, feeds };
    if (settled) break;
  }
  return network;
}
