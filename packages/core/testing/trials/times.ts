import type { Battery, Device, Hub } from '../../src/gear/gear';
import type { Rig } from '../../src/rig/drawn/rig';
import { bank, build, camera, dummy, pack, splitter, usbCamera, usbWire } from '../rig-builder';
import type { Built } from '../rig-builder';
import type { Trial } from './trial';

const on = (battery: Partial<Battery> = {}, changes: Partial<Rig> = {}): Built =>
  build({ pack: pack(battery), camera: camera() }, [['pack.out', 'camera.in']], changes);
const drawing = (draw: Device['draw']): Built => build({ pack: pack(), camera: camera({ draw }) }, [['pack.out', 'camera.in']]);
const { energyWh: _energyWh, ...unlabelled } = pack();
const ofCells = (cells: Partial<Battery>): Built =>
  build({ pack: { ...unlabelled, ...cells }, camera: camera() }, [['pack.out', 'camera.in']]);
const adapted = (changes: Parameters<typeof dummy>[0], device: Device = usbCamera(10)): Built =>
  build({ pack: pack(), adapter: dummy(changes), camera: device }, [
    ['pack.out', 'adapter.in'],
    ['adapter.out', 'camera.bay'],
  ]);
const metered = (draw: object): Built =>
  adapted(
    {},
    usbCamera(10, {}, { draw: { basis: 'meter', voltageV: 14.4, currentA: 0.8, at: 'battery', lostShare: 0.1, ...draw } as never }),
  );
const ranDown = (draw: object): Built => drawing({ basis: 'run-down', energyWh: 95, minutes: 500, ...draw } as never);
const shooting = (draw: object): Built => drawing({ basis: 'shots', shotJ: 60, standbyW: 3, shotsPerHour: 200, ...draw } as never);
const counted = (draw: object): Built =>
  drawing({ basis: 'shots-a-charge', shots: 400, energyWh: 15, standbyW: 1, shotsPerHour: 200, countedPerHour: 120, ...draw } as never);
const framed = (draw: object): Built => drawing({ basis: 'frames', awakeW: 6, awakeS: 4, sleepW: 0.8, everyS: 30, ...draw } as never);
const onBank = (port: Parameters<typeof bank>[0], device: Device = usbCamera(10), own?: Battery): Built =>
  build({ bank: bank(port), cable: usbWire(), camera: device, ...(own && { own }) }, [
    ['bank.out', 'camera.usb', 'cable'],
    ...(own ? [['own.out', 'camera.bay'] as const] : []),
  ]);
const plain = (port: object): Built =>
  build(
    {
      bank: {
        ...bank(),
        outputs: [
          {
            gives: 'fixed',
            id: 'out',
            name: 'Out',
            connector: { type: 'd-tap' },
            voltageV: 12,
            maxA: 5,
            efficiency: 0.9,
            standbyW: 0.1,
            ...port,
          },
        ],
      },
      camera: camera(),
    },
    [['bank.out', 'camera.in']],
  );
const plated = (changes: Partial<Hub>): Built =>
  build({ pack: pack(), plate: splitter(1, { form: 'plate', ...changes }), camera: camera() }, [
    ['pack.out', 'plate.in'],
    ['plate.p1', 'camera.in'],
  ]);
const phases = (changes: Partial<Rig>, scale = 0.2): Built =>
  on(
    {},
    {
      phases: [
        { minutes: 60, devices: [{ gearId: 'camera', mode: 'usual', scale: 1 }] },
        { minutes: 60, devices: [{ gearId: 'camera', mode: 'usual', scale }] },
      ],
      repeatPhases: 'again',
      ...changes,
    },
  );

/** A contract of 15 W, of which half the time 20 W are wanted: the battery built in is filled meanwhile, or not. */
const recharged = (input: object): Built => {
  const { rig, gear } = onBank({ ratingW: 15 }, usbCamera(10, { sink: 'mixes', ...input }, { builtIn: { energyWh: 6, cellsInSeries: 2 } }));
  return {
    gear,
    rig: {
      ...rig,
      phases: [
        { minutes: 30, devices: [{ gearId: 'camera', mode: 'usual', scale: 2 }] },
        { minutes: 30, devices: [{ gearId: 'camera', mode: 'usual', scale: 0.2 }] },
      ],
      repeatPhases: 'again',
    },
  };
};

/** Fields that change how long a rig runs: the longer first. */
export const TIME_TRIALS: readonly Trial[] = [
  ['battery.energyWh', on({ energyWh: 95 }), on({ energyWh: 94 })],
  ['battery.years', on({ years: 1 }), on({ years: 2 })],
  ['battery.cycles', on({ cycles: 10 }), on({ cycles: 60 })],
  ['battery.cellsInParallel', ofCells({ cell: { capacityAh: 3 }, cellsInParallel: 3 }), ofCells({ cell: { capacityAh: 3 }, cellsInParallel: 2 })],
  ['battery.cell.capacityAh', ofCells({ cell: { capacityAh: 3.03 }, cellsInParallel: 2 }), ofCells({ cell: { capacityAh: 3 }, cellsInParallel: 2 })],
  ['output.fixed.efficiency', plain({ efficiency: 0.909 }), plain({ efficiency: 0.9 })],
  ['output.fixed.standbyW', plain({ standbyW: 0.1 }), plain({ standbyW: 0.2 })],
  ['output.pd.efficiency', onBank({ efficiency: 0.909 }), onBank({ efficiency: 0.9 })],
  ['output.pd.standbyW', onBank({ standbyW: 0.1 }), onBank({ standbyW: 0.2 })],
  ['input.pd.chargeW', recharged({ chargeW: 6 }), recharged({})],
  ['draw.maker.powerW', drawing({ basis: 'maker', powerW: 10 }), drawing({ basis: 'maker', powerW: 10.1 })],
  ['draw.learnt.powerW', drawing({ basis: 'learnt', powerW: 10, spread: 0.05, how: 'tests' }), drawing({ basis: 'learnt', powerW: 10.1, spread: 0.05, how: 'tests' })],
  ['draw.meter.voltageV', metered({}), metered({ voltageV: 14.6 })],
  ['draw.meter.currentA', metered({}), metered({ currentA: 0.81 })],
  ['draw.meter.at', metered({}), metered({ at: 'device' })],
  ['draw.meter.lostShare', metered({ lostShare: 0.12 }), metered({})],
  ['draw.run-down.energyWh', ranDown({}), ranDown({ energyWh: 96 })],
  ['draw.run-down.minutes', ranDown({ minutes: 505 }), ranDown({})],
  ['draw.run-down.lostShare', ranDown({ lostShare: 0.1 }), ranDown({ lostShare: 0.05 })],
  ['draw.run-down.temperatureC', ranDown({ temperatureC: 0 }), ranDown({ temperatureC: 25 })],
  ['draw.run-down.givenWh', ranDown({ givenWh: 85 }), ranDown({ givenWh: 90 })],
  ['draw.shots.shotJ', shooting({}), shooting({ shotJ: 66 })],
  ['draw.shots.standbyW', shooting({}), shooting({ standbyW: 3.2 })],
  ['draw.shots.shotsPerHour', shooting({}), shooting({ shotsPerHour: 220 })],
  ['draw.shots-a-charge.shots', counted({ shots: 420 }), counted({})],
  ['draw.shots-a-charge.energyWh', counted({}), counted({ energyWh: 16 })],
  ['draw.shots-a-charge.standbyW', counted({ standbyW: 1.5 }), counted({ standbyW: 1 })],
  ['draw.shots-a-charge.shotsPerHour', counted({}), counted({ shotsPerHour: 220 })],
  ['draw.shots-a-charge.countedPerHour', counted({ countedPerHour: 100 }), counted({})],
  ['draw.frames.awakeW', framed({}), framed({ awakeW: 6.3 })],
  ['draw.frames.awakeS', framed({}), framed({ awakeS: 4.4 })],
  ['draw.frames.sleepW', framed({}), framed({ sleepW: 0.9 })],
  ['draw.frames.everyS', framed({ everyS: 33 }), framed({})],
  ['adapter.efficiency', adapted({ efficiency: 0.909 }), adapted({})],
  ['adapter.standbyW', adapted({}), adapted({ standbyW: 0.2 })],
  ['hub.standbyW', plated({ standbyW: 0.1 }), plated({ standbyW: 0.2 })],
  ['rig.devices.scale', on({}, { devices: [{ gearId: 'camera', scale: 1 }] }), on({}, { devices: [{ gearId: 'camera', scale: 1.01 }] })],
  ['rig.batteries.startCharge', on({}, { batteries: [{ gearId: 'pack', startCharge: 0.9 }] }), on({}, { batteries: [{ gearId: 'pack', startCharge: 0.89 }] })],
  ['rig.batteries.temperatureC', on({}, { batteries: [{ gearId: 'pack', temperatureC: 20 }] }), on({}, { batteries: [{ gearId: 'pack', temperatureC: 5 }] })],
  ['rig.phases.minutes', phases({}), phases({ phases: [{ minutes: 80, devices: [{ gearId: 'camera', mode: 'usual', scale: 1 }] }, { minutes: 60, devices: [{ gearId: 'camera', mode: 'usual', scale: 0.2 }] }] })],
  ['rig.phases.devices.scale', phases({}), phases({}, 0.3)],
  ['rig.repeatPhases', phases({ repeatPhases: 'stay' }), phases({})],
  ['rig.temperatureC', on({}, { temperatureC: 20 }), on({}, { temperatureC: 5 })],
  ['rig.startCharge', on({}, { startCharge: 0.9 }), on({}, { startCharge: 0.89 })],
]; // prettier-ignore
