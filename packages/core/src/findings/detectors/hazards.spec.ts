import {
  adapter,
  answerTo,
  battery,
  BAY,
  BY_5V,
  BY_DTAP,
  BY_PD,
  CONTACTS,
  device,
  DTAP,
  IN_CAMERA,
  rigOf,
  troubles,
  USB_A,
  USB_C,
  USB_IN,
  usbCable,
} from '../../../testing/rig-parts';
import type { Parts } from '../../../testing/rig-parts';
import { assess } from '../../answer/assess';

/**
 * Each row is written from the rules: full Li-ion is 4.2 V a cell, a limit holds at the limit and breaks beyond it,
 * the port gives what its rating says. Both sides of a limit are 1 % apart from it.
 */
const HAZARDS: readonly [string, Parts, string | undefined][] = [
  // connectors
  ['another bay', { ...IN_CAMERA, device: device({ ...BAY, connector: { type: 'bay', family: 'L' } }) }, 'connector-mismatch stop'],
  ['a bay of unknown form', { ...IN_CAMERA, device: device({ ...BAY, connector: { type: 'bay' } }) }, 'connector-unknown unknown'],
  [
    'D-tap into a USB adapter',
    { ...BY_DTAP, adapter: adapter({ input: { connector: { type: 'usb-a' }, minV: 4.4, maxV: 5.5 } }) },
    'connector-mismatch stop',
  ],
  [
    'the wrong cable end',
    { ...BY_PD, cable: usbCable({ ends: { source: { type: 'usb-c' }, load: { type: 'usb-a' } } }) },
    'connector-mismatch stop',
  ],
  // full-charge voltage against the window: 2 × 4.2 V = 8.4 V
  ['full charge 1 % over the window', { ...IN_CAMERA, device: device({ ...BAY, maxV: 8.4 / 1.01 }) }, 'over-voltage stop'],
  ['full charge 1 % under the top of the window', { ...IN_CAMERA, device: device({ ...BAY, maxV: 8.4 * 1.01 }) }, undefined],
  [
    'full charge 1 % over an adapter’s input',
    { ...BY_DTAP, adapter: adapter({ input: { connector: { type: 'd-tap' }, minV: 11, maxV: 16.8 / 1.01 } }) },
    'over-voltage stop',
  ],
  [
    'full charge 1 % under it',
    { ...BY_DTAP, adapter: adapter({ input: { connector: { type: 'd-tap' }, minV: 11, maxV: 16.8 * 1.01 } }) },
    undefined,
  ],
  ['three cells in a two-cell bay', { ...IN_CAMERA, battery: battery(CONTACTS, 3) }, 'over-voltage stop'],
  [
    'five volts straight into a 6 V window',
    { ...IN_CAMERA, battery: battery({ ...USB_A, connector: CONTACTS.connector }, 1) },
    'under-voltage stop',
  ],
  [
    'an adapter 1 % over the window',
    { ...BY_DTAP, adapter: adapter({ output: { connector: CONTACTS.connector, voltageV: 8.5 * 1.01 } }) },
    'over-voltage stop',
  ],
  [
    'an adapter at the top of the window',
    { ...BY_DTAP, adapter: adapter({ output: { connector: CONTACTS.connector, voltageV: 8.5 } }) },
    undefined,
  ],
  [
    'an adapter 1 % under the window',
    { ...BY_DTAP, adapter: adapter({ output: { connector: CONTACTS.connector, voltageV: 6 / 1.01 } }) },
    'under-voltage stop',
  ],
  [
    'an adapter 1 % over the bottom',
    { ...BY_DTAP, adapter: adapter({ output: { connector: CONTACTS.connector, voltageV: 6 * 1.01 } }) },
    undefined,
  ],
  // what is left in the battery
  ['a bay that stops at 7.4 V', { ...IN_CAMERA, device: device({ ...BAY, minV: 7.4 }) }, 'charge-stranded caution'],
  ['a bay that needs more than a full pack gives', { ...IN_CAMERA, device: device({ ...BAY, minV: 8.39, maxV: 9 }) }, 'under-voltage stop'],
  [
    'an adapter that drops out at 14.5 V',
    { ...BY_DTAP, adapter: adapter({ input: { connector: { type: 'd-tap' }, minV: 14.5, maxV: 17 } }) },
    'charge-stranded caution',
  ],
  [
    'a cold little battery that sags to its cut-off',
    { ...IN_CAMERA, battery: battery(CONTACTS, 2, 8), device: device({ ...BAY, minV: 5 }, 5), rig: { temperatureC: -20 } },
    'charge-stranded caution',
  ],
  // start threshold: half charge is 4 × 3.75 V = 15 V without load
  [
    'a start 1 % above half charge',
    {
      ...BY_DTAP,
      adapter: adapter({ input: { connector: { type: 'd-tap' }, minV: 11, maxV: 17, startV: 15 * 1.01 } }),
      rig: { startCharge: 0.5 },
    },
    'will-not-start stop',
  ],
  [
    'a start 1 % below it: its own load pulls it down to there again',
    {
      ...BY_DTAP,
      adapter: adapter({ input: { connector: { type: 'd-tap' }, minV: 11, maxV: 17, startV: 15 / 1.01 } }),
      rig: { startCharge: 0.5 },
    },
    'will-not-start caution',
  ],
  [
    'a start 1 % below it, on a battery that does not sag: further down it does not start again',
    {
      ...BY_DTAP,
      battery: battery(DTAP, 4, 50, { resistanceOhm: 0.02 }),
      adapter: adapter({ input: { connector: { type: 'd-tap' }, minV: 11, maxV: 17, startV: 15 / 1.01 } }),
      rig: { startCharge: 0.5 },
    },
    'will-not-restart caution',
  ],
  // current: a 10 W draw through 90 % and 0.1 W is 11.21 W: 0.674 A full, about 0.95 A at the 12 V cut-off
  ['a port far under the first current', { ...BY_DTAP, battery: battery({ ...DTAP, maxA: 0.6 }, 4) }, 'over-current stop'],
  ['a port between first and last current', { ...BY_DTAP, battery: battery({ ...DTAP, maxA: 0.8 }, 4) }, 'over-current-late caution'],
  ['a port over the last current', { ...BY_DTAP, battery: battery({ ...DTAP, maxA: 1 }, 4) }, undefined],
  ['5 V at 1.3 A for 6.77 W', { ...BY_5V, battery: battery({ ...USB_A, maxA: 1.3 }, 1) }, 'over-current stop'],
  ['the pack’s own limit passed late', { ...BY_DTAP, battery: battery(DTAP, 4, 50, { maxA: 0.85 }) }, 'over-current-late caution'],
  ['the pack’s own limit passed at once', { ...BY_DTAP, battery: battery(DTAP, 4, 50, { maxA: 0.5 }) }, 'over-current stop'],
  ['a draw 1 % over the adapter’s rating', { ...BY_DTAP, adapter: adapter({ ratedW: 10 / 1.01 }) }, 'adapter-overloaded stop'],
  ['a draw 1 % under it', { ...BY_DTAP, adapter: adapter({ ratedW: 10 * 1.01 }) }, undefined],
  ['a peak over the adapter’s rating', { ...BY_DTAP, device: { ...device(), peakW: 31, peakMs: 200 } }, 'adapter-overloaded caution'],
  [
    'a peak that the port cannot carry when half empty',
    { ...BY_DTAP, battery: battery({ ...DTAP, maxA: 1.5 }, 4), device: { ...device(), peakW: 20, peakMs: 200 } },
    'peak-stops caution',
  ],
  [
    'a peak that the port cannot carry at all',
    { ...BY_DTAP, battery: battery({ ...DTAP, maxA: 1.2 }, 4), device: { ...device(), peakW: 20, peakMs: 200 } },
    'peak-stops stop',
  ],
  [
    'a load past what battery and leads can give',
    { ...IN_CAMERA, battery: battery({ ...CONTACTS, maxA: 50 }, 2, 2), device: device({ ...BAY, minV: 1 }, 60) },
    'collapse stop',
  ],
  // Power Delivery
  ['a contract 1 % under the need', { ...BY_PD, battery: battery({ ...USB_C, ratingW: 20 / 1.01 }, 1) }, 'contract-short stop'],
  ['a contract 1 % over it', { ...BY_PD, battery: battery({ ...USB_C, ratingW: 20 * 1.01 }, 1) }, undefined],
  ['a contract 1 % under the draw', { ...BY_PD, device: device({ ...USB_IN, needW: 1 }, 45 * 1.01) }, 'contract-short stop'],
  ['no shared profile', { ...BY_PD, battery: battery({ ...USB_C, ratingW: 15 }, 1) }, 'contract-none stop'],
  ['a port without Power Delivery', { ...BY_PD, battery: battery({ ...USB_A, connector: { type: 'usb-c' } }, 1) }, 'contract-none stop'],
  [
    'a cable from USB-A',
    { ...BY_PD, cable: usbCable({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-c' } } }) },
    'contract-none stop',
  ],
  [
    '100 W through a 3 A cable to a 70 W sink',
    { ...BY_PD, battery: battery({ ...USB_C, ratingW: 100 }, 1), device: device({ ...USB_IN, maxV: 20, needW: 70 }) },
    'contract-short stop',
  ],
  [
    'the same through a 5 A cable',
    {
      ...BY_PD,
      battery: battery({ ...USB_C, ratingW: 100 }, 1),
      device: device({ ...USB_IN, maxV: 20, needW: 70 }),
      cable: usbCable({ marked5A: true }),
    },
    undefined,
  ],
  ['a sink that needs its battery', { ...BY_PD, device: device({ ...USB_IN, sink: 'needs-battery' }) }, 'sink-needs-battery stop'],
  ['a sink of which nobody knows whether it runs', { ...BY_PD, device: device({ ...USB_IN, sink: 'unknown' }) }, 'figure-missing unknown'],
  ['a sink that only charges', { ...BY_PD, device: device({ ...USB_IN, sink: 'charges-when-off' }) }, 'sink-only-charges stop'],
  // gauge and time
  ['a gauge that always says full', { ...BY_DTAP, adapter: adapter({ gauge: 'always-full' }) }, 'gauge-blind note'],
  ['no gauge', { ...BY_DTAP, adapter: adapter({ gauge: 'none' }) }, 'gauge-blind note'],
  ['longer than it runs', { ...IN_CAMERA, rig: { wantedMin: 400 } }, 'too-short caution'],
  // missing figures
  ['no energy', { ...IN_CAMERA, battery: { ...battery(CONTACTS, 2), energyWh: undefined } }, 'figure-missing unknown'],
  ['no draw', { ...IN_CAMERA, device: { ...device(), draw: undefined } }, 'figure-missing unknown'],
  ['no highest voltage', { ...IN_CAMERA, device: device({ ...BAY, maxV: undefined }) }, 'figure-missing unknown'],
  ['no lowest voltage', { ...IN_CAMERA, device: device({ ...BAY, minV: undefined }) }, 'figure-missing unknown'],
  ['no port limit', { ...IN_CAMERA, battery: battery({ ...CONTACTS, maxA: undefined }, 2) }, 'figure-missing unknown'],
  ['no adapter output', { ...BY_DTAP, adapter: adapter({ output: { connector: CONTACTS.connector } }) }, 'figure-missing unknown'],
  ['no adapter rating', { ...BY_DTAP, adapter: adapter({ ratedW: undefined }) }, 'figure-missing unknown'],
  ['no bank rating', { ...BY_PD, battery: battery({ ...USB_C, ratingW: undefined }, 1) }, 'figure-missing unknown'],
  ['no sink profiles', { ...BY_PD, device: device({ ...USB_IN, minV: undefined }) }, 'figure-missing unknown'],
];

describe('hazards', () => {
  it.each(HAZARDS)('%s', (_what, parts, expected) => {
    const found = troubles(answerTo(parts));
    if (expected === undefined) expect(found).toEqual([]);
    else expect(found).toContain(expected);
  });

  it.each(HAZARDS.filter(([, , expected]) => expected?.endsWith('stop')))('%s makes the whole answer “stop”', (_what, parts) =>
    expect(answerTo(parts).verdict).toBe('stop'),
  );

  it('gives every caution, stop and unknown a remedy', () => {
    for (const [, parts] of HAZARDS) {
      for (const { verdict, remedy } of answerTo(parts).findings) expect(verdict === 'good' || remedy !== undefined).toBe(true);
    }
  });

  it('gives no time for what must not be connected', () => {
    for (const [what, parts, expected] of HAZARDS) {
      if (!/^(over-voltage|connector-mismatch|contract|sink-only)/.test(expected ?? '')) continue;
      expect([what, answerTo(parts).run]).toEqual([what, undefined]);
    }
  });

  it('names a part that is gone', () => {
    const { rig, gear } = rigOf(IN_CAMERA);
    const answer = assess(rig, new Map([...gear].filter(([, { kind }]) => kind !== 'battery')));
    expect(answer.verdict).toBe('unknown');
    expect(troubles(answer)).toEqual(['part-missing unknown']);
  });
});
