import { attention } from '@viaggio/core/answer';
import type { AttentionTo, Concern } from '@viaggio/core/answer';
import { tellCharging } from '@viaggio/core/words';
import type { ToldCharging } from '@viaggio/core/words';
import { glanceOfCheck } from './bench-calls';
import type { CheckGlance } from './bench-calls';
import { glanceAt } from './rig-calls';
import type { RigGlance } from './rig-calls';

/** A rig as a card of Today. */
export interface RigCard extends RigGlance {
  readonly rigId: string;
  readonly name: string;
  readonly check: CheckGlance;
}

export interface TodayOutlook {
  readonly concerns: readonly Concern[];
  readonly rigs: readonly RigCard[];
  readonly charging: ToldCharging | undefined;
}

/** What needs somebody today, the rigs and the chargers beside it. */
export function todayOutlook(asked: AttentionTo): TodayOutlook {
  const { concerns, rigs, charging } = attention(asked);
  const { sheets = [] } = asked;
  return {
    concerns,
    charging: charging && tellCharging(charging),
    rigs: rigs.map(({ rigId, rig, answer, check }) => ({
      rigId,
      name: rig.name,
      check: glanceOfCheck(check, rigId, sheets),
      ...glanceAt(rig, answer),
    })),
  };
}
