import type { Adapter, Battery, Cable, Device, Gear, Input, Output } from '../gear/gear';
import type { Rig } from '../gear/rig';
import type { Finding, Role } from './finding';

/** A rig with its parts found: the way from one battery to one device. */
export interface Chain {
  readonly rig: Rig;
  readonly battery: Battery;
  readonly output: Output;
  readonly cable: Cable | undefined;
  readonly adapter: Adapter | undefined;
  readonly device: Device;
  readonly input: Input;
}

export type ResolvedChain = { readonly chain: Chain } | { readonly chain: undefined; readonly findings: readonly Finding[] };

/** Finds the gear that a rig names. What is not there, or is of another kind, becomes a finding each. */
export function resolveChain(rig: Rig, gear: ReadonlyMap<string, Gear>): ResolvedChain {
  const findings: Finding[] = [];
  const lost = (role: Role, part: string): undefined => {
    findings.push({
      code: 'part-missing',
      verdict: 'unknown',
      aspect: 'connector',
      role,
      part,
      numbers: [],
      sentence: `The rig names a ${part} that is not in the kit any more.`,
      remedy: `Choose another ${part}.`,
    });
    return undefined;
  };
  const find = <K extends Gear['kind']>(kind: K, id: string | undefined): Extract<Gear, { kind: K }> | undefined => {
    if (id === undefined) return undefined;
    const found = gear.get(id);
    return found?.kind === kind ? (found as Extract<Gear, { kind: K }>) : lost(kind, kind);
  };
  const battery = find('battery', rig.batteryId);
  const device = find('device', rig.deviceId);
  const cable = find('cable', rig.cableId);
  const adapter = find('adapter', rig.adapterId);
  const output = battery && (battery.outputs.find(({ id }) => id === rig.outputId) ?? lost('battery', `output of ${battery.name}`));
  const input = device && (device.inputs.find(({ id }) => id === rig.inputId) ?? lost('device', `input of ${device.name}`));
  if (findings.length > 0 || !battery || !device || !output || !input) return { chain: undefined, findings };
  return { chain: { rig, battery, output, cable, adapter, device, input } };
}
