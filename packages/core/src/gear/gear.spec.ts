import { assess } from '../answer/assess';
import { LOW_WATER } from '../demo/low-water';
import { connectorName, mates } from './connector';
import { adapterFits, cableFits, FEED_KINDS, inputFor, outputFor } from './feed-kind';
import type { FeedKind } from './feed-kind';
import { GENERIC_TRUNK } from './generic/generic-kit';
import { blankBattery, blankDevice, forBay, GENERIC_ADAPTERS, GENERIC_BATTERIES, GENERIC_CABLES, GENERIC_DEVICES } from './generic/generic';

const KINDS = Object.keys(FEED_KINDS) as FeedKind[];

describe('connectors', () => {
  it.each([
    [{ type: 'd-tap' }, { type: 'd-tap' }, 'yes'],
    [{ type: 'd-tap' }, { type: 'usb-c' }, 'no'],
    [{ type: 'bay', family: 'S' }, { type: 'bay', family: 'S' }, 'yes'],
    [{ type: 'bay', family: 'S' }, { type: 'bay', family: 'L' }, 'no'],
    [{ type: 'bay', family: 'S' }, { type: 'bay' }, 'unknown'],
    [{ type: 'usb-c' }, { type: 'usb-c', family: 'x' }, 'yes'],
  ] as const)('%j and %j: %s', (one, other, expected) => {
    expect(mates(one, other)).toBe(expected);
    expect(mates(other, one)).toBe(expected);
  });

  it('are named as people name them', () => {
    expect(connectorName({ type: 'bay', family: 'S' })).toBe('battery bay S');
    expect(connectorName({ type: 'v-mount' })).toBe('V-mount');
  });
});

describe('generic gear', () => {
  it.each(KINDS)('offers every device that has the input a way by %s', (kind) => {
    for (const device of GENERIC_DEVICES) {
      const input = inputFor(kind, device);
      if (!input) continue;
      const batteries = GENERIC_BATTERIES.filter((battery) => {
        const output = outputFor(kind, battery);
        return output && (kind !== 'in-camera' || mates(output.connector, input.connector) === 'yes');
      });
      expect([device.name, batteries.length > 0]).toEqual([device.name, true]);
      const output = outputFor(kind, batteries[0]!)!;
      const { needs } = FEED_KINDS[kind];
      if (needs === 'adapter') {
        const fitting = GENERIC_ADAPTERS.map((one) => forBay(one, input.connector.family)).filter((one) => adapterFits(one, output, input));
        expect(fitting).toHaveLength(1);
      }
      if (needs === 'cable') expect(GENERIC_CABLES.filter((cable) => cableFits(cable, output, input)).length).toBeGreaterThan(0);
    }
  });

  it('is marked as guesses, so that nothing of it passes for measured', () => {
    for (const device of GENERIC_DEVICES) expect(device.from?.draw).toBe('guess');
    for (const battery of GENERIC_BATTERIES) expect(battery.from?.energyWh).toBe('guess');
  });

  it('says no mass and no price: whoever adds it weighs and pays for his own', () => {
    for (const gear of GENERIC_TRUNK) expect([gear.name, gear.massG, gear.price]).toEqual([gear.name, undefined, undefined]);
  });

  it('has blanks that know nothing but their form', () => {
    const device = blankDevice('My camera');
    // nobody said yet whether it runs from USB-C
    expect(device.inputs[1]).toMatchObject({ takes: 'pd', sink: 'unknown' });
    const battery = forBay(blankBattery('camera', 'pack'), 'of My camera');
    expect(device.draw).toBeUndefined();
    expect(battery.energyWh).toBeUndefined();
    expect(mates(device.inputs[0]!.connector, battery.outputs[0]!.connector)).toBe('yes');
    expect(outputFor('v-mount', blankBattery('v-mount', 'pack'))).toBeDefined();
    expect(outputFor('pd-bank', blankBattery('bank', 'pd'))).toBeDefined();
    expect(outputFor('5v-bank', blankBattery('bank', 'fixed'))).toBeDefined();
    expect(outputFor('v-mount', battery)).toBeUndefined();
  });
});

describe('the demo', () => {
  const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
  const answers = new Map(LOW_WATER.rigs.map(({ body }) => [body.name, assess(body, gear)]));

  it('has the verdicts that its troubles deserve', () => {
    expect(Object.fromEntries([...answers].map(([name, { verdict }]) => [name, verdict]))).toEqual({
      Wheelhouse: 'good', // that its gauge lies is a note, with the time to change
      'Wheelhouse on the small battery': 'caution', // a port over its limit late in the run, and a peak before that
      Deck: 'good', // the same
      'Galley interviews': 'good',
      'Galley on the old bank': 'stop', // too weak for the camera
      Stills: 'good', // the bay stops a little short of its battery's end
      'Wheelhouse, everything on one V-mount': 'caution', // two hours short; that every part hangs on one plate is a note
      'Galley, two cameras on mains': 'caution', // the recorder loses phantom power on 5 V
      Breakwater: 'good', // its gauge lies: a note
      'Stills with the grip': 'good', // the same
      'Cinema camera day': 'stop', // the plate will not start on a half-charged pack
      'Skuadon on the blue board': 'good', // that its module gives more than written, only a meter finds
      'Monitor on the drawer lead': 'good', // that its lead is crossed, only a meter finds
    });
    const codes = (name: string) =>
      answers
        .get(name)!
        .findings.filter(({ verdict }) => verdict !== 'good')
        .map(({ code }) => code);
    expect(codes('Wheelhouse, everything on one V-mount')).toContain('stops-together');
    expect(codes('Galley, two cameras on mains')).toEqual(expect.arrayContaining(['feature-lost', 'budget-shared']));
    expect(codes('Cinema camera day')).toEqual(['will-not-start']);
    expect(answers.get('Breakwater')!.counts).toMatchObject([{ what: 'frames' }]);
    expect(answers.get('Wheelhouse on the small battery')!.findings.map(({ code }) => code)).toEqual(
      expect.arrayContaining(['over-current-late', 'peak-stops']),
    );
  });
});
