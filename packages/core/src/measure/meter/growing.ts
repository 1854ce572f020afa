const FIRST_SIZE = 4096;

/** Numbers of which nobody knows how many there will be. */
export class Growing {
  length = 0;
  private buffer = new Float64Array(FIRST_SIZE);

  add(value: number): void {
    if (this.length === this.buffer.length) {
      const larger = new Float64Array(this.buffer.length * 2);
      larger.set(this.buffer);
      this.buffer = larger;
    }
    this.buffer[this.length++] = value;
  }

  /** A view, not a copy. */
  values(): Float64Array {
    return this.buffer.subarray(0, this.length);
  }
}
