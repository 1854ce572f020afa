import { gearTitle } from '../../gear';
import { said } from '../../said';
import { FULL_SHARE } from '../../tables';
import type { ChargingSaid } from '../charging';
import type { DayRun } from './day-run';
import type { DaySimulation } from './simulate';

/** What goes on which charger when. */
export interface ChargingRow {
  readonly batteryId: string;
  readonly chargerId: string;
  readonly battery: string;
  readonly charger: string;
  readonly place: string | undefined;
  readonly onMin: number;
  readonly offMin: number;
  readonly fullMin: number | undefined;
  readonly fromCharge: number;
  readonly toCharge: number;
  readonly wallWh: number;
  readonly trouble: ChargingSaid | undefined;
  /** In the rig that it sits in. */
  readonly inPlace: boolean;
}

/** A battery that is not full when its rig wants it. */
export interface NotReady {
  readonly batteryId: string;
  readonly battery: string;
  readonly rig: string;
  readonly atMin: number;
  readonly charge: number;
  /** What would help, in words. */
  readonly remedy: ChargingSaid;
}

export interface ChargingList {
  readonly rows: readonly ChargingRow[];
  readonly notReady: readonly NotReady[];
  /** The usual cautions beside the acts. */
  readonly cautions: readonly ChargingSaid[];
}

/**
 * Everything that is charged in a day, in the order of time, and what is not ready when it is called for.
 *
 * @example chargingList(simulation, simulation.run(simulation.prepare(day))).rows // []
 */
export function chargingList({ day, gear, rigs }: DaySimulation, run: DayRun): ChargingList {
  const title = (id: string): string => (gear.has(id) ? gearTitle(gear.get(id)!) : id);
  const rows = run.filled.map(({ charge, fromCharge, toCharge, fullMin, wallWh, trouble }): ChargingRow => ({
    batteryId: charge.batteryId,
    chargerId: charge.chargerId,
    battery: title(charge.batteryId),
    charger: title(charge.chargerId),
    place: charge.place?.name,
    onMin: charge.fromMin,
    offMin: charge.toMin,
    fullMin,
    fromCharge,
    toCharge,
    wallWh,
    trouble,
    inPlace: charge.inPlace === true,
  }));
  // under a plan that leaves it so, another plan is no remedy
  const isPlanned = (day.swaps ?? []).length + (day.charges ?? []).length > 0;
  const notReady = run.stays
    .filter(({ fromCharge }) => fromCharge < FULL_SHARE)
    .filter(({ batteryId, fromMin }) => !run.stays.some((one) => one.batteryId === batteryId && Math.abs(one.toMin - fromMin) < 1e-3))
    .map(({ batteryId, rigId, fromMin, fromCharge }): NotReady => {
      const last = rows.findLast((row) => row.batteryId === batteryId && row.offMin <= fromMin + 1e-3);
      return {
        batteryId,
        battery: title(batteryId),
        rig: rigs.get(rigId)?.name ?? rigId,
        atMin: fromMin,
        charge: fromCharge,
        remedy: last ? said('charge-missing', { fromCharge }) : said('on-no-charger', { isPlanned }),
      };
    });
  // where chargers stand somebody will use them, whether the plan says so yet or not
  const ids = rows.length > 0 ? rows.map(({ batteryId }) => batteryId) : (day.batteries ?? []).map(({ gearId }) => gearId);
  const inRow = ids.map((id) => gear.get(id));
  const isLithium = inRow.some((battery) => battery?.kind === 'battery' && ['li-ion', 'li-ion-hv', 'lifepo4'].includes(battery.chemistry));
  const isLead = inRow.some((battery) => battery?.kind === 'battery' && battery.chemistry === 'agm');
  return {
    rows: [...rows].sort((a, b) => a.onMin - b.onMin || a.charger.localeCompare(b.charger)),
    notReady,
    cautions:
      rows.length === 0 && (day.chargers ?? []).length === 0
        ? []
        : [
            said('not-unattended'),
            ...(isLithium ? [said('not-below-zero')] : []),
            ...(rows.some(({ inPlace }) => inPlace) ? [said('in-place')] : []),
            ...(isLead ? [said('air-the-room')] : []),
            ...(day.hands?.length ? [] : [said('no-crew-hours')]),
          ],
  };
}
