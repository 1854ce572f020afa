import type { Gear } from '../../gear';
import { batteriesOf } from '../../rig/drawn';
import type { Rig } from '../../rig/drawn';
import { USUAL } from '../log';
import type { LogEntry, RecordingEntry } from '../log';
import { feedLossTo, rigInMode, rigOnBattery } from './feed-loss';
import type { FeedLoss } from './feed-loss';

/** Everything that was observed, and what it was observed with. */
export interface Log {
  readonly observations: readonly LogEntry[];
  readonly recordings: readonly RecordingEntry[];
  readonly gear: ReadonlyMap<string, Gear>;
  readonly rigs: ReadonlyMap<string, Rig>;
}

/** What lay between a battery and a device in a test. */
export interface Between {
  /** Nothing is known where nobody named one. */
  readonly rigId?: string | undefined;
  readonly deviceId: string;
  /** The one of the rig that feeds the device when absent; nothing is known where there are several. */
  readonly batteryId?: string | undefined;
  /** The usual one when absent. */
  readonly modeId?: string | undefined;
}

/** The losses of a log's rigs, each worked out once. */
export class FeedLosses {
  private readonly known = new Map<string, FeedLoss | undefined>();

  constructor(private readonly log: Pick<Log, 'gear' | 'rigs'>) {}

  /** Undefined where the rig is gone, or does not feed the device from such a battery. */
  of({ rigId, deviceId, batteryId, modeId = USUAL }: Between): FeedLoss | undefined {
    if (rigId === undefined) return undefined;
    const key = `${rigId} ${deviceId} ${batteryId} ${modeId}`;
    if (!this.known.has(key)) this.known.set(key, this.find(rigId, deviceId, batteryId, modeId));
    return this.known.get(key);
  }

  private find(rigId: string, deviceId: string, batteryId: string | undefined, modeId: string): FeedLoss | undefined {
    const { gear, rigs } = this.log;
    const known = rigs.get(rigId);
    if (!known) return undefined;
    // what is lost depends on what is drawn: the device is in the mode of the test, whatever the rig has it in
    const rig = rigInMode(known, deviceId, modeId);
    if (batteryId !== undefined) {
      const on = rigOnBattery(rig, batteryId, gear);
      return on && feedLossTo(deviceId, batteryId, on, gear);
    }
    const found = batteriesOf(rig, gear).flatMap((id) => feedLossTo(deviceId, id, rig, gear) ?? []);
    return found.length === 1 ? found[0] : undefined;
  }
}
