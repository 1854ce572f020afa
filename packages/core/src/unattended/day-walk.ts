/** Shares of a charge that differ by less are the same. */
const EVEN = 1e-9;

export interface Visit {
  readonly day: number;
  readonly why: 'battery' | 'card' | 'battery and card';
}

/** Follows the charge day by day, in shares of a full battery. */
export class DayWalk {
  constructor(
    private readonly use: number,
    private readonly yields: readonly number[],
    private readonly start: number,
    private readonly reserve: number,
  ) {}

  /** Charge at the end of each day, without sun in a spell of so many days. */
  charges(spellFrom = Infinity, spellDays = 0): readonly number[] {
    let charge = this.start;
    return this.yields.map((_, day) => {
      charge = Math.max(0, this.after(charge, day, day >= spellFrom && day < spellFrom + spellDays));
      return charge;
    });
  }

  /** The spell where the lowest charge is lowest. */
  worstSpell(spellDays: number): readonly number[] {
    let worst: readonly number[] = this.charges(0, spellDays);
    for (let from = 1; from + spellDays <= this.yields.length; from++) {
      const charges = this.charges(from, spellDays);
      if (Math.min(...charges) < Math.min(...worst)) worst = charges;
    }
    return worst;
  }

  /**
   * The days on which somebody must bring a full battery or an empty card: as late as the reserve allows, wherever the
   * dull spell falls.
   */
  visits(spellDays: number, cardDays = Infinity): readonly Visit[] {
    const visits: Visit[] = [];
    let charge = this.start;
    let [batteryFrom, cardFrom] = [0, 0];
    for (let day = 0; day < this.yields.length; day++) {
      let next = this.after(charge, day, day - batteryFrom < spellDays);
      const battery = next < this.reserve - EVEN;
      const card = day + 1 - cardFrom > cardDays;
      // the day it is left everything is fresh
      if (day > 0 && (battery || card)) {
        visits.push({ day, why: battery && card ? 'battery and card' : battery ? 'battery' : 'card' });
        if (battery) {
          batteryFrom = day;
          next = this.after(1, day, spellDays > 0);
        }
        // who brings a battery looks after the card as well
        cardFrom = day;
      }
      charge = Math.max(0, next);
    }
    return visits;
  }

  /** Whether a full battery lasts from each visit to the next, whichever of them the dull spell falls between. */
  lastsBetween(everyDays: number, spellDays: number): boolean {
    let charge = this.start;
    for (let day = 0; day < this.yields.length; day++) {
      if (day > 0 && day % everyDays === 0) charge = 1;
      charge = this.after(charge, day, day % everyDays < spellDays);
      if (charge < this.reserve - EVEN) return false;
    }
    return true;
  }

  private after(charge: number, day: number, isDull: boolean): number {
    return Math.min(1, charge - this.use + (isDull ? 0 : this.yields[day]!));
  }
}
