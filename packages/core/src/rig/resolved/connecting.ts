import { inOwnBay, isKind } from '../drawn';
import type { Connection } from './connection';
import type { ResolvedRig } from './resolve-rig';
import { treesFeeding } from './source-tree';

/** One act on the way to a running rig, in the order in which it is safe. */
export type ConnectingStep =
  | { readonly act: 'all-off'; readonly devices: readonly string[] }
  | { readonly act: 'own-battery'; readonly battery: string; readonly device: string }
  | { readonly act: 'plug'; readonly from: string; readonly to: string; readonly by: string | undefined }
  | { readonly act: 'measure'; readonly part: string; readonly outputV: number | undefined }
  | { readonly act: 'into-camera'; readonly part: string; readonly input: string; readonly device: string; readonly isBay: boolean }
  | { readonly act: 'switch-on'; readonly device: string; readonly sign: 'contract' | 'runs' };

/**
 * The order of connecting and switching on: everything off; a device's own battery in before anything outside; each way from
 * its source outwards, what converts measured before a device hangs on it, the device last; then one device after the
 * other, those that draw most last.
 *
 * @example orderOfConnecting(model.resolved).length // 5
 */
export function orderOfConnecting({ devices, connections, trees }: ResolvedRig): readonly ConnectingStep[] {
  const steps: ConnectingStep[] = [{ act: 'all-off', devices: devices.map(({ part }) => part.title) }];
  const isOwn = (one: Connection): boolean => isKind(one.to, 'device') && inOwnBay(one);
  for (const { from, to } of connections.filter(isOwn)) steps.push({ act: 'own-battery', battery: from.title, device: to.title });
  const done = new Set<string>();
  const outwards = trees.flatMap((tree) => tree.connections).filter((one) => !isOwn(one));
  const last: ConnectingStep[] = [];
  for (const one of outwards) {
    if (done.has(one.id)) continue;
    done.add(one.id);
    const { from, to, cable, input, output, supply } = one;
    const toDevice = isKind(to, 'device');
    if (isKind(from, 'adapter') && toDevice) {
      steps.push({ act: 'measure', part: from.title, outputV: output.gives === 'fixed' ? output.voltageV : supply?.startV });
      last.push({ act: 'into-camera', part: from.title, input: input.name, device: to.title, isBay: input.connector.type === 'bay' });
    } else if (toDevice) {
      const names = from.outputs.length > 1 ? `${output.name} of ${from.title}` : from.title;
      last.push({ act: 'plug', from: names, to: to.inputs.length > 1 ? `${input.name} of ${to.title}` : to.title, by: cable?.title });
    } else {
      const names = from.outputs.length > 1 ? `${output.name} of ${from.title}` : from.title;
      steps.push({ act: 'plug', from: names, to: to.title, by: cable?.title });
    }
  }
  steps.push(...last);
  for (const { part } of devices) {
    const first = treesFeeding(trees, part)[0];
    const into = first?.connections.find(({ to }) => to.id === part.id);
    steps.push({ act: 'switch-on', device: part.title, sign: into?.contract ? 'contract' : 'runs' });
  }
  return steps;
}
