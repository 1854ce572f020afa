import { canShow } from '@viaggio/core/measure';
import type { Trace } from '@viaggio/core/measure';

/** One sample in 64-bit floats: seconds, volts, amps. */
const FLOATS = 3;
const BYTES = FLOATS * Float64Array.BYTES_PER_ELEMENT;

/** Samples as they come in; seconds rise. */
export class LiveSamples {
  private readonly values: number[] = [];

  get length(): number {
    return this.values.length / FLOATS;
  }

  get seconds(): number {
    return this.length === 0 ? 0 : this.values.at(-FLOATS)! - this.values[0]!;
  }

  /** Of the first sample, from the first question. */
  get firstS(): number {
    return this.values[0] ?? 0;
  }

  /** False for what no meter can show: a gap is left, as in a file. */
  add(timeS: number, voltageV: number, currentA: number): boolean {
    if (!canShow({ voltageV, currentA })) return false;
    this.values.push(timeS, voltageV, currentA);
    return true;
  }

  /** `[seconds from the first, volts, amps]` of the samples from a place on. */
  from(place: number): readonly (readonly [number, number, number])[] {
    const first = this.values[0] ?? 0;
    return Array.from({ length: Math.max(0, this.length - place) }, (_, index) => {
      const at = (place + index) * FLOATS;
      return [this.values[at]! - first, this.values[at + 1]!, this.values[at + 2]!] as const;
    });
  }

  bytes(from: number): Buffer {
    return Buffer.from(Float64Array.from(this.values.slice(from * FLOATS)).buffer);
  }

  addBytes(bytes: Buffer): void {
    for (let at = 0; at + BYTES <= bytes.length; at += BYTES)
      this.add(bytes.readDoubleLE(at), bytes.readDoubleLE(at + 8), bytes.readDoubleLE(at + 16));
  }

  trace(): Trace {
    const rows = this.from(0);
    // to the millisecond, as its file has them: the same rows give the same segments
    return {
      timeS: Float64Array.from(rows, ([timeS]) => Number(timeS.toFixed(3))),
      powerW: Float64Array.from(rows, ([, volts, amps]) => volts * amps),
    };
  }

  /** Of so many samples from the first on. */
  csv(count = this.length): string {
    const rows = this.from(0)
      .slice(0, count)
      .map(([timeS, volts, amps]) => `${timeS.toFixed(3)},${volts},${amps}`);
    return ['time_s,voltage_V,current_A', ...rows, ''].join('\r\n');
  }
}
