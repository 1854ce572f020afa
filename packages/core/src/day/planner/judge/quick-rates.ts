import { wattsOf } from '../../charging';
import { isThere } from '../../model';
import type { FlatDay } from './flat-day';
import type { QuickSlots } from './quick-slots';

/** From this charge on a battery is full. */
export const FULL = 1 - 1e-6;

/** What a battery on a charger takes. */
export interface Rate {
  readonly battery: number;
  watts: number;
  readonly place: number;
}

const NO_RATES: Rate[] = [];

/** Watts for each battery that takes some at a minute. */
export function ratesAt(flat: FlatDay, held: QuickSlots, soc: Float64Array, now: number): readonly Rate[] {
  const { chargers } = flat;
  let rates: Rate[] = NO_RATES;
  for (let index = 0; index < chargers.length; index++) {
    const slots = held.of(index);
    if (slots.length === 0) continue;
    const { charger, place, live, takes, lostMin } = chargers[index]!;
    if (lostMin <= now || !isThere(live, now)) continue;
    let active = 0;
    const first = rates.length;
    for (let at = 0; at < slots.length && at < charger.slots; at++) {
      const { battery } = slots[at]!;
      if (!takes[battery] || soc[battery]! >= FULL) continue;
      if (rates === NO_RATES) rates = [];
      rates.push({ battery, watts: 0, place });
      active++;
      if (charger.order === 'one-by-one') break;
    }
    if (active === 0) continue;
    const watts = wattsOf(charger, active) ?? 0;
    for (let at = first; at < rates.length; at++) rates[at]!.watts = watts;
  }
  if (rates.length > 0) keepWithinOutlets(flat, rates);
  return rates;
}

/** What hangs on one outlet that gives little shares it by what each would take. */
function keepWithinOutlets(flat: FlatDay, rates: readonly Rate[]): void {
  for (const [place, mostW] of flat.placeWatts.entries()) {
    if (mostW === Infinity) continue;
    const here = rates.filter((rate) => rate.place === place);
    const wanted = here.reduce((sum, { watts }) => sum + watts, 0);
    if (wanted > mostW) for (const rate of here) rate.watts *= mostW / wanted;
  }
}
