import type { ChargingSays } from '../../../day/charging';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

const CHARGING: WordsOf<ChargingSays> = {
  'no-such-charger': () => 'There is no such charger.',
  'watts-not-known': () => 'How many watts this charger gives is not known.',
  'place-not-entered': () => 'Where this charger stands is not entered.',
  'energy-not-known': () => 'How much this battery holds is not known.',
  'does-not-fit': () => 'It does not fit this charger.',
  'not-where-it-sits': () => 'It is not known to take a charge where it sits.',
  'never-charged': () => 'These cells are not rechargeable: never charge them.',
  'too-cold': () => 'Lithium cells must not be charged below 0 °C.',
  'no-power': () => 'There is no power at this place.',
  'sun-not-known': () => 'How much the sun gives at this place is not known.',
  'not-full': () => 'Not full by then.',
  'no-turn': () => 'Its turn did not come, or the outlet was dead.',
  'charge-missing': ({ fromCharge }) =>
    `${Math.round((1 - fromCharge) * 100)} % of its charge is missing: put it on earlier, before others in the same charger, or on a stronger one.`,
  'on-no-charger': ({ isPlanned }) => `It is on no charger before${isPlanned ? '.' : ': ask for a plan, or put it on one.'}`,
  'not-unattended': () => 'Never charge unattended or where you sleep; follow the makers’ instructions.',
  'not-below-zero': () => 'Lithium: not below 0 °C. Let cold packs come to room warmth first.',
  'in-place': () => 'Charging where it sits: switch the rig off and disconnect it first, and only as the maker allows.',
  'air-the-room': () => 'Lead-acid: air the room; switch the system off and disconnect it before charging in place.',
  'no-crew-hours': () => 'No crew hours entered: batteries are taken to be moved at any hour.',
};

export const sayCharging = sayer(CHARGING);
