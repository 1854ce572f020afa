import type { ChargingSaid } from '../../../day/charging';
import type { ChargeNight, NightSaid, NightSays } from '../../../travel/charge';
import { sayCharging } from '../day/charging-words';
import { tellCharging } from '../day/tell-day';
import type { ToldCharging } from '../day/tell-day';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

const NIGHT: WordsOf<NightSays> = {
  'never-damaged': () => 'Never charge a damaged, swollen or wet battery.',
  'no-charger': () => 'No charger is there.',
  'none-fits': () => 'No charger that is there fits it.',
  'not-known-how-long': ({ charge, time }) => `${Math.round(100 * charge)} % at ${time}; how long it still takes is not known.`,
  'start-earlier': ({ charge, time, lateMin }) =>
    `${Math.round(100 * charge)} % at ${time}. Start it ${lateMin} min earlier, put it on the strongest charger that fits, or take a full one in its place.`,
  'no-slot': ({ charge, time, lateMin }) =>
    `${Math.round(100 * charge)} % at ${time}: no slot comes free for it while somebody is awake. Another charger, or a charge of ${lateMin} min elsewhere.`,
  broken: () => 'It is marked as broken: do not charge it.',
};

export const sayNight = sayer(NIGHT);

/** A caution, or why something is not full: of the chargers themselves, or of this night. */
export function sayChargingCaution(caution: NightSaid | ChargingSaid): string {
  return caution.code in NIGHT ? sayNight(caution as NightSaid) : sayCharging(caution as ChargingSaid);
}

/** A night on the chargers, in words beside the same numbers. */
export interface ToldNight extends Omit<ChargeNight, 'rows' | 'notFull' | 'cautions'> {
  readonly rows: ToldCharging['rows'];
  readonly notFull: readonly (Omit<ChargeNight['notFull'][number], 'says'> & { readonly says: string })[];
  readonly cautions: readonly string[];
}

export function tellNight({ rows, notFull, cautions, ...rest }: ChargeNight): ToldNight {
  return {
    ...rest,
    rows: tellCharging({ rows, notReady: [], cautions: [] }).rows,
    notFull: notFull.map((one) => ({ ...one, says: sayChargingCaution(one.says) })),
    cautions: cautions.map(sayChargingCaution),
  };
}
