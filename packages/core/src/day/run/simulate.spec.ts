import { camera, charger, dayOfRigs, pack } from '../../../testing/day';
import { spoken } from '../../../testing/spoken';
import { rigModel } from '../../answer/rig-model';
import { LOW_WATER } from '../../demo/low-water';
import { LOW_WATER_DAY } from '../../demo/low-water-day';
import type { Gear } from '../../gear/gear';
import { SystemRunner } from '../../run/run-system';
import { planDay } from '../planner/plan-day';
import { dayChances } from './chances';
import { DaySimulation } from './simulate';
import fc from 'fast-check';

const HOUSE = { id: 'house', name: 'House', power: 'mains', temperatureC: 20 } as const;

/** One camera of 20 W from eight to four, with a meal, and two packs. */
const oneRig = (day: Parameters<typeof dayOfRigs>[0]['day'] = {}, kind: 'meal' | 'stand-by' = 'meal') =>
  dayOfRigs({
    rigs: { A: [20, 'p1'] },
    gear: { p1: pack(95), p2: pack(95), c: charger(50) },
    blocks: [
      { rigId: 'A', fromMin: 480, toMin: 720 },
      { rigId: 'A', fromMin: 720, toMin: 780, kind },
      { rigId: 'A', fromMin: 780, toMin: 960 },
    ],
    day,
  });

describe('a day as it goes', () => {
  it('runs a battery down as its rig alone would, and tells when it gave out', () => {
    const simulation = oneRig({ batteries: [] }, 'stand-by');
    const { gaps, stays } = simulation.run();
    const model = rigModel(simulation.rigs.get('A')!, simulation.gear);
    const alone = new SystemRunner(model.system!).run().firstGapMin!;
    expect(gaps.map(({ blockId, why, toMin }) => [blockId, why, toMin])).toEqual([
      ['block-1', 'gave-out', 780],
      ['block-2', 'gave-out', 960],
    ]);
    // a phase that ends in between is integrated anew: 1e-4 of the minutes
    expect(gaps[0]!.fromMin).toBeCloseTo(480 + alone, 3);
    expect(stays).toMatchObject([{ batteryId: 'p1', fromMin: 480, toMin: 960, fromCharge: 1 }]);
  });

  it('tells which batteries were taken as full because their charge is not entered', () => {
    expect(oneRig({ batteries: [] }).run().takenAsFull).toEqual(['p1']);
    expect(oneRig({ batteries: [{ gearId: 'p1', startCharge: 0.5 }] }).run().takenAsFull).toEqual([]);
  });

  it('spends nothing while a rig is off', () => {
    const { charge } = oneRig().run();
    const at = (minute: number) => charge.get('p1')!.find((point) => point.minute === minute)!.charge;
    expect(at(720)).toBeLessThan(0.3);
    expect(at(780)).toBeCloseTo(at(720), 9);
  });

  it('a change in the meal costs no power; in a block it costs what it takes', () => {
    const swap = (atMin: number) => ({ swaps: [{ rigId: 'A', seatId: 'p1', batteryId: 'p2', atMin }] });
    const inMeal = oneRig(swap(730)).run();
    expect([inMeal.gaps, inMeal.intoReserve]).toEqual([[], []]);
    expect(inMeal.stays.map(({ batteryId, fromMin, toMin }) => [batteryId, fromMin, toMin])).toEqual([
      ['p1', 480, 730],
      ['p2', 732, 960],
    ]);
    const inBlock = oneRig(swap(660)).run();
    expect(inBlock.gaps).toMatchObject([{ why: 'change', fromMin: 660, toMin: 662 }]);
    expect(inBlock.blocks[0]).toMatchObject({ gapMin: 0, interruptions: 0 });
    expect(inBlock.blocks[0]!.changeMin).toBeCloseTo(2, 6);
  });

  it('a change in a block that must not be interrupted is counted as one', () => {
    const simulation = dayOfRigs({
      rigs: { A: [20, 'p1'] },
      gear: { p1: pack(95), p2: pack(95) },
      blocks: [{ rigId: 'A', fromMin: 480, toMin: 720, uninterrupted: true }],
      day: { swaps: [{ rigId: 'A', seatId: 'p1', batteryId: 'p2', atMin: 600 }] },
    });
    expect(simulation.run().blocks).toMatchObject([{ interruptions: 1 }]);
  });

  it('a battery goes on a charger, is full when the formula says so, and serves again', () => {
    const { filled, stays, gaps } = oneRig({
      places: [HOUSE],
      chargers: [{ gearId: 'c', placeId: 'house' }],
      swaps: [
        { rigId: 'A', seatId: 'p1', batteryId: 'p2', atMin: 720 },
        { rigId: 'A', seatId: 'p1', batteryId: 'p1', atMin: 930 },
      ],
      charges: [{ batteryId: 'p1', chargerId: 'c', fromMin: 720, toMin: 1200 }],
    }).run();
    expect(gaps).toMatchObject([{ why: 'change' }]);
    // it is taken off when it is wanted, not when the list says
    expect(filled).toMatchObject([{ charge: { batteryId: 'p1', toMin: 930 } }]);
    const [first] = stays;
    expect(filled[0]!.fromCharge).toBeCloseTo(first!.toCharge, 9);
    expect(filled[0]!.fullMin).toBeCloseTo(720 + 60 * (((0.8 - first!.toCharge) * 95) / 50 + (0.2 * 95) / (0.45 * 50)), 3);
    expect(stays[2]).toMatchObject({ batteryId: 'p1', fromMin: 932, fromCharge: 1 });
  });

  it('one battery cannot be in two rigs: where it is taken away the power is', () => {
    const simulation = dayOfRigs({
      rigs: { A: [10, 'p1'], B: [10, 'p1'] },
      gear: { p1: pack(95) },
      blocks: [
        { rigId: 'A', fromMin: 480, toMin: 600 },
        { rigId: 'B', fromMin: 540, toMin: 600 },
      ],
    });
    expect(simulation.run().gaps).toMatchObject([{ rigId: 'A', why: 'empty-seat', fromMin: 540, toMin: 600 }]);
  });

  it('mains are there in their hours only', () => {
    const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
    const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
    const [galley] = LOW_WATER.rigs.filter(({ body }) => body.name === 'Galley, two cameras on mains');
    const block = { id: 'b', rigId: galley!.id, kind: 'record', fromMin: 600, toMin: 900, placeId: 'hut' } as const;
    const day = { name: 'D', date: '2026-01-12', days: 1, rigIds: [galley!.id], blocks: [block] };
    const used = (powerTo: number) => {
      const places = [{ id: 'hut', name: 'Hut', power: 'mains', powerTo } as const];
      const { endCharge } = new DaySimulation({ ...day, places }, gear, rigs).run();
      const behind = [...endCharge].find(([id]) => gear.get(id)?.tag === 'V2');
      return 1 - behind![1];
    };
    expect(used(1440)).toBeLessThan(0.02);
    expect(used(780)).toBeGreaterThan(0.2);
  });

  it('the demo day as it stands is in trouble, and is sure to be', () => {
    const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
    const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
    const simulation = new DaySimulation(LOW_WATER_DAY.body, gear, rigs);
    expect(simulation.run().gaps.length).toBeGreaterThan(0);
    const { all, runs, bands } = dayChances(simulation, simulation.day, { runs: 40 });
    expect([all, runs]).toEqual([0, 40]);
    for (const points of bands.values()) for (const { p10, p90 } of points) expect(p10).toBeLessThanOrEqual(p90);
  });

  it('bands follow the plan through pauses too', () => {
    const simulation = oneRig({ swaps: [{ rigId: 'A', seatId: 'p1', batteryId: 'p2', atMin: 780 }] });
    const bands = dayChances(simulation, simulation.day, { runs: 60 }).bands.get('p1')!;
    const at = (minute: number) => bands.find((band) => band.minute === minute)!;
    // nothing is drawn in the meal: the band of its beginning is that of its end
    expect(at(780).p10).toBeCloseTo(at(720).p10, 4);
    expect(at(720).p90 - at(720).p10).toBeGreaterThan(0.01);
    const planned = simulation
      .run()
      .charge.get('p1')!
      .find(({ minute }) => minute === 720)!.charge;
    expect(planned).toBeGreaterThan(at(720).p10);
    expect(planned).toBeLessThan(at(720).p90);
  });

  it('chances are the same for the same seed, and a stop keeps what was run', () => {
    const simulation = oneRig({ swaps: [{ rigId: 'A', seatId: 'p1', batteryId: 'p2', atMin: 720 }] });
    const [one, again] = [dayChances(simulation, simulation.day, { runs: 60 }), dayChances(simulation, simulation.day, { runs: 60 })];
    expect(one).toEqual(again);
    expect(dayChances(simulation, simulation.day, { runs: 60, onProgress: (done) => done < 40 }).runs).toBe(40);
  });

  it('law: no charge leaves 0 to 1, no time goes back, and more draw never has less of a gap', () => {
    const at = fc.integer({ min: 481, max: 959 });
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 40 }), fc.array(at, { maxLength: 4 }), at, (powerW, swapsAt, chargeAt) => {
        const end = (watts: number): number => {
          const { charge, gaps } = dayOfRigs({
            rigs: { A: [watts, 'p1'] },
            gear: { p1: pack(95), p2: pack(60), c: charger(30) },
            blocks: [{ rigId: 'A', fromMin: 480, toMin: 960 }],
            day: {
              places: [HOUSE],
              chargers: [{ gearId: 'c', placeId: 'house' }],
              swaps: swapsAt.map((atMin, index) => ({ rigId: 'A', seatId: 'p1', batteryId: index % 2 === 0 ? 'p2' : 'p1', atMin })),
              charges: [{ batteryId: 'p2', chargerId: 'c', fromMin: chargeAt, toMin: 1200 }],
            },
          }).run();
          for (const points of charge.values()) {
            for (const { charge: now } of points) expect(now >= -1e-9 && now <= 1 + 1e-9).toBe(true);
            for (let index = 1; index < points.length; index++)
              expect(points[index]!.minute).toBeGreaterThanOrEqual(points[index - 1]!.minute - 1e-6);
          }
          return gaps.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
        };
        expect(end(powerW + 10)).toBeGreaterThanOrEqual(end(powerW) - 1e-6);
      }),
      { numRuns: 60, examples: [[5, [481], 481]] },
    );
  });

  it('goes on with a rig that was deleted, and says that it is gone', () => {
    const { day, gear } = oneRig();
    const simulation = new DaySimulation(day, gear, new Map());
    expect(simulation.run().gaps.map(({ why, says }) => [why, spoken(says) as string])).toEqual([
      ['cannot-run', 'The rig is gone.'],
      ['cannot-run', 'The rig is gone.'],
    ]);
    expect(planDay(simulation).unmet).toMatchObject([{ rigId: 'A' }]);
    expect(dayChances(simulation, day, { runs: 5 }).all).toBe(0);
  });

  it('a block in a mode that its feed does not carry is told, the run of its watts going on', () => {
    const { day, gear, rigs } = oneRig();
    const inTop = { ...day, blocks: day.blocks.map((block, place) => (place === 0 ? { ...block, devices: [{ gearId: 'A-camera', mode: 'top' }] } : block)) };
    const needing = (minV: number) => ({ ...gear.get('A-camera')!, modes: [{ id: 'top', name: 'top', draw: { basis: 'maker', powerW: 20 }, needs: { minV } }] }) as Gear;
    const gapsOf = (minV: number) => new DaySimulation(inTop, new Map(gear).set('A-camera', needing(minV)), rigs).run().gaps.filter(({ why }) => why === 'cannot-run');
    expect(gapsOf(11.5)).toEqual([]);
    expect(spoken(gapsOf(16.9))).toMatchObject([{ blockId: day.blocks[0]!.id, says: expect.stringMatching(/16\.9 V/) }]);
  }); // prettier-ignore

  it('says why a rig cannot run, as a gap', () => {
    const simulation = oneRig();
    const strange = new Map(simulation.gear).set('A-camera', { ...camera(20), draw: undefined } as never);
    const { gaps } = new DaySimulation(simulation.day, strange, simulation.rigs).run();
    expect(gaps.map(({ why }) => why)).toEqual(['cannot-run', 'cannot-run']);
    expect(spoken(gaps[0]!.says)).toMatch(/draw/i);
  });
});
