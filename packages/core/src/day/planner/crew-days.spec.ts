import { charger, dayOfRigs, HOUSE, pack } from '../../../testing/day';
import { spoken } from '../../../testing/spoken';
import { LOW_WATER } from '../../demo/low-water';
import type { Gear } from '../../gear/gear';
import { chargingList } from '../run/charging-list';
import { planFigures } from '../run/plan-figures';
import { DaySimulation } from '../run/simulate';
import type { Block, Day } from '../shape/day';
import type { PlanOrder } from './judge/plan-cost';
import { planDay } from './plan-day';

const demo = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const rigNamed = (name: string): string => LOW_WATER.rigs.find(({ body }) => body.name === name)!.id;
const tagged = (tag: string): string => LOW_WATER.gear.find(({ body }) => body.tag === tag)!.id;
const four = LOW_WATER.gear.find(({ body }) => body.name === 'Charger M, four slots')!.body;

/** Two bodies, one with two cells in its grip, two spares, two slots on mains from noon to seven, a ceremony at half past twelve. */
function event(scale: number): DaySimulation {
  const rigIds = [rigNamed('Stills with the grip'), rigNamed('Stills')];
  const blocks = rigIds.flatMap((rigId, index) => {
    const [{ gearId }] = rigs.get(rigId)!.devices as [{ gearId: string }];
    const block = (fromMin: number, toMin: number, more: Partial<Block> = {}): Block => ({
      id: `${index} ${fromMin}`,
      rigId,
      kind: 'record',
      fromMin,
      toMin,
      placeId: 'hall',
      ...(more.kind === undefined && { devices: [{ gearId, mode: 'usual', scale }] }),
      ...more,
    });
    return [
      block(600, 750),
      block(750, 810, { uninterrupted: true }),
      block(810, 960),
      block(990, 1080),
      block(1080, 1140, { kind: 'meal' }),
      block(1140, 1380),
    ];
  });
  const day: Day = {
    name: 'A wedding',
    date: '2026-06-12',
    days: 1,
    startsAt: 540,
    temperatureC: 20,
    rigIds,
    blocks,
    places: [{ id: 'hall', name: 'Hall', power: 'mains', powerFrom: 720, powerTo: 1140, temperatureC: 20 }],
    chargers: [{ gearId: 'two', placeId: 'hall' }],
    batteries: ['K1', 'K2'].map((tag) => ({ gearId: tagged(tag), startCharge: 1 })),
  };
  const gear = new Map(demo).set('two', { ...four, name: 'Charger M, two slots', slots: 2 } as Gear);
  return new DaySimulation(day, gear, rigs);
}

describe('days as crews have them', () => {
  it.each([
    [1, 'swaps'],
    [1, 'batteries'],
    [1, 'mass'],
    [1.6, 'swaps'],
  ] as const)('an event at %s of its draw, %s first, leaves the ceremony alone', (scale, order: PlanOrder) => {
    const simulation = event(scale);
    const plan = planDay(simulation, { order });
    expect(plan.cost.interruptions).toBe(0);
    expect(plan.unmet).toEqual([]);
    const run = simulation.run(simulation.prepare(plan));
    // what goes into a rig is fuller than what comes out, and nothing is changed back and forth
    for (const { rigId, seatId, batteryId, atMin, first } of run.seated) {
      if (first) continue;
      const into = run.stays.find((stay) => stay.rigId === rigId && stay.batteryId === batteryId && stay.toMin > atMin)!;
      const out = run.stays.findLast((stay) => stay.rigId === rigId && Math.abs(stay.toMin - atMin) < 1e-6);
      if (out) expect(into.fromCharge).toBeGreaterThan(out.toCharge);
      const again = run.seated.find((one) => one.rigId === rigId && one.seatId === seatId && one.atMin > atMin && one.atMin < atMin + 10);
      expect(again).toBeUndefined();
    }
    // nothing is put on a charger whose outlet stays dead
    for (const { fromMin, toMin } of plan.charges) expect(fromMin < 1140 && toMin > 720).toBe(true);
  });

  it('fewest batteries and least mass are sought where they are asked for', () => {
    const world = (): DaySimulation =>
      dayOfRigs({
        rigs: { A: [20, 'p1'] },
        gear: { p1: pack(95), p2: pack(95), p3: pack(200), p4: pack(95), c: charger(120) },
        blocks: [480, 660, 840, 1020].map((fromMin) => ({ rigId: 'A', fromMin, toMin: fromMin + 120, placeId: 'house' })),
        day: { places: [HOUSE], chargers: [{ gearId: 'c', placeId: 'house' }] },
      });
    const [swaps, batteries, mass] = (['swaps', 'batteries', 'mass'] as const).map((order) => planDay(world(), { order }).cost);
    expect(batteries!.batteries).toBe(1);
    expect(swaps!.swaps).toBeLessThanOrEqual(batteries!.swaps);
    expect(mass!.massG).toBeLessThanOrEqual(Math.min(swaps!.massG, batteries!.massG));
    for (const { gapMin, lowMin } of [swaps!, batteries!, mass!]) expect(gapMin + lowMin).toBe(0);
  });

  it('of two that are the same the one in the seat stays, and a spent one is not put in at the start', () => {
    const same = dayOfRigs({
      rigs: { A: [10, 'p1'] },
      gear: { p1: pack(95), p2: pack(95) },
      blocks: [{ rigId: 'A', fromMin: 480, toMin: 700 }],
    });
    expect(planDay(same).swaps).toEqual([]);
    const spent = dayOfRigs({
      rigs: { A: [10, 'p1'] },
      gear: { p1: pack(95), p2: pack(95) },
      blocks: [{ rigId: 'A', fromMin: 480, toMin: 700 }],
      day: { batteries: [{ gearId: 'p1', startCharge: 0.9 }, { gearId: 'p2', startCharge: 0.05 }] }, // prettier-ignore
    });
    expect(planDay(spent).swaps).toEqual([]);
  });

  it('batteries rotate through one slot over an evening, and all are full by call time', () => {
    const simulation = dayOfRigs({
      rigs: { A: [20, 'p1'] },
      gear: { p1: pack(95), p2: pack(95), p3: pack(95), p4: pack(95), c: charger(90) },
      blocks: [{ rigId: 'A', fromMin: 1980, toMin: 2160, placeId: 'house' }],
      day: {
        days: 2,
        startsAt: 1080,
        batteries: ['p1', 'p2', 'p3', 'p4'].map((gearId) => ({ gearId, startCharge: 0.1 })),
        places: [HOUSE],
        chargers: [{ gearId: 'c', placeId: 'house' }],
        hands: [{ from: 6 * 60, to: 23 * 60 }],
      },
    });
    const plan = planDay(simulation);
    const { charge, nobodyThere } = simulation.run(simulation.prepare(plan));
    const full = ['p1', 'p2', 'p3', 'p4'].filter((id) => charge.get(id)!.some((point) => point.minute <= 1980 && point.charge > 0.97));
    expect(full).toHaveLength(4);
    expect(nobodyThere).toEqual([]);
  });

  it('where hands are given for one place, those who travel with the rigs move batteries elsewhere', () => {
    const world = (hands: Day['hands']): DaySimulation =>
      dayOfRigs({
        rigs: { A: [30, 'p1'] },
        gear: { p1: pack(95), p2: pack(95) },
        blocks: [480, 630].map((fromMin) => ({ rigId: 'A', fromMin, toMin: fromMin + 120, placeId: 'field' })),
        day: { places: [HOUSE, { id: 'field', name: 'Field', power: 'none' }], hands },
      });
    expect(planDay(world([{ placeId: 'house', from: 0, to: 60 }])).unmet).toEqual([]);
    expect(planDay(world([{ from: 0, to: 60 }])).unmet).toHaveLength(1);
    const moves = { swaps: [{ rigId: 'A', seatId: 'p1', batteryId: 'p2', atMin: 610 }], charges: [] };
    const alone = world([{ placeId: 'field', from: 0, to: 60 }]);
    expect(alone.run(alone.prepare(moves)).nobodyThere).toMatchObject([{ atMin: 610, move: 'into-rig', placeId: 'field' }]);
  });
});

describe('a battery that bridges a change', () => {
  /** A camera with 10 Wh of its own, or such a cell in its bay, on a pack that lasts two and a half hours. */
  function bridged(inside: 'built in' | 'in the bay'): DaySimulation {
    const simulation = dayOfRigs({
      rigs: { R: [20, 'p0'] },
      gear: { p0: pack(50), p1: pack(50) },
      blocks: [{ rigId: 'R', fromMin: 600, toMin: 770 }],
    });
    const gearWith = new Map(simulation.gear);
    const camera = gearWith.get('R-camera') as Extract<Gear, { kind: 'device' }>;
    const rig = simulation.rigs.get('R')!;
    if (inside === 'built in')
      return new DaySimulation(
        simulation.day,
        gearWith.set('R-camera', { ...camera, builtIn: { energyWh: 12, cellsInSeries: 4 } }),
        simulation.rigs,
      );
    const bay = { takes: 'window', id: 'bay', name: 'Bay', connector: { type: 'bay', family: 'K' }, minV: 11, maxV: 17 } as const;
    gearWith.set('R-camera', { ...camera, inputs: [...camera.inputs, bay] });
    gearWith.set(
      'cell',
      pack(12, { form: 'camera', outputs: [{ gives: 'pack', id: 'mount', name: 'Contacts', connector: bay.connector, maxA: 12 }] }),
    );
    const links = [...rig.links, { from: { gearId: 'cell', portId: 'mount' }, to: { gearId: 'R-camera', portId: 'bay' } }];
    return new DaySimulation(simulation.day, gearWith, new Map([['R', { ...rig, links }]]));
  }

  it.each(['built in', 'in the bay'] as const)('%s: makes it no interruption, and is never run to nothing for it', (inside) => {
    const simulation = bridged(inside);
    // without a change it would carry the camera to the end
    expect(planFigures(simulation, {})).toMatchObject({ gapMin: 0 });
    const plan = planDay(simulation);
    expect(plan.figures).toMatchObject({ gapMin: 0, changeMin: 0, lowMin: 0, changes: 1, hot: 1 });
    const id = inside === 'built in' ? 'R-camera!built-in' : 'cell';
    const left = simulation.run(simulation.prepare(plan)).endCharge.get(id)!;
    expect(left).toBeGreaterThan(0.1);
  });
});

describe('charging a battery where it sits', () => {
  const usbC = { type: 'usb-c' } as const;
  /** A bank on the camera, a meal of an hour where there is a supply, and one bank. */
  function meal(chargesWhileFeeding: boolean, more: Partial<Day> = {}): DaySimulation {
    const bank = pack(60, {
      form: 'bank',
      chargesWhileFeeding,
      outputs: [{ gives: 'pack', id: 'mount', name: 'Out', connector: { type: 'v-mount' }, maxA: 12 }],
    });
    const supply: Gear = {
      kind: 'supply',
      name: 'Supply 65 W',
      form: 'mains',
      outputs: [{ gives: 'pd', id: 'c', name: 'USB-C', connector: usbC, profiles: [{ voltageV: 20, currentA: 3.25 }], ratingW: 65 }],
    };
    return dayOfRigs({
      rigs: { R: [20, 'bank'] },
      gear: { bank, supply },
      blocks: [
        { rigId: 'R', fromMin: 600, toMin: 720, placeId: 'house' },
        { rigId: 'R', kind: 'meal', fromMin: 720, toMin: 780, placeId: 'house' },
        { rigId: 'R', fromMin: 780, toMin: 900, placeId: 'house' },
      ],
      day: { places: [HOUSE], chargers: [{ gearId: 'supply', placeId: 'house' }], ...more },
    });
  }

  it('is no change of battery, and its run keeps what the plan promises', () => {
    const plan = planDay(meal(true));
    expect(plan.figures).toMatchObject({ changes: 0, gapMin: 0, lowMin: 0 });
    expect(plan.charges).toContainEqual({ batteryId: 'bank', chargerId: 'supply', fromMin: 720, toMin: 780, inPlace: true });
    const run = meal(true, { charges: [...plan.charges] });
    expect(run.run().filled[0]).toMatchObject({ trouble: undefined });
    expect(spoken(chargingList(run, run.run()).cautions)).toMatch(/switch the rig off and disconnect it first/);
  });

  it('is left alone where the maker does not let it: the bank goes out, and back in', () => {
    const plan = planDay(meal(false));
    expect(plan.figures).toMatchObject({ changes: 1, gapMin: 0 });
    expect(plan.charges.some(({ inPlace }) => inPlace)).toBe(false);
    const forced = meal(false, { charges: [{ batteryId: 'bank', chargerId: 'supply', fromMin: 720, toMin: 780, inPlace: true }] });
    expect(forced.run().filled[0]).toMatchObject({ trouble: { code: 'not-where-it-sits' } });
  });

  it('waits while the rig draws, and where the rig is somewhere else', () => {
    const charge = { batteryId: 'bank', chargerId: 'supply', fromMin: 600, toMin: 900, inPlace: true } as const;
    const filled = meal(true, { charges: [charge] }).run().filled;
    expect(filled.map(({ charge: { fromMin, toMin } }) => [fromMin, toMin])).toEqual([[720, 780]]);
    const away = meal(true, { charges: [charge] });
    const blocks = away.day.blocks.map((block) => ({ ...block, placeId: 'hill' }));
    const day: Day = { ...away.day, blocks, places: [HOUSE, { id: 'hill', name: 'Hill', power: 'none' }] };
    expect(new DaySimulation(day, away.gear, away.rigs).run().filled).toEqual([]);
  });
});
