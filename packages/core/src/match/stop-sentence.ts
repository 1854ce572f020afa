import type { Discharge } from '../discharge/discharge';
import type { Chain } from './chain';
import type { ChainNetwork } from './chain-network';
import { say } from './figure';
import { stoppingPeak } from './first-stop';

/** What stops the run first and why, in one sentence; then what is left in the battery. */
export function stopSentence({ battery, adapter, device, input }: Chain, { cutoffV, leadLimit }: ChainNetwork, run: Discharge): string {
  const gate = adapter ? adapter.name : `${input.name} of ${device.name}`;
  const minV = adapter ? adapter.input.minV : input.minV;
  const peak = stoppingPeak(run);
  if (peak) {
    return `A peak of ${say(device.peakW ?? 0, 'W')} can shut ${device.name} off once ${battery.name} is down to ${say(peak.fromSoc, 'fraction')}; without peaks it runs ${say(run.minutes, 'min')}.`;
  }
  const left = `${say(run.strandedWh, 'Wh')} (${say(run.endSoc, 'fraction')} of the charge) stay in it`;
  switch (run.cause) {
    case 'pack-cutoff':
      return `The protection of ${battery.name} ends it at ${say(cutoffV, 'V')}; ${left}.`;
    case 'empty':
      return `${battery.name} is empty.`;
    case 'converter-dropout':
      return run.minutes === 0 && adapter?.input.startV !== undefined
        ? `${gate} does not start at this charge.`
        : `${gate} drops out below ${say(minV ?? 0, 'V')}; of ${battery.name} ${left}.`;
    case 'load-undervoltage':
      return `${device.name} switches off below ${say(minV ?? 0, 'V')}; of ${battery.name} ${left}.`;
    case 'over-current':
      return `The current passes ${say(run.at === 'pack' ? (battery.maxA ?? 0) : (leadLimit?.maxA ?? 0), 'A')} (${run.at === 'pack' ? battery.name : (leadLimit?.set ?? 'the lead')}); of ${battery.name} ${left}.`;
    case 'collapse':
      return `${battery.name} and its leads cannot carry the load: the voltage breaks down.`;
    case 'no-draw':
      return 'Nothing draws power.';
  }
}
