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
} from '../../testing/rig-parts';
import type { Parts } from '../../testing/rig-parts';
import { cellVoltage } from '../physics/cell/ocv';
import { discharge } from '../run/discharge';
import { networkOf } from '../run/network-of';
import { CHEMISTRIES } from '../tables/chemistries';
import { rigModel } from './rig-model';

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

describe('the reserve', () => {
  it('decides between lasting, lasting into the reserve and falling short', () => {
    const { firstStopMin } = answerTo(IN_CAMERA);
    const wanted = (share: number) => troubles(answerTo({ ...IN_CAMERA, rig: { wantedMin: firstStopMin! * share } }));
    expect(wanted(0.899)).toEqual([]);
    expect(wanted(0.901)).toEqual(['lasts-into-reserve caution', 'no-cushion note']);
    expect(wanted(0.999)).toEqual(['lasts-into-reserve caution', 'no-cushion note']);
    expect(wanted(1.001)).toEqual(['too-short caution', 'no-cushion note']);
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
    expect(minutes({ basis: 'run-down', energyWh: 95, minutes: 310, lostShare: 0.1 }).figure.value).toBeCloseTo((95 / (310 / 60)) * 0.9, 1);
  });

  it('by own test gives the tested time back to the minute: same pack, load, temperature and feed', () => {
    for (const lasted of [150, 240, 700, 2000]) {
      const draw = { basis: 'run-down', energyWh: 50, minutes: lasted } as const;
      const { run, figures } = answerTo({ ...IN_CAMERA, battery: battery(CONTACTS, 2, 50), device: { ...device(), draw } });
      expect({ lasted, minutes: Math.round(run!.minutes), draw: figures.find(({ name }) => name === 'Draw')!.value }).toMatchObject({
        lasted,
        minutes: lasted,
      });
    }
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

describe('the journey', () => {
  it('goes from battery to device, each station with its range and levels', () => {
    const journey = answerTo(BY_5V).tracks[0]!.stations;
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
    const journey = answerTo({ ...IN_CAMERA, device: device({ ...BAY, minV: 7.4 }) }).tracks[0]!.stations;
    expect(journey.at(-2)!.lowV).toBeLessThan(6);
    expect(journey.at(-1)!.lowV).toBe(7.4);
  });
});

describe('a source with what hangs on it', () => {
  it('is the network that a reference solver would be given', () => {
    const { rig, gear } = rigOf(BY_DTAP);
    const { resolved, draws } = rigModel(rig, gear);
    const network = networkOf(resolved.trees[0]!, draws!.usual)!;
    const [device, adapterId] = [rig.devices[0]!.gearId, rig.links[0]!.to.gearId];
    expect(network.feeds).toEqual([
      {
        id: `${adapterId}/in`,
        resistanceOhm: 0.05,
        maxA: 5,
        converter: { outputV: 8, efficiency: 0.9, standbyW: 0.1, minInputV: 11, maxInputV: 17 },
        feeds: [{ id: `${device}/in`, resistanceOhm: 0, load: { id: device, powerW: 10, minV: 6 } }],
      },
    ]);
    const point = discharge(network).start!;
    expect(point.packV).toBeLessThan(4 * cellVoltage(CHEMISTRIES['li-ion'].ocvPerCell, 1));
  });
});
