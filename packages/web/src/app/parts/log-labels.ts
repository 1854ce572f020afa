import { gearTitle } from '@viaggio/core/gear';
import type { Gear, Rig } from '@viaggio/core/gear';
import { dayOf, OBSERVATION_KINDS, recordingShape, USUAL } from '@viaggio/core/measure';
import type { Observation, Recording } from '@viaggio/core/measure';
import { formatClock, formatDate, formatQuantity } from '@viaggio/core/units';
import { localDate, localTime } from '../device/dates';

type Bodies<T> = ReadonlyMap<string, T>;

/** What something is called that may be gone. */
export function titleOf(id: string | undefined, gear: Bodies<Gear>): string {
  if (id === undefined) return '';
  const body = gear.get(id);
  return body ? gearTitle(body) : 'gone from the kit';
}

export function modeName(deviceId: string | undefined, modeId: string | undefined, gear: Bodies<Gear>): string {
  const device = deviceId === undefined ? undefined : gear.get(deviceId);
  if (modeId === undefined || modeId === USUAL) return 'usual';
  return (device?.kind === 'device' && device.modes?.find(({ id }) => id === modeId)?.name) || modeId;
}

/** A day, or a moment, as the person reads dates and clocks. A 31st of a shorter month is the first of the next. */
export function whenOf(at: string): string {
  const read = new Date(at.length === 10 ? `${at}T12:00:00` : at);
  const date = Number.isNaN(read.getTime()) ? new Date(dayOf(at) * 24 * 3600 * 1000) : read;
  const day = formatDate(localDate(date), { weekday: false });
  return at.length === 10 ? day : `${day}, ${formatClock(localTime(date))}`;
}

/** What an observation says, in one line. */
export function summaryOf(observation: Observation): string {
  const say = formatQuantity;
  switch (observation.kind) {
    case 'run-down':
      return `full to dead in ${say(observation.minutes, 'min')}`;
    case 'part':
      return `${say(observation.from, 'fraction')} to ${say(observation.to, 'fraction')} in ${say(observation.minutes, 'min')}`;
    case 'two-point':
      return `${say(observation.fromV, 'V')} to ${say(observation.toV, 'V')} at rest after ${say(observation.minutes, 'min')}`;
    case 'put-back':
      return `${say(observation.energyWh, 'Wh')} put back after ${say(observation.minutes, 'min')}`;
    case 'segment':
      return `${say(observation.meanW, 'W')} over ${say(observation.seconds / 60, 'min')}`;
    case 'shots':
      return `${observation.count} shots in ${say(observation.minutes, 'min')}`;
    case 'set-run':
      return `${say(observation.minutes, 'min')}, then ${observation.ended === 'died' ? 'dead' : 'swapped'}`;
    case 'capacity':
      return `gave ${say(observation.energyWh, 'Wh')}`;
  }
}

/** Everything about an observation that can be searched and read in a list. */
export function lineOf(observation: Observation, gear: Bodies<Gear>, rigs: Bodies<Rig>) {
  const named = observation as { deviceId?: string; modeId?: string; batteryId?: string; rigId?: string };
  const mode = named.modeId === undefined ? '' : `, ${modeName(named.deviceId, named.modeId, gear)}`;
  const what = named.deviceId === undefined ? '' : `${titleOf(named.deviceId, gear)}${mode}`;
  const rig = named.rigId === undefined ? '' : (rigs.get(named.rigId)?.name ?? 'a rig that is gone');
  const battery = named.batteryId === undefined ? '' : `on ${titleOf(named.batteryId, gear)}`;
  const note = observation.note === undefined ? '' : `“${observation.note}”`;
  return {
    kind: OBSERVATION_KINDS[observation.kind],
    when: whenOf(observation.at),
    about: [[what || rig, battery].filter((one) => one !== '').join(' '), what && rig, note].filter((one) => one !== '').join(' · '),
    summary: summaryOf(observation),
    setAside: observation.setAside === true,
  };
}

const REMARKS = recordingShape.fields.remarks.item.fields.code.options;

/** What was odd about a recording, where it was first seen, and what stood there. */
export function remarkOf({ code, line, count, column, got }: Recording['remarks'][number]): string {
  const times = count > 1 ? `${count} times ` : '';
  const where = line > 0 ? `, ${count > 1 ? 'first ' : ''}on line ${line}` : '';
  const found = column === undefined ? '' : `: ${got === undefined || got === '' ? 'nothing' : `“${got}”`} in “${column}”`;
  return `${times}${REMARKS[code]}${where}${found}`;
}

/** The same as a sentence of its own, without its full stop. */
export function remarkSentence(remark: Recording['remarks'][number]): string {
  return capital(remarkOf(remark));
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
