import type { Feed, Network } from '../src/physics/circuit/network';

/** A feed of a solved tree: volts and amps at its end. */
export interface PlainPoint {
  readonly id: string;
  readonly currentA: number;
  readonly inputV: number;
}

/**
 * The operating point of a network by plain repetition: volts down the tree with the currents of the last round, new
 * currents up it, until they stand still. Written apart from the solver under test, on purpose as simply as possible.
 * Undefined where it does not settle.
 */
export function plainSolve({ pack, feeds }: Network, openCircuitV: number): readonly PlainPoint[] | undefined {
  const amps = new Map<string, number>();
  const volts = new Map<string, number>();
  let change = 0;
  const pass = (feed: Feed, sourceV: number): number => {
    const last = amps.get(feed.id) ?? 0;
    const inputV = sourceV - last * feed.resistanceOhm;
    const { converter, load, feeds: inner = [] } = feed;
    const outV = converter ? converter.outputV : inputV;
    const behindA = inner.reduce((sum, next) => sum + pass(next, outV), 0) + (load ? load.powerW / outV : 0);
    const asked = converter ? (converter.standbyW + (behindA * outV) / (converter.efficiency as number)) / inputV : behindA;
    change = Math.max(change, Math.abs(asked - last));
    amps.set(feed.id, last + 0.8 * (asked - last));
    volts.set(feed.id, inputV);
    return asked;
  };
  let packA = 0;
  for (let round = 0; round < 300; round++) {
    change = 0;
    const asked = feeds.reduce((sum, feed) => sum + pass(feed, openCircuitV - packA * pack.resistanceOhm), 0);
    change = Math.max(change, Math.abs(asked - packA));
    packA += 0.8 * (asked - packA);
    if (!Number.isFinite(packA) || packA * pack.resistanceOhm > openCircuitV) return undefined;
    if (change < 1e-9) return [...amps].map(([id, currentA]) => ({ id, currentA, inputV: volts.get(id)! }));
  }
  return undefined;
}
