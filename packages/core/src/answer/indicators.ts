import { batteryFigures } from '../gear';
import type { Battery } from '../gear';
import { isKind } from '../rig/drawn';
import type { Part } from '../rig/drawn';
import { connectionsInto } from '../rig/resolved';
import { stoppingPeak } from '../run';
import { CHEMISTRIES, GAUGE_BARS, GAUGE_CLOSE, PERCENT_STEPS } from '../tables';
import type { GaugeFact } from './gauge-fact';
import type { RigModel } from './rig-model';

/** One thing to look at on a rig, and whether it can be believed. */
export interface Indicator {
  /** The part whose gauge it is. */
  readonly part: string;
  readonly gearId: string;
  readonly believable: 'yes' | 'roughly' | 'no' | 'unknown';
  readonly why: GaugeFact;
  /** What it shows from which minute on, beside the truth; empty when it shows nothing or is not known. */
  readonly readings: readonly Reading[];
}

export interface Reading {
  readonly minute: number;
  /** `75 %`, `2 of 4`. */
  readonly shown: string;
  /** Share of the charge that is really left. */
  readonly charge: number;
}

/**
 * What the person will see while a rig runs: the gauge of each battery, and that of each device fed through an adapter.
 * Needs the runs with a trace; a run without one gives no readings.
 *
 * @example indicators(model)[0].part // 'Holmvik 95'
 */
export function indicators({ resolved, runs }: RigModel): readonly Indicator[] {
  const found: Indicator[] = [];
  for (const tree of resolved.trees) {
    const { source } = tree;
    const run = runs.get(tree);
    if (!run || !isKind(source, 'battery')) continue;
    const trace = run.trace.map(({ minute, soc, packV }) => ({ minute, soc, packV }));
    const endMin = stoppingPeak(run)?.minute ?? run.minutes;
    found.push(
      ofBattery(
        source,
        trace.filter(({ minute }) => minute <= endMin + 1e-9),
      ),
    );
  }
  for (const { part } of resolved.devices) {
    const adapter = connectionsInto(resolved, part)
      .map(({ from }) => from)
      .find((from) => isKind(from, 'adapter'));
    const changed = connectionsInto(resolved, part).find(({ from }) => from.gear.changedByHand?.some(({ unseen }) => unseen?.charge))?.from;
    if (changed)
      found.push({
        part: part.title,
        gearId: part.id,
        believable: 'no',
        why: { fact: 'changed', part: changed.title },
        readings: [],
      });
    if (changed || !adapter || !isKind(adapter, 'adapter') || adapter.gear.gauge === 'true') continue;
    const full = adapter.gear.gauge === 'always-full';
    found.push({
      part: part.title,
      gearId: part.id,
      believable: 'no',
      why: { fact: full ? 'held-full' : 'blind', adapter: adapter.title },
      readings: full ? [{ minute: 0, shown: '100 %', charge: 1 }] : [],
    });
  }
  return found;
}

function ofBattery(battery: Part<Battery>, trace: readonly { minute: number; soc: number; packV: number }[]): Indicator {
  const {
    title: name,
    gear: { gauge, chemistry },
  } = battery;
  const base = { part: name, gearId: battery.id };
  if (gauge === undefined) return { ...base, believable: 'unknown', why: { fact: 'not-entered' }, readings: [] };
  if (gauge.reads === 'none') return { ...base, believable: 'no', why: { fact: 'none' }, readings: [] };
  const steps = gauge.steps ?? (gauge.reads === 'charge' ? PERCENT_STEPS : GAUGE_BARS);
  const { cutoffV = 0, cellsInSeries = 0 } = batteryFigures(battery.gear);
  const fullV = CHEMISTRIES[chemistry].fullCellV * cellsInSeries;
  const readings: Reading[] = [];
  let worst = 0;
  for (const { minute, soc, packV } of trace) {
    const share = Math.min(1, Math.max(0, gauge.reads === 'charge' ? soc : (packV - cutoffV) / (fullV - cutoffV)));
    const step = Math.ceil(share * steps - 1e-9);
    worst = Math.max(worst, Math.abs(step / steps - soc) - 1 / steps);
    const shown = steps === PERCENT_STEPS ? `${step} %` : `${step} of ${steps}`;
    if (readings.at(-1)?.shown !== shown) readings.push({ minute, shown, charge: soc });
  }
  if (gauge.reads === 'charge') {
    return { ...base, believable: steps >= 10 ? 'yes' : 'roughly', why: { fact: 'counts', steps }, readings };
  }
  return { ...base, believable: worst < GAUGE_CLOSE ? 'roughly' : 'no', why: { fact: 'reads-volts', offBy: worst }, readings };
}
