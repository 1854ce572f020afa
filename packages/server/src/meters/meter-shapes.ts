import { idShape } from '@viaggio/core/gear';
import { recordingShape } from '@viaggio/core/measure';
import { choice, number, object, optional, text } from '@viaggio/core/units';
import type { Infer } from '@viaggio/core/units';
import { TROUBLES } from './simulated-meter';

const { name, deviceId, rigId, batteryId, meterAt, lostShare } = recordingShape.fields;

/** What a live recording is to be. */
export const startShape = object('Live recording', {
  meterId: text('Meter', 60),
  everyMs: number('A reading every', 'ms', { min: 50, max: 60_000 }),
  about: object('What it is of', { name, deviceId, rigId, batteryId, meterAt, lostShare }),
});
export type Start = Infer<typeof startShape>;

/** What the simulated meter is to show. */
export const playShape = object('What it plays', {
  rigId: idShape,
  /** Goes through its modes; the rig's first when absent. */
  deviceId: optional(idShape),
  secondsEach: optional(number('Seconds in each mode', 's', { min: 2, max: 3600 })),
});

export const troubleShape = object('Trouble', {
  kind: choice('What goes wrong', TROUBLES),
  seconds: number('For', 's', { above: 0, max: 600 }),
});

/** Which meter is asked what it shows. */
export const readShape = object('Read a meter', { meterId: text('Meter', 60) });
