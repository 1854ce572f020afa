import type { SystemPhase } from '../../../run';
import type { Deviation, RigState } from '../../run';
import type { Block } from '../../shape';

/** Nobody plans a stay in one seat that lasts longer. */
const LONGEST_MIN = 20_000;
/** Points of a table: straight lines between so many are within 1e-4 of the discharge. */
const POINTS = 160;
/** Halvings by which the charge is closed in on below which a block must not be run. */
const HALVINGS = 7;

/**
 * How one battery of a rig with one source runs down under one draw at one temperature: minutes from full to any charge.
 * A stay in a seat is a step along it, and its inverse.
 */
export class DrainTable {
  /** From full until the rig goes dark; infinite where it never does. */
  readonly endMin: number;
  /** Below this charge the block must not be run, whatever the run itself does: 0 where it may always, above 1 where it never may. */
  readonly stopBelow: number;
  private readonly minutes: Float64Array;
  private readonly charges: Float64Array;
  private readonly step: number;

  constructor(state: RigState, block: Block | undefined, deviation: Deviation) {
    const loadW = state.loadW(block);
    const first = runDown(state, deviation, loadW, LONGEST_MIN, 1);
    this.endMin = first.gapMin ?? Infinity;
    const span = Math.max(1e-6, Math.min(this.endMin, LONGEST_MIN));
    const { trace } = runDown(state, deviation, loadW, span, POINTS);
    const id = state.sourceIds[0]!;
    const minutes: number[] = [];
    const charges: number[] = [];
    for (const { minute, soc } of trace) {
      const charge = soc[id] ?? 0;
      if (minutes.length > 0 && (minute <= minutes.at(-1)! || charge >= charges.at(-1)!)) continue;
      minutes.push(minute);
      charges.push(charge);
    }
    this.minutes = Float64Array.from(minutes);
    this.charges = Float64Array.from(charges);
    this.step = span / POINTS;
    this.stopBelow = block ? stopBelow(state, block, id, charges.at(-1) ?? 0) : 0;
  }

  /** Minutes from full at which the battery is down to a charge; the table's end where it never gets there. */
  minuteOf(charge: number): number {
    const { charges, minutes } = this;
    const last = charges.length - 1;
    if (charge >= charges[0]!) return 0;
    if (charge <= charges[last]!) return this.endMin === Infinity ? minutes[last]! : this.endMin;
    let [low, high] = [0, last];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (charges[middle]! > charge) low = middle;
      else high = middle;
    }
    const share = (charges[low]! - charge) / (charges[low]! - charges[high]!);
    return minutes[low]! + share * (minutes[high]! - minutes[low]!);
  }

  /** Charge after so many minutes from full; that at the end beyond it. */
  chargeAt(minute: number): number {
    const { charges, minutes } = this;
    const last = charges.length - 1;
    if (last === 0 || minute <= 0) return charges[0]!;
    if (minute >= minutes[last]!) return charges[last]!;
    let low = Math.min(last - 1, Math.floor(minute / this.step));
    while (low > 0 && minutes[low]! > minute) low--;
    while (minutes[low + 1]! < minute) low++;
    const share = (minute - minutes[low]!) / (minutes[low + 1]! - minutes[low]!);
    return charges[low]! + share * (charges[low + 1]! - charges[low]!);
  }
}

function runDown(state: RigState, deviation: Deviation, loadW: SystemPhase['loadW'], minutes: number, pieces: number) {
  const phase = { minutes: minutes / pieces, loadW };
  const run = state.runner!.run(state.vary(deviation), {
    phases: Array.from({ length: pieces }, () => phase),
    startSoc: [1],
    record: true,
    trace: true,
  });
  return { gapMin: run.events.find(({ kind }) => kind === 'gap')?.minute, trace: run.trace };
}

function stopBelow(state: RigState, block: Block, id: string, lowest: number): number {
  const isStopped = (charge: number): boolean => state.stopIn(block, { [id]: charge }) !== undefined;
  if (!isStopped(lowest)) return 0;
  if (isStopped(1)) return 2;
  let [stops, runs] = [lowest, 1];
  for (let turn = 0; turn < HALVINGS; turn++) {
    const middle = (stops + runs) / 2;
    if (isStopped(middle)) stops = middle;
    else runs = middle;
  }
  return runs;
}
