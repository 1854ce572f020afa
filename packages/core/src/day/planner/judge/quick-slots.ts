/** A battery's time on a charger, by number. */
export interface FlatCharge {
  readonly battery: number;
  readonly charger: number;
  readonly fromMin: number;
  readonly toMin: number;
  /** It stays in the seat that it sits in. */
  readonly inPlace?: boolean;
}

/** The chargers at one moment of a run. */
export interface ChargersThen {
  readonly slots: readonly (readonly FlatCharge[])[];
  readonly offMin: Float64Array;
  readonly on: Int32Array;
  readonly done: number;
  readonly nowMin: number;
}

/** Which battery is on which charger, since when, and until when it may stay. */
export class QuickSlots {
  /** By charger, in the order in which they were put on. */
  private slots: FlatCharge[][];
  /** By battery. */
  private offMin: Float64Array;
  private on: Int32Array;
  /** What was taken off again, in the order of time. */
  private readonly done: FlatCharge[] = [];
  /** By battery: since when it is where a person wants it. */
  private readonly keptFrom: number[] = [];

  constructor(chargers: number, batteries: number) {
    this.slots = Array.from({ length: chargers }, () => []);
    this.offMin = new Float64Array(batteries).fill(Infinity);
    this.on = new Int32Array(batteries).fill(-1);
  }

  reset(): void {
    this.done.length = 0;
    for (const slots of this.slots) slots.length = 0;
    this.offMin.fill(Infinity);
    this.on.fill(-1);
  }

  save(nowMin: number): ChargersThen {
    const { offMin, on, done } = this;
    return { slots: this.slots.map((slots) => [...slots]), offMin: offMin.slice(), on: on.slice(), done: done.length, nowMin };
  }

  /** Back to a moment of a run that began like this one. */
  load({ slots, offMin, on, done }: ChargersThen): void {
    this.slots = slots.map((own) => [...own]);
    this.offMin = offMin.slice();
    this.on = on.slice();
    this.done.length = done;
  }

  /** Everything that was on a charger; what is still on one stays as long as it may. */
  get charges(): readonly FlatCharge[] {
    return [...this.done, ...this.slots.flat().map((one) => ({ ...one, toMin: Math.max(one.fromMin, this.offMin[one.battery]!) }))];
  }

  get count(): number {
    return this.slots.reduce((sum, { length }) => sum + length, this.done.length);
  }

  of(charger: number): readonly FlatCharge[] {
    return this.slots[charger]!;
  }

  /** The charger that a battery is on; -1 is none. */
  chargerOf(battery: number): number {
    return this.on[battery]!;
  }

  /** Until when a battery that is on a charger may stay. */
  offAt(battery: number): number {
    return this.offMin[battery]!;
  }

  put(charge: FlatCharge, offMin: number): void {
    this.slots[charge.charger]!.push(charge);
    this.on[charge.battery] = charge.charger;
    this.offMin[charge.battery] = offMin;
  }

  /** Takes one off that is on a charger. */
  take(battery: number, atMin: number): FlatCharge {
    const slots = this.slots[this.on[battery]!]!;
    const place = slots.findIndex((one) => one.battery === battery);
    const taken = { ...slots[place]!, toMin: atMin };
    this.done.push(taken);
    slots.splice(place, 1);
    this.on[battery] = -1;
    this.offMin[battery] = Infinity;
    return taken;
  }

  /** A person wants it there: it gives way to nothing. */
  keep(battery: number, fromMin: number): void {
    this.keptFrom[battery] = fromMin;
  }

  isKept({ battery, fromMin }: FlatCharge): boolean {
    return this.keptFrom[battery] === fromMin;
  }

  /** Of those on a charger that nobody wants there, the one that may stay longest. */
  latest(charger: number): FlatCharge | undefined {
    return this.slots[charger]!.filter((one) => !this.isKept(one)).reduce<FlatCharge | undefined>(
      (a, b) => (a && this.offMin[a.battery]! >= this.offMin[b.battery]! ? a : b),
      undefined,
    );
  }
}
