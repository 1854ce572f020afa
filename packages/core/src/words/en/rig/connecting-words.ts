import type { ConnectingStep } from '../../../rig/resolved';
import { say, sayList } from '../say';

/**
 * One act of connecting, as one tells it to an assistant.
 *
 * @example sayConnecting({ act: 'plug', from: 'V1', to: 'Adapter M', by: undefined }) // 'Plug V1 into Adapter M.'
 */
export function sayConnecting(step: ConnectingStep): string {
  switch (step.act) {
    case 'all-off':
      return `Switch ${sayList(step.devices)} off.`;
    case 'own-battery':
      return `Put ${step.battery} into ${step.device}.`;
    case 'plug':
      return `Plug ${step.from} into ${step.to}${step.by === undefined ? '' : ` by ${step.by}`}.`;
    case 'measure':
      return step.outputV === undefined
        ? `Measure what ${step.part} gives, and its polarity, before anything is plugged in.`
        : `Measure ${step.part}: about ${say(step.outputV, 'V')}, the right way round.`;
    case 'into-camera':
      return step.isBay
        ? `Put ${step.part} into ${step.input} of ${step.device}; lead the cable out and close the door.`
        : `Plug ${step.part} into ${step.input} of ${step.device}.`;
    case 'switch-on':
      return step.sign === 'contract'
        ? `Switch ${step.device} on: its screen shows the sign of outside power.`
        : `Switch ${step.device} on, and let it run a minute.`;
  }
}
