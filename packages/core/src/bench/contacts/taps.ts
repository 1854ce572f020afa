import { worstVerdict } from '../../findings';
import type { Verdict } from '../../findings';
import { cellVoltage, socAtVoltage } from '../../physics/cell';
import { said } from '../../said';
import { CHARGE_CELL_V, CHARGE_WITHIN, CHEMISTRIES, DONE_WITH, LOADED_SHARE, NOTHING_TIMES } from '../../tables';
import type { ChemistryId } from '../../tables';
import { HANDHELD } from '../sheet';
import type { MeterAccuracy } from '../sheet';
import type { TapSaid } from './says';

export type TapCode = 'even' | 'weak' | 'high' | 'deep' | 'over' | 'reversed' | 'nothing-there';

/** One group of cells between two taps of a balance lead. */
export interface TapGroup {
  readonly volts: number;
  readonly code: TapCode;
  readonly verdict: Verdict;
}

export interface TapsJudged {
  readonly groups: readonly TapGroup[];
  /** What an even pack shows at each group. */
  readonly expectedV: number;
  /** By how much a group may be off it: its charge by so much, and the meter. */
  readonly withinV: number;
  readonly verdict: Verdict;
  readonly says: readonly TapSaid[];
}

/**
 * The groups of a pack against one another, at rest or under load: the middle one is taken for the pack, and the others
 * may be off it by a twentieth of charge and by the meter.
 *
 * @example judgeTaps('li-ion', [4.1, 4.1, 3.6, 4.1]).groups[2].code // 'weak'
 */
export function judgeTaps(chemistry: ChemistryId, volts: readonly number[], loaded = false, meter: MeterAccuracy = HANDHELD): TapsJudged {
  const { ocvPerCell, cutoffCellV } = CHEMISTRIES[chemistry];
  const live = volts.filter((group) => group > NOTHING_TIMES * meter.volts);
  const sorted = live.sort((a, b) => a - b);
  const expectedV = sorted[Math.floor(sorted.length / 2)] ?? 0;
  const charge = socAtVoltage(ocvPerCell, expectedV);
  const at = (share: number): number => cellVoltage(ocvPerCell, Math.min(1, Math.max(0, share)));
  const slopeV = Math.max(at(charge + CHARGE_WITHIN) - at(charge), at(charge) - at(charge - CHARGE_WITHIN));
  const withinV = slopeV + meter.share * expectedV + meter.volts + (loaded ? LOADED_SHARE * expectedV : 0);
  const mostV = Math.max(CHARGE_CELL_V[chemistry] ?? 0, CHEMISTRIES[chemistry].fullCellV) * (1 + meter.share) + meter.volts;
  const groups = volts.map((group): TapGroup => {
    const of = (code: TapCode, verdict: Verdict): TapGroup => ({ volts: group, code, verdict });
    if (group < -meter.volts) return of('reversed', 'stop');
    if (group <= NOTHING_TIMES * meter.volts) return of('nothing-there', 'stop');
    if (group > mostV) return of('over', 'stop');
    if (group < cutoffCellV - meter.volts && !loaded) return of('deep', 'stop');
    if (group < expectedV - withinV) return of('weak', group < expectedV - DONE_WITH * withinV ? 'stop' : 'caution');
    return group > expectedV + withinV ? of('high', 'caution') : of('even', 'good');
  });
  const verdict = worstVerdict(groups.map((one) => one.verdict));
  return { groups, expectedV, withinV, verdict, says: tapsSaid(groups, expectedV, withinV) };
}

function tapsSaid(groups: readonly TapGroup[], expectedV: number, withinV: number): readonly TapSaid[] {
  const found = groups.flatMap(({ code, volts }, index): readonly TapSaid[] => {
    const group = index + 1;
    switch (code) {
      case 'even':
        return [];
      case 'weak':
        return [said('tap-weak', { group, volts, expectedV })];
      case 'high':
        return [said('tap-high', { group, volts, expectedV })];
      case 'deep':
        return [said('tap-deep', { group, volts })];
      case 'over':
        return [said('tap-over', { group, volts })];
      case 'reversed':
        return [said('tap-reversed', { group, volts })];
      case 'nothing-there':
        return [said('tap-dead', { group })];
    }
  });
  return found.length === 0 ? [said('taps-even', { withinV, expectedV })] : found;
}
