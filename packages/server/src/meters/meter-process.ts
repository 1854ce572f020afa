import type { RigSignal } from '@viaggio/core/measure';
import { SimulatedMeter } from './simulated-meter';
import type { Trouble } from './simulated-meter';

/** What a process that plays a meter is told. */
export type MeterOrder = { readonly play: RigSignal } | { readonly trouble: Trouble; readonly seconds: number };

/** A simulated meter in a process of its own, started by the server: whatever is sent to it stalls nobody else. */
const meter = new SimulatedMeter();
const listening = meter.listen();
process.on('message', (order: MeterOrder) => {
  if ('trouble' in order) {
    meter.makeTrouble(order.trouble, order.seconds);
    return;
  }
  meter.play(order.play);
  void listening.then((port) => process.send?.({ port }));
});
// who started it is gone
process.on('disconnect', () => process.exit(0));
