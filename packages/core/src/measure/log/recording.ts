import { idShape, localId, name, unknown } from '../../gear';
import type { Named } from '../../rig/drawn';
import { choice, flag, list, number, object, optional, text } from '../../shape';
import type { Infer } from '../../shape';
import { namedByFields } from './observation';
import type { DrawObservation } from './observation';
import { whenShape } from './when';

const seconds = (title: string) => number(title, 's', { max: 31_536_000 });
const watts = (title: string) => number(title, 'W', { min: -2000, max: 20_000 });

/** How a meter's file is read: guessed from its first lines, corrected by a person, remembered for the next of its kind. */
export const meterColumnsShape = object('Columns', {
  delimiter: choice('Columns apart by', { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars', ' ': 'blanks' }),
  decimal: choice('Decimals after', { '.': 'a point', ',': 'a comma' }),
  headerLines: number('Lines before the figures', 'count', { max: 1000, integer: true }),
  timeForm: choice('Times are', {
    number: 'numbers',
    clock: 'a clock, minutes and seconds',
    'clock-hours': 'a clock, hours and minutes',
    date: 'dates, the day first',
    'date-month': 'dates, the month first',
  }),
  columns: list(
    'Columns',
    object('Column', {
      name: text('Name', 120),
      role: choice('Holds', {
        time: 'time',
        date: 'date',
        voltage: 'volts',
        current: 'amps',
        power: 'watts',
        energy: 'watt-hours so far',
        charge: 'amp-hours so far',
        none: 'nothing of use',
      }),
      /** From what is written to seconds, volts, amps, watts, watt-hours or amp-hours: 0.001 for milliamps. */
      scale: number('Times', 'count', { above: 0, max: 1e6 }),
    }),
    { min: 1, max: 100 },
  ),
  /** Where no column holds them. */
  voltageV: optional(number('Volts', 'V', { above: 0, max: 100 })),
  /** From row to row, where no column holds a time; a second when absent. */
  stepS: optional(number('A row every', 's', { above: 0, max: 86_400 })),
  /** The lead was the other way round: what is below zero was drawn. */
  turned: optional(flag('Sign turned')),
  /** A clock that jumps by days: the time between is left out, unless it is kept as a gap. */
  jumpsKept: optional(flag('Jumps kept')),
  /** What files of this make have in common: corrections are used again for the next of them. */
  make: optional(text('Make', 2000)),
});

export type MeterColumns = Infer<typeof meterColumnsShape>;

/** A steady segment of a recording, and what a person says it is. */
export const namedSegmentShape = object('Segment', {
  fromS: seconds('From'),
  toS: seconds('To'),
  /** Over its time. */
  meanW: watts('Mean'),
  /** From its beginning to its end, along a line. */
  driftW: optional(watts('Drift')),
  spreadW: number('Spread', 'W', { max: 20_000 }),
  peakW: watts('Highest'),
  peakMs: number('Length of peak', 'ms', { max: 86_400_000 }),
  peaks: optional(number('Peaks', 'count', { max: 1e9, integer: true })),
  /** The device was switched on here: its first peak is that of starting up. */
  startUp: optional(flag('Starts up here')),
  /** Answers of the meter were in doubt here, and thrown away. */
  inDoubt: optional(flag('In doubt')),
  /** A mode of the device, or `usual`: then the draw is learnt from it. */
  modeId: optional(localId('Mode')),
  /** Whatever else it is. */
  name: optional(name),
  setAside: optional(flag('Set aside')),
});
export type NamedSegment = Infer<typeof namedSegmentShape>;

/** A meter's recording as it is kept: what it was of, how it was read, and its segments. Its samples are kept apart. */
export const recordingShape = object('Recording', {
  name,
  note: optional(text('Note', 500)),
  unknown,
  /** When it began, as far as known. */
  at: whenShape,
  deviceId: optional(idShape),
  rigId: optional(idShape),
  /** Where the meter sat at a battery: which, where the rig has several. */
  batteryId: optional(idShape),
  meterAt: choice('The meter sat', { device: 'at the device', battery: 'at the battery' }),
  lostShare: optional(number('Lost on the way', 'fraction', { max: 0.9 })),
  /** The file's name, or what the meter called itself. */
  source: optional(text('From', 200)),
  columns: optional(meterColumnsShape),
  rows: number('Rows', 'count', { max: 1e9, integer: true }),
  seconds: seconds('Length'),
  remarks: list(
    'What was odd',
    object('Remark', {
      code: choice('What', {
        'bad-row': 'a row that could not be read',
        'clock-back': 'a clock that went back',
        gap: 'a gap',
        overflow: 'no reading',
        'wild-time': 'a time alone, left out',
        'clock-jump': 'a clock that jumped by days',
        'newest-first': 'the newest first',
        'counter-back': 'a counter that went back',
        'no-time': 'no times: a row was taken for a second',
        'lost-meter': 'the meter did not answer',
        'in-doubt': 'answers in doubt',
      }),
      line: number('Line', 'count', { max: 1e9, integer: true }),
      count: number('Times', 'count', { max: 1e9, integer: true }),
      /** Of the first of them: the column, and what stood there. */
      column: optional(text('Column', 120)),
      got: optional(text('Found', 120)),
    }),
    { max: 20 },
  ),
  segments: list('Segments', namedSegmentShape, { max: 2000 }),
});
export type Recording = Infer<typeof recordingShape>;
export const recordingItemShape = object('Recording item', { id: idShape, body: recordingShape });

/** Every item that a recording names. */
export function namedByRecording(recording: Recording): readonly Named[] {
  return namedByFields(recording);
}
export interface RecordingEntry {
  readonly id: string;
  readonly body: Recording;
}

/** The mode id that stands for the usual mode, where absence means that nobody has said. */
export const USUAL = 'usual';

/** What the segments of a recording say of a device's draw, those that were given one of its modes. */
export function observationsOf({ id, body }: RecordingEntry): readonly { readonly id: string; readonly body: DrawObservation }[] {
  const { deviceId, rigId, batteryId, lostShare, meterAt, at } = body;
  if (deviceId === undefined) return [];
  return body.segments.flatMap((segment, index) => {
    const { modeId, fromS, toS, meanW, spreadW, peakW, peakMs, setAside } = segment;
    if (modeId === undefined || meanW <= 0) return [];
    const observation: DrawObservation = {
      kind: 'segment',
      at,
      deviceId,
      meanW,
      spreadW,
      seconds: toS - fromS,
      atBattery: meterAt === 'battery',
      ...(modeId !== USUAL && { modeId }),
      ...(rigId !== undefined && { rigId }),
      ...(batteryId !== undefined && { batteryId }),
      ...(lostShare !== undefined && { lostShare }),
      ...(peakW > 0 && peakMs > 0 && { peakW, peakMs }),
      ...(setAside && { setAside }),
    };
    return [{ id: `${id}#${index}`, body: observation }];
  });
}
