import { contractFindings, drawingFindings, plugFindings, voltageFindings } from '../findings';
import type { Finding } from '../findings';
import type { Gear } from '../gear';
import type { Rig } from '../rig/drawn';
import { resolveRig } from '../rig/resolved';
import type { ChainOfLinks, KitIndex } from './chains';

/**
 * Whether what a chain joins may be joined: plugs, polarity, volts over the whole range of the source, contracts. No
 * run is computed; what that finds comes after. Chains that are electrically alike are looked at once: the sentence then names
 * the first of them.
 */
export class Soundness {
  private readonly known = new Map<string, readonly Finding[]>();

  constructor(
    private readonly rig: Rig,
    private readonly gear: ReadonlyMap<string, Gear>,
    private readonly index: KitIndex,
  ) {}

  /** What stops the whole way to a device; empty when it is sound. `links` reach from the source to the device. */
  stops(deviceId: string, links: ChainOfLinks): readonly Finding[] {
    const key = `${deviceId} ${links.map((link) => this.index.electricallyOf(link)).join(' > ')}`;
    let found = this.known.get(key);
    if (!found) {
      found = this.explain(deviceId, links);
      this.known.set(key, found);
    }
    return found;
  }

  /** The same for just this chain, in the names of its own parts. */
  explain(deviceId: string, links: ChainOfLinks): readonly Finding[] {
    const use = this.rig.devices.find(({ gearId }) => gearId === deviceId) ?? { gearId: deviceId };
    const rig = resolveRig({ ...this.rig, devices: [use], links, phases: undefined }, this.gear);
    const stops = (findings: readonly Finding[]) => findings.filter(({ verdict }) => verdict === 'stop');
    const plugs = stops([...drawingFindings(rig), ...plugFindings(rig)]);
    if (plugs.length > 0) return plugs;
    return rig.trees.flatMap((tree) =>
      stops([...voltageFindings(rig, tree, undefined), ...tree.connections.flatMap((one) => contractFindings(rig, one, undefined))]),
    );
  }
}
