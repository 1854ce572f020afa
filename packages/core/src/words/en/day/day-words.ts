import type { Unrecorded } from '../../../day/cards';
import type { HelpAct } from '../../../day/planner';
import type { Dark } from '../../../day/run';

export function sayDark(device: string, why: Dark): string {
  switch (why) {
    case 'change':
      return `${device} is off while a battery is changed.`;
    case 'empty-seat':
      return `${device} has no battery.`;
    case 'gave-out':
      return `${device} has no power: what feeds it has stopped.`;
  }
}

/**
 * Why a device does not record.
 *
 * @example sayUnrecorded('Skuadon 60', 'card-full') // 'Skuadon 60 has no room left on its card.'
 */
export function sayUnrecorded(device: string, why: Unrecorded): string {
  switch (why) {
    case 'card-full':
      return `${device} has no room left on its card.`;
    case 'card-change':
      return `${device} does not record while its card is changed.`;
    case 'too-hot':
      return `${device} shuts off from heat.`;
    case 'take-over':
      return `${device} is at its longest take, and nobody is there to start the next.`;
  }
}

/**
 * A card that is changed, and for which one.
 *
 * @example sayCardChange('Skuadon 60', 1, 0.9, 2) // 'Card 2 into Skuadon 60, card 1 out: 90 % full.'
 */
export function sayCardChange(device: string, out: number, outFull: number, card: number | undefined): string {
  if (card === undefined) return `Card ${out} of ${device} stays: no emptier one is there.`;
  return `Card ${card} into ${device}, card ${out} out: ${Math.round(outFull * 100)} % full.`;
}

export function sayHelp(help: HelpAct): string {
  switch (help.act) {
    case 'battery':
      return `One more ${help.name} (${Math.round(help.energyWh ?? 0)} Wh), charged.`;
    case 'charger':
      return `A second ${help.name} at ${help.place ?? 'there'}.`;
    case 'dim':
      return `${help.devices.join(' and ')} of ${help.rig} turned down to ${Math.round(help.scale * 100)} %${help.after === undefined ? '' : ` from ${help.after} on`}.`;
  }
}

/**
 * A move for which nobody is there; names as a person knows them.
 *
 * @example sayNobody('into-rig', 'V1', 'Wheelhouse', 'Quay') // 'V1 is to go into Wheelhouse, and nobody is at Quay.'
 */
export function sayNobody(
  move: 'into-rig' | 'onto-charger' | 'off-charger' | 'card',
  /** The battery; of a card, what it records for. */
  what: string,
  where: string,
  place: string | undefined,
): string {
  const there = `nobody is ${place === undefined ? 'there' : `at ${place}`}`;
  switch (move) {
    case 'into-rig':
      return `${what} is to go into ${where}, and ${there}.`;
    case 'onto-charger':
      return `${what} is to go onto ${where}, and ${there}.`;
    case 'off-charger':
      return `${what} is to come off ${where}, and ${there}.`;
    case 'card':
      return `The card of ${what} is to be changed in ${where}, and ${there}.`;
  }
}
