import { readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { LOW_WATER } from '../demo/low-water';
import { missingFields } from '../shape/missing-fields';
import { migratePlan } from './migrate';
import { PLAN_FORMAT, PLAN_VERSION, planJsonSchema, planShape } from './plan';
import type { Plan } from './plan';
import { rigFromV0 } from './rig-v0';
import { putBack, setAside } from './set-aside';

const PLAN: Plan = { format: PLAN_FORMAT, version: PLAN_VERSION, gear: LOW_WATER.gear, rigs: LOW_WATER.rigs };
const V0_RIG = {
  name: 'Old',
  deviceId: 'd',
  inputId: 'bay',
  batteryId: 'b',
  outputId: 'd-tap',
  adapterId: 'a',
  cableId: 'c',
  note: 'kept',
  mood: 7,
};

describe('older documents', () => {
  it('of version 0 become links; what is not known stays', () => {
    const migrated = migratePlan({ gear: [], rigs: [{ id: 'r', body: V0_RIG, extra: true }], colour: 'red' });
    expect(migrated).toMatchObject({
      ok: true,
      document: {
        format: PLAN_FORMAT,
        version: PLAN_VERSION,
        colour: 'red',
        rigs: [
          {
            id: 'r',
            extra: true,
            body: {
              name: 'Old',
              note: 'kept',
              mood: 7,
              devices: [{ gearId: 'd' }],
              links: [
                { from: { gearId: 'b', portId: 'd-tap' }, to: { gearId: 'a', portId: 'in' }, cableId: 'c' },
                { from: { gearId: 'a', portId: 'out' }, to: { gearId: 'd', portId: 'bay' } },
              ],
            },
          },
        ],
      },
    });
  });

  it('of version 1 called a segment a stretch; deleted fields, own fields and nonsense stay as they came', () => {
    const steady = { fromS: 0, toS: 60, meanW: 12 };
    const migrated = migratePlan({
      format: PLAN_FORMAT,
      version: 1,
      log: [{ id: 'a', body: { kind: 'stretch', meanW: 12, mood: 7 } }, { id: 'b', body: { kind: 'run-down' } }, null, 'x'],
      recordings: [
        { id: 'r', body: { name: 'Deck', stretches: [steady], mood: 7 } },
        { id: 's', body: null },
      ],
    });
    expect(migrated).toEqual({
      ok: true,
      document: {
        format: PLAN_FORMAT,
        version: 2,
        log: [{ id: 'a', body: { kind: 'segment', meanW: 12, mood: 7 } }, { id: 'b', body: { kind: 'run-down' } }, null, 'x'],
        recordings: [
          { id: 'r', body: { name: 'Deck', segments: [steady], mood: 7 } },
          { id: 's', body: null },
        ],
      },
    });
  });

  it('a rig that is new already, or nonsense, is left as it came', () => {
    for (const body of [LOW_WATER.rigs[0]!.body, null, 3, 'x', { deviceId: 5 }, { deviceId: 'd' }]) expect(rigFromV0(body)).toBe(body);
  });

  it('newer ones and other formats are refused by name', () => {
    expect(migratePlan({ format: PLAN_FORMAT, version: PLAN_VERSION + 1 })).toMatchObject({
      ok: false,
      issue: { path: '/version', code: 'newer-version' },
    });
    expect(migratePlan({ format: 'zebra', version: 1 })).toMatchObject({ ok: false, issue: { path: '/format', code: 'wrong-format' } });
  });
});

describe('fields that are not known', () => {
  it('come back where they stood, wherever that was', () => {
    const nested = {
      ...PLAN,
      mood: 1,
      gear: PLAN.gear.map((item, place) => ({ ...item, seen: place, body: { ...item.body, odd: { place } } })),
    };
    const { known, aside } = setAside(planShape, nested);
    expect(known).toEqual(PLAN);
    expect(putBack(known, aside)).toEqual(nested);
  });

  it('law: setting aside and putting back is the same document, for any JSON', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.constantFrom(...LOW_WATER.gear), fc.string(), (value, item, key) => {
        for (const document of [value, { ...PLAN, gear: [{ ...item, body: { ...item.body, [key]: value } }] }]) {
          const { known, aside } = setAside(planShape, document);
          expect(putBack(known, aside)).toEqual(document);
        }
      }),
      { numRuns: 300, seed: 3 },
    );
  });
});

describe('what a practitioner can say of gear', () => {
  const id = '0d7ecb1e-5a0f-4a4b-9d57-2f1f5c1f7a10';
  const xt60 = { type: 'xt60', gender: 'socket' };
  const port = { id: 'out', name: 'Out', connector: xt60 };
  it.each<[string, Record<string, unknown>]>([
    ['a supply’s range', { kind: 'supply', name: 'Outlet', form: 'vehicle', outputs: [{ gives: 'fixed', ...port, voltageV: 12, minV: 11, maxV: 14.8 }] }],
    ['a supply of which nothing is known', { kind: 'supply', name: 'Box', form: 'transformer', outputs: [{ gives: 'fixed', ...port }] }],
    ['an inverter’s outlet', { kind: 'battery', name: 'Power box', form: 'pack', chemistry: 'lifepo4', outputs: [{ gives: 'fixed', id: 'ac', name: 'Outlet', connector: { type: 'mains' }, voltageV: 230 }] }],
    ['a holder in series, batteries kept apart', { kind: 'hub', name: 'Holder', form: 'box', inputOrder: 'series', isolates: true, inputs: [{ takes: 'window', id: 'in', name: 'In', connector: xt60 }], outputs: [{ gives: 'fixed', ...port, voltageV: 12, works: 'down' }] }],
    ['a trigger for a programmable supply', { kind: 'adapter', name: 'Trigger', input: { connector: { type: 'usb-c' }, triggerV: 8.4, programmable: true }, output: { connector: xt60, pins: { thermistor: true } }, works: 'up', gauge: 'none' }],
    ['a list beside a neighbour; a bank that stays on and charges while it feeds', { kind: 'battery', name: 'Bank', form: 'bank', chemistry: 'li-ion', cellsInSeries: 4, leastA: 0, chargesWhileFeeding: true, protection: 'board', outputs: [{ gives: 'pd', id: 'c', name: 'C', connector: { type: 'usb-c' }, sharedProfiles: [{ voltageV: 9, currentA: 2 }] }] }],
    ['which end a fuse sits at, two-pin plugs', { kind: 'cable', name: 'Lead', ends: { source: xt60, load: { type: 'circular2', polarity: 'pin-1-positive' } }, fuseA: 5, fuseAt: 'load' }],
    ['PoE by class, contacts insisted on, a port for data alone', { kind: 'device', name: 'Head', inputs: [{ takes: 'window', id: 'poe', name: 'LAN', connector: { type: 'poe' }, poeClass: 'at' }, { takes: 'window', id: 'bay', name: 'Bay', connector: { type: 'bay' }, insistsOn: { data: true } }, { takes: 'pd', id: 'c', name: 'C', connector: { type: 'usb-c' }, sink: 'runs', noPower: true }] }],
  ])('%s: the document keeps it, and nothing of it is set aside', (_what, body) => {
    const document = { ...PLAN, gear: [...PLAN.gear, { id, body }] };
    expect(migratePlan(document)).toEqual({ ok: true, document });
    const { known, aside } = setAside(planShape, document);
    expect([known, aside]).toEqual([document, []]);
    expect(missingFields(planShape, document)).toEqual([]);
  }); // prettier-ignore
});

describe('docs/viaggio-plan.schema.json', () => {
  it('is what the shape says (npm run docs writes it)', () => {
    const published: unknown = JSON.parse(readFileSync(path.join(__dirname, '../../../../docs/viaggio-plan.schema.json'), 'utf8'));
    expect(published).toEqual(JSON.parse(JSON.stringify(planJsonSchema())));
  });
});
