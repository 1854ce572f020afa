import type { Gear } from '../../gear';
import { energyNow } from '../../gear/kit';
import { chargeAfter, chargeMinutes, tooCold } from '../../physics/cell';
import type { Filling } from '../../physics/cell';
import { said } from '../../said';
import { CHARGER_EFFICIENCY, isPrimary, TAPER_SOC } from '../../tables';
import { coldestAt, isDuring, wattsOfPlace } from '../model';
import type { Day } from '../shape';
import { canChargeInPlace, chargerOf, fits, wattsOf } from './charger';
import type { Charger, OnCharger, Outlets } from './charger';
import type { ChargingSaid } from './says';

/** What a battery's time on a charger came to. */
export interface Filled {
  readonly charge: OnCharger;
  readonly fromCharge: number;
  readonly toCharge: number;
  /** When it is full; undefined when it is not by the end. */
  readonly fullMin: number | undefined;
  /** Why nothing, or less, went in. */
  readonly trouble: ChargingSaid | undefined;
  /** What was taken from the wall. */
  readonly wallWh: number;
}

/** A battery on a charger, as far as the two and the place decide: what fills it, or why nothing does. */
export type Pairing =
  { readonly ok: true; readonly charger: Charger; readonly filling: Filling } | { readonly ok: false; readonly why: ChargingSaid };

/** Whether a battery can be filled by a charger where that stands. */
export function pairingOf(
  { batteryId, chargerId, place, inPlace }: OnCharger,
  gear: ReadonlyMap<string, Gear>,
  day: Pick<Day, 'date'>,
): Pairing {
  const [charger, battery] = [chargerOf(gear.get(chargerId)), gear.get(batteryId)];
  const no = (why: ChargingSaid): Pairing => ({ ok: false, why });
  if (!charger) return no(said('no-such-charger'));
  if (wattsOf(charger, 1) === undefined) return no(said('watts-not-known'));
  if (!place) return no(said('place-not-entered'));
  const energyWh = battery?.kind === 'battery' ? energyNow(battery) : undefined;
  if (battery?.kind !== 'battery' || energyWh === undefined) return no(said('energy-not-known'));
  if (!fits(charger, battery)) return no(said('does-not-fit'));
  if (inPlace && !canChargeInPlace(charger, battery)) return no(said('not-where-it-sits'));
  if (isPrimary(battery.chemistry)) return no(said('never-charged'));
  if (tooCold(battery, coldestAt(place, day))) return no(said('too-cold'));
  if (place.power === 'none') return no(said('no-power'));
  if (wattsOfPlace(place) === 0) return no(said('sun-not-known'));
  return { ok: true, charger, filling: { chemistry: battery.chemistry, energyWh } };
}

/** Below this share of a charge two are the same. */
const CLOSE = 1e-6;
/** Moments of one charger between two calls: batteries fill and give way to the next. */
const MOST_STEPS = 200;

interface Slot {
  readonly charge: OnCharger;
  readonly pairing: Pairing;
  readonly fromCharge: number;
  fullMin: number | undefined;
  powered: boolean;
  wallWh: number;
}

/**
 * The chargers of a day, followed in time beside the rigs: what each battery takes depends on what lies beside it, on
 * the outlet and on the hour. Charges are kept in `soc`, which others read and write too.
 */
export class ChargerQueues {
  private readonly queues = new Map<string, Slot[]>();
  private nowMin = 0;
  readonly done: Filled[] = [];

  constructor(
    private readonly pairing: (charge: OnCharger) => Pairing,
    private readonly outlets: Outlets,
    private readonly soc: Map<string, number>,
    /** Told of every bend of a battery's charge: when its turn comes, when it tapers, when what is beside it changes, when it is full. */
    private readonly note: (batteryId: string, minute: number, charge: number) => void,
  ) {}

  /** Puts a battery on. Nothing happens to it until `advance`. */
  begin(charge: OnCharger): void {
    const queue = this.queues.get(charge.chargerId) ?? [];
    this.queues.set(charge.chargerId, queue);
    const fromCharge = this.soc.get(charge.batteryId) ?? 0;
    queue.push({ charge, pairing: this.pairing(charge), fromCharge, fullMin: undefined, powered: false, wallWh: 0 });
  }

  /** Takes one off again. */
  end(charge: OnCharger): void {
    const queue = this.queues.get(charge.chargerId) ?? [];
    const at = queue.findIndex((slot) => slot.charge === charge);
    if (at === -1) return;
    const [slot] = queue.splice(at, 1);
    const { fromCharge, fullMin, wallWh } = slot!;
    const toCharge = this.soc.get(charge.batteryId) ?? 0;
    this.done.push({ charge, fromCharge, toCharge, fullMin, wallWh, trouble: troubleOf(slot!, toCharge) });
  }

  /** Everything on a charger takes what it is given until then. Outlets must not come or go in between. */
  advance(toMin: number): void {
    for (let step = 0; this.nowMin < toMin && step < MOST_STEPS; step++) {
      const rates = this.rates();
      if (rates.length === 0) break;
      let next = toMin;
      for (const { slot, filling, watts } of rates) {
        const before = this.soc.get(slot.charge.batteryId) ?? 0;
        if (!slot.powered) this.note(slot.charge.batteryId, this.nowMin, before);
        const bend = before < TAPER_SOC - CLOSE ? TAPER_SOC : 1;
        next = Math.min(next, this.nowMin + chargeMinutes(filling, before, bend, watts));
      }
      for (const { slot, filling, watts } of rates) {
        const { batteryId } = slot.charge;
        const before = this.soc.get(batteryId) ?? 0;
        const after = chargeAfter(filling, before, watts, next - this.nowMin);
        slot.powered = true;
        slot.wallWh += ((after - before) * filling.energyWh) / CHARGER_EFFICIENCY;
        this.soc.set(batteryId, after > 1 - CLOSE ? 1 : after);
        if (after > 1 - CLOSE) slot.fullMin ??= next;
        this.note(batteryId, next, after > 1 - CLOSE ? 1 : after);
      }
      this.nowMin = next;
    }
    this.nowMin = toMin;
  }

  /** Watts for each battery that takes some now. */
  private rates(): readonly Rate[] {
    const rates: Rate[] = [];
    for (const queue of this.queues.values()) {
      const waiting = queue.flatMap((slot, place) => {
        const { pairing } = slot;
        return pairing.ok && place < pairing.charger.slots && this.takes(slot) ? [{ slot, ...pairing }] : [];
      });
      const first = waiting[0];
      if (!first) continue;
      const active = first.charger.order === 'one-by-one' ? [first] : waiting;
      const watts = wattsOf(first.charger, active.length) ?? 0;
      for (const { slot, filling } of active) rates.push({ slot, filling, watts });
    }
    return withinOutlets(rates);
  }

  private takes({ charge: { batteryId, place } }: Slot): boolean {
    return (this.soc.get(batteryId) ?? 0) <= 1 - CLOSE && isDuring(this.outlets.get(place!.id) ?? [], this.nowMin);
  }
}

interface Rate {
  readonly slot: Slot;
  readonly filling: Filling;
  readonly watts: number;
}

/** What hangs on one outlet that gives little shares it by what each would take. */
function withinOutlets(rates: readonly Rate[]): readonly Rate[] {
  if (rates.every(({ slot }) => wattsOfPlace(slot.charge.place!) === undefined)) return rates;
  const wantedW = new Map<string, number>();
  for (const { slot, watts } of rates) {
    const id = slot.charge.place!.id;
    wantedW.set(id, (wantedW.get(id) ?? 0) + watts / CHARGER_EFFICIENCY);
  }
  return rates.map((rate) => {
    const place = rate.slot.charge.place!;
    return { ...rate, watts: rate.watts * Math.min(1, (wattsOfPlace(place) ?? Infinity) / wantedW.get(place.id)!) };
  });
}

function troubleOf({ pairing, powered, fromCharge }: Slot, toCharge: number): ChargingSaid | undefined {
  if (!pairing.ok) return pairing.why;
  if (toCharge >= 1 - CLOSE) return undefined;
  return powered || fromCharge >= 1 - CLOSE ? said('not-full') : said('no-turn');
}
