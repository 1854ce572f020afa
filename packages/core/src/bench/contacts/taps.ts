import { worstVerdict } from '../../findings';
import type { Verdict } from '../../findings';
import { cellVoltage, socAtVoltage } from '../../physics/cell';
import { formatQuantity } from '../../quantity';
import { CHARGE_CELL_V, CHARGE_WITHIN, CHEMISTRIES, DONE_WITH, LOADED_SHARE, NOTHING_TIMES } from '../../tables';
import type { ChemistryId } from '../../tables';
import { HANDHELD } from '../sheet';
import type { MeterAccuracy } from '../sheet';

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
  readonly says: string;
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
  return { groups, expectedV, withinV, verdict, says: sayTaps(groups, expectedV, withinV) };
}

function sayTaps(groups: readonly TapGroup[], expectedV: number, withinV: number): string {
  const say = (value: number): string => formatQuantity(value, 'V');
  const said = groups.flatMap(({ code, volts }, index) => {
    const which = `Group ${index + 1}`;
    switch (code) {
      case 'even':
        return [];
      case 'weak':
        return [
          `${which} is weak: ${say(volts)} where the others stand at ${say(expectedV)}. The pack is only as good as it: do not fly it, do not charge it unwatched.`,
        ];
      case 'high':
        return [`${which} stands high: ${say(volts)} beside ${say(expectedV)}. Balance it on a balancing charger.`];
      case 'deep':
        return [`${which} is below its cut-off (${say(volts)}): do not charge it; ask somebody qualified, or recycle the pack.`];
      case 'over':
        return [`${which} is overcharged (${say(volts)}): stop charging, keep away, let somebody qualified look.`];
      case 'reversed':
        return [`${which} shows ${say(volts)}: the taps are exchanged, or the group is reversed. Use it for nothing.`];
      case 'nothing-there':
        return [`${which} shows nothing: a tap is off, or the group is dead.`];
    }
  });
  return said.length === 0 ? `All groups within ${say(withinV)} of ${say(expectedV)}.` : said.join(' ');
}
