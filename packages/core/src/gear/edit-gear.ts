import { withChanges } from '../shape';
import type { Changes } from '../shape';
import type { Battery, Device, Gear } from './gear';
import type { Input, Output } from './port';

/**
 * A figure that a person typed: what was a guess is now printed; what was measured stays so.
 *
 * @example withTyped(battery, { energyWh: 99 }, 'energyWh').energyWh // 99
 */
export function withTyped<G extends Gear>(body: G, changes: Changes<G>, figure: string): G {
  const from: Readonly<Record<string, string | undefined>> = ('from' in body && body.from) || {};
  const kept = from[figure] === 'measured' ? 'measured' : 'printed';
  return withChanges<object>(body, { ...changes, from: { ...from, [figure]: kept } }) as G;
}

/**
 * A device with one of its inputs changed.
 *
 * @example withInput(gear.get(cameraId), 'bay', { maxV: 9 }).inputs[0].maxV // 9
 */
export function withInput(device: Device, inputId: string, changes: object): Device {
  return { ...device, inputs: device.inputs.map((input): Input => (input.id === inputId ? withChanges(input, changes) : input)) };
}

/**
 * A battery with one of its outputs changed.
 *
 * @example withOutput(battery, battery.outputs[0].id, { maxA: 5 }).outputs[0].maxA // 5
 */
export function withOutput(battery: Battery, outputId: string, changes: object): Battery {
  return { ...battery, outputs: battery.outputs.map((output): Output => (output.id === outputId ? withChanges(output, changes) : output)) };
}
