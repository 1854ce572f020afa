import fc from 'fast-check';
import {
  BAY,
  BY_5V,
  BY_DTAP,
  BY_PD,
  CONTACTS,
  DTAP,
  IN_CAMERA,
  USB_A,
  USB_C,
  USB_IN,
  adapter,
  answerTo,
  battery,
  device,
  troubles,
  usbCable,
} from '../../testing/rig-parts';
import type { Parts } from '../../testing/rig-parts';
import { CHEMISTRIES } from '../cell/chemistry';
import { cellVoltage } from '../cell/ocv';
import { discharge } from '../discharge/discharge';
import type { Gear, Input, Output } from '../gear/gear';
import { resolveChain } from './chain';
import { chainNetwork } from './chain-network';

describe('sound feeds', () => {
  it.each([
    ['in-camera battery', IN_CAMERA],
    ['V-mount by D-tap through an adapter', BY_DTAP],
    ['Power Delivery bank', BY_PD],
    ['5 V bank through an adapter', BY_5V],
  ])('%s is good, with a run, numbers and a reason in every finding', (_what, parts) => {
    const answer = answerTo({ ...parts, rig: { wantedMin: 60 } });
    expect(troubles(answer)).toEqual([]);
    expect(answer.verdict).toBe('good');
    expect(answer.run!.minutes).toBeGreaterThan(180);
    for (const { sentence, aspect, numbers } of answer.findings) {
      expect(sentence).toMatch(/[.:].*|\.$/);
      if (aspect !== 'connector') expect(numbers.length).toBeGreaterThan(0);
    }
  });
});

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
    'a start 1 % below it',
    {
      ...BY_DTAP,
      adapter: adapter({ input: { connector: { type: 'd-tap' }, minV: 11, maxV: 17, startV: 15 / 1.01 } }),
      rig: { startCharge: 0.5 },
    },
    undefined,
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
  ['a sink that needs its battery', { ...BY_PD, device: device({ ...USB_IN, sink: 'needs-battery' }) }, 'sink-needs-battery caution'],
  ['a sink that only charges', { ...BY_PD, device: device({ ...USB_IN, sink: 'charges-when-off' }) }, 'sink-only-charges stop'],
  // gauge and time
  ['a gauge that always says full', { ...BY_DTAP, adapter: adapter({ gauge: 'always-full' }) }, 'gauge-blind caution'],
  ['no gauge', { ...BY_DTAP, adapter: adapter({ gauge: 'none' }) }, 'gauge-blind caution'],
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
    const answer = answerTo({ ...IN_CAMERA, rig: { batteryId: '00000000-0000-4000-8000-00000000dead' } });
    expect(answer.verdict).toBe('unknown');
    expect(troubles(answer)).toEqual(['part-missing unknown']);
  });
});

describe('the reserve', () => {
  it('decides between lasting, lasting into the reserve and falling short', () => {
    const { firstStopMin } = answerTo(IN_CAMERA);
    const wanted = (share: number) => troubles(answerTo({ ...IN_CAMERA, rig: { wantedMin: firstStopMin! * share } }));
    expect(wanted(0.899)).toEqual([]);
    expect(wanted(0.901)).toEqual(['lasts-into-reserve caution']);
    expect(wanted(0.999)).toEqual(['lasts-into-reserve caution']);
    expect(wanted(1.001)).toEqual(['too-short caution']);
    expect(answerTo({ ...IN_CAMERA, rig: { reserve: 0.25 } }).plannedMin).toBeCloseTo(firstStopMin! * 0.75, 9);
  });

  it('counts from the first peak that can stop the device', () => {
    const answer = answerTo({ ...BY_DTAP, battery: battery({ ...DTAP, maxA: 1.5 }, 4), device: { ...device(), peakW: 20, peakMs: 200 } });
    expect(answer.firstStopMin).toBeLessThan(answer.run!.minutes);
    expect(answer.stop).toContain('A peak of 20 W can shut Camera off');
  });
});

describe('the draw', () => {
  const minutes = (draw: NonNullable<Parts['device']['draw']>) => {
    const answer = answerTo({ ...BY_DTAP, device: { ...device(), draw } });
    return { minutes: answer.run!.minutes, figure: answer.figures.find(({ name }) => name === 'Draw')! };
  };

  it('by meter at the device is volts times amps', () => {
    const metered = minutes({ basis: 'meter', voltageV: 8, currentA: 1.25, at: 'device' });
    expect(metered.minutes).toBeCloseTo(minutes({ basis: 'maker', powerW: 10 }).minutes, 9);
    expect(metered.figure).toMatchObject({ value: 10, from: 'measured', formula: '8 V × 1.25 A = 10 W' });
  });

  it('by meter at the battery has the feed’s losses taken off', () => {
    const { figure } = minutes({ basis: 'meter', voltageV: 15, currentA: 0.8, at: 'battery' });
    // 12 W at the pack: lead 0.05 Ω at 0.8 A takes 0.03 W, the adapter 0.1 W and a tenth
    expect(figure.value).toBeCloseTo((12 - 0.032 - 0.1) * 0.9, 2);
  });

  it('by own test lasts as long as the test did, on the same pack', () => {
    const { minutes: lasted } = minutes({ basis: 'run-down', energyWh: 50, minutes: 240 });
    expect(Math.abs(lasted / 240 - 1)).toBeLessThan(0.03); // the rated 50 Wh are at another pace
    expect(minutes({ basis: 'run-down', energyWh: 95, minutes: 310, lostShare: 0.1 }).figure.value).toBeCloseTo((95 / (310 / 60)) * 0.9, 9);
  });

  it('cannot be less than what the feed itself takes', () => {
    const answer = answerTo({
      ...BY_DTAP,
      device: { ...device(), draw: { basis: 'meter', voltageV: 10, currentA: 0.009, at: 'battery' } },
    });
    expect(troubles(answer)).toContain('figure-missing unknown');
    expect(answer.run).toBeUndefined();
  });

  it('of a guess says that it is one', () => {
    const answer = answerTo({ ...IN_CAMERA, device: { ...device(), from: { draw: 'guess' } } });
    expect(answer.figures.find(({ name }) => name === 'Draw')).toMatchObject({
      from: 'guess',
      formula: expect.stringContaining('a guess') as string,
    });
  });
});

describe('what the answer rests on', () => {
  it('marks what was assumed, and nothing that was given', () => {
    const from = (parts: Parts) => new Map(answerTo(parts).figures.map(({ role, name, from: where }) => [`${role} ${name}`, where]));
    const assumed = from(BY_5V);
    expect(assumed.get('battery Efficiency of USB-A')).toBe('assumed');
    expect(assumed.get('battery Resistance')).toBe('assumed');
    expect(assumed.get('adapter Efficiency')).toBe('printed');
    const given = from({
      ...IN_CAMERA,
      battery: battery(CONTACTS, 2, 50, { resistanceOhm: 0.1, cutoffV: 6.2, from: { energyWh: 'measured', resistanceOhm: 'measured' } }),
      rig: { temperatureC: 5 },
    });
    expect(given.get('battery Energy')).toBe('measured');
    expect(given.get('battery Resistance')).toBe('measured');
    expect(given.get('battery Cut-off')).toBe('printed');
    expect(given.get('battery Temperature of the battery')).toBe('chosen');
  });

  it('takes age off a printed energy, not off a measured one', () => {
    const old = { years: 4, cycles: 310 };
    const printed = answerTo({ ...IN_CAMERA, battery: battery(CONTACTS, 2, 50, old) });
    const measured = answerTo({ ...IN_CAMERA, battery: battery(CONTACTS, 2, 50, { ...old, from: { energyWh: 'measured' } }) });
    expect(printed.run!.minutes).toBeLessThan(measured.run!.minutes * 0.82);
    expect(measured.figures.some(({ name }) => name === 'Left by age')).toBe(false);
  });

  it('lets lead-acid give less when hurried', () => {
    const lead = (powerW: number) =>
      answerTo({
        ...BY_DTAP,
        battery: battery(DTAP, 6, 216, { chemistry: 'agm' }),
        device: device(BAY, powerW),
        adapter: adapter({ ratedW: 200 }),
      }).run!;
    expect(lead(40).packWh).toBeLessThan(lead(4).packWh * 0.9);
  });
});

describe('laws', () => {
  const volts = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  const arbitraryParts: fc.Arbitrary<Parts> = fc
    .record({
      cells: fc.integer({ min: 1, max: 5 }),
      energyWh: volts(5, 150),
      powerW: volts(1, 40),
      minV: volts(2, 12),
      width: volts(0.5, 12),
      maxA: volts(0.3, 8),
      behind: fc.boolean(),
      outputV: volts(5, 12),
      startCharge: volts(0.2, 1),
      temperatureC: volts(-20, 30),
    })
    .map(({ cells, energyWh, powerW, minV, width, maxA, behind, outputV, startCharge, temperatureC }) => ({
      device: device({ ...BAY, minV, maxV: minV + width }, powerW),
      battery: battery(behind ? { ...DTAP, maxA } : { ...CONTACTS, maxA }, cells, energyWh),
      adapter: behind
        ? adapter({
            output: { connector: CONTACTS.connector, voltageV: outputV },
            input: { connector: DTAP.connector, minV, maxV: minV + width },
            ratedW: 60,
          })
        : undefined,
      rig: { startCharge, temperatureC },
    }));

  it('nothing is “good” when any moment of the discharge breaks a limit, looked at densely and apart from the findings', () => {
    let good = 0;
    fc.assert(
      fc.property(arbitraryParts, (parts) => {
        const answer = answerTo(parts);
        if (answer.verdict !== 'good' || !answer.run) return;
        good++;
        const input = parts.device.inputs[0] as Extract<Input, { takes: 'window' }>;
        const output = parts.battery.outputs[0] as Extract<Output, { gives: 'pack' }>;
        const gate = parts.adapter?.input ?? input;
        const full = CHEMISTRIES['li-ion'].fullCellV * parts.battery.cellsInSeries;
        expect(full).toBeLessThanOrEqual(gate.maxV!);
        const { trace } = answer.run;
        expect(trace.length).toBeGreaterThan(20);
        for (const { packV, packA, feeds } of trace) {
          const ohm = parts.adapter ? 0.05 : 0.01;
          const arriving = packV - ohm * packA;
          expect(arriving).toBeGreaterThanOrEqual(gate.minV! - 1e-6);
          expect(packA).toBeLessThanOrEqual(output.maxA! + 1e-6);
          expect(feeds[0]!.loadV).toBeGreaterThanOrEqual(input.minV! - 1e-6);
          expect(feeds[0]!.loadV).toBeLessThanOrEqual(input.maxV! + 1e-6);
        }
        expect(answer.run.endSoc).toBeLessThanOrEqual(0.05);
      }),
      { numRuns: 4000, seed: 20260107 },
    );
    expect(good).toBeGreaterThan(30);
  });

  it('a figure taken away never makes an answer good', () => {
    const figures: readonly ((parts: Parts) => Parts)[] = [
      (parts) => ({ ...parts, battery: { ...parts.battery, energyWh: undefined } }),
      (parts) => ({ ...parts, device: { ...parts.device, draw: undefined } }),
      (parts) => ({ ...parts, device: { ...parts.device, inputs: [{ ...parts.device.inputs[0]!, minV: undefined }] } }),
      (parts) => ({ ...parts, device: { ...parts.device, inputs: [{ ...parts.device.inputs[0]!, maxV: undefined }] } }),
      (parts) => ({
        ...parts,
        battery: { ...parts.battery, outputs: [{ ...(parts.battery.outputs[0] as Extract<Output, { gives: 'pack' }>), maxA: undefined }] },
      }),
    ];
    fc.assert(
      fc.property(arbitraryParts, fc.constantFrom(...figures), (parts, without) => {
        expect(['unknown', 'stop']).toContain(answerTo(without(parts)).verdict);
      }),
      { numRuns: 500, seed: 5 },
    );
  });

  it('colder never runs longer', () => {
    fc.assert(
      fc.property(volts(-20, 24), volts(0.1, 20), (temperatureC, colder) => {
        const at = (celsius: number) => answerTo({ ...BY_DTAP, rig: { temperatureC: celsius } }).run!.minutes;
        expect(at(temperatureC - colder)).toBeLessThanOrEqual(at(temperatureC) + 1e-6);
      }),
      { numRuns: 60, seed: 9 },
    );
  });
});

describe('the journey', () => {
  it('goes from battery to device, each station with its range and levels', () => {
    const { journey } = answerTo(BY_5V);
    expect(journey.map(({ kind, role }) => `${kind} ${role}`)).toEqual([
      'battery battery',
      'converter battery',
      'lead adapter',
      'converter adapter',
      'device device',
    ]);
    expect(journey[0]).toMatchObject({ highV: 4.2, lowV: 3 });
    expect(journey[1]).toMatchObject({ highV: 5, lowV: 5 });
    expect(journey[2]!.start!.voltageV).toBeLessThan(5);
    expect(journey[4]).toMatchObject({ highV: 8.5, lowV: 6, start: { voltageV: 8, powerW: 6 } });
  });

  it('lets a lead’s low end fall below the gate by what stays in the battery', () => {
    const { journey } = answerTo({ ...IN_CAMERA, device: device({ ...BAY, minV: 7.4 }) });
    expect(journey.at(-2)!.lowV).toBeLessThan(6);
    expect(journey.at(-1)!.lowV).toBe(7.4);
  });
});

describe('a chain as a network', () => {
  it('is the network that a reference solver would be given', () => {
    const parts = BY_DTAP;
    const gear = new Map<string, Gear>([['d', parts.device], ['b', parts.battery], ['a', parts.adapter!]]); // prettier-ignore
    const resolved = resolveChain({ name: 'r', deviceId: 'd', inputId: 'in', batteryId: 'b', outputId: 'out', adapterId: 'a' }, gear);
    const network = chainNetwork(resolved.chain!).withDraw(10)!;
    expect(network.feeds).toEqual([
      {
        id: 'lead',
        resistanceOhm: 0.05,
        maxA: 5,
        converter: { outputV: 8, efficiency: 0.9, standbyW: 0.1, minInputV: 11, maxInputV: 17 },
        load: { id: 'device', powerW: 10, minV: 6 },
      },
    ]);
    const point = discharge(network).start!;
    expect(point.packV).toBeLessThan(4 * cellVoltage(CHEMISTRIES['li-ion'].ocvPerCell, 1));
  });
});
