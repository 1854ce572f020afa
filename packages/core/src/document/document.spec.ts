import { readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { LOW_WATER } from '../demo';
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

describe('docs/viaggio-plan.schema.json', () => {
  it('is what the shape says (npm run docs writes it)', () => {
    const published: unknown = JSON.parse(readFileSync(path.join(__dirname, '../../../../docs/viaggio-plan.schema.json'), 'utf8'));
    expect(published).toEqual(JSON.parse(JSON.stringify(planJsonSchema())));
  });
});
