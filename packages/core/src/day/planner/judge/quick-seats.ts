/** Who sits where in a quick run: numbers of batteries by seat, and of seats by battery; -1 is nobody. */
export class QuickSeats {
  /** By seat: what feeds, what is being put in, and until when. */
  readonly seated: Int32Array;
  readonly next: Int32Array;
  readonly nextMin: Float64Array;
  /** By seat: since when it is empty, where it is. */
  readonly emptied: Float64Array;
  /** By battery. */
  readonly inSeat: Int32Array;

  constructor(seats: number, batteries: number) {
    this.seated = new Int32Array(seats);
    this.next = new Int32Array(seats);
    this.nextMin = new Float64Array(seats);
    this.emptied = new Float64Array(seats);
    this.inSeat = new Int32Array(batteries);
  }

  arrays(): readonly (Float64Array | Int32Array)[] {
    return [this.seated, this.next, this.nextMin, this.emptied, this.inSeat];
  }

  reset(): void {
    this.seated.fill(-1);
    this.next.fill(-1);
    this.nextMin.fill(Infinity);
    this.emptied.fill(-Infinity);
    this.inSeat.fill(-1);
  }

  put(battery: number, seat: number, atMin: number, takesMin: number): void {
    this.inSeat[battery] = seat;
    if (takesMin > 0) {
      this.next[seat] = battery;
      this.nextMin[seat] = atMin + takesMin;
    } else this.seated[seat] = battery;
  }

  empty(seat: number, atMin: number): void {
    this.due(seat, atMin);
    const isPending = this.next[seat] !== -1;
    const battery = isPending ? this.next[seat]! : this.seated[seat]!;
    if (battery !== -1) this.inSeat[battery] = -1;
    if (!isPending && battery !== -1) this.emptied[seat] = atMin;
    this.seated[seat] = -1;
    this.next[seat] = -1;
    this.nextMin[seat] = Infinity;
  }

  /** What was being put in sits, once its minutes are over. */
  due(seat: number, atMin: number): void {
    if (this.nextMin[seat]! > atMin) return;
    this.seated[seat] = this.next[seat]!;
    this.next[seat] = -1;
    this.nextMin[seat] = Infinity;
  }
}
