import type { Battery, Device } from '../../src/gear/gear';
import type { Rig } from '../../src/rig/drawn/rig';
import { byUsb, direct, swapped } from '../hazard-rigs';
import { bank, build, camera, dummy, pack, plainBank, usbCamera, usbWire } from '../rig-builder';
import type { Built } from '../rig-builder';
import type { Trial } from './trial';

const A_TO_C = usbWire({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-c' } } });
const gear = (changes: Partial<Battery>): Built => direct(pack(changes));
const recording = (changes: Partial<Device>, rig: Partial<Rig> = {}): Built =>
  direct(pack(), camera(changes, 10), { wantedMin: 60, ...rig });
const feature = (silently: boolean): Built =>
  byUsb(plainBank(3), usbCamera(5, {}, { features: [{ name: 'phantom power', needs: { minV: 9 }, silently }] }), A_TO_C);
const mounted = (device: Partial<Device>, mount: object, massG = 400): Built =>
  build(
    { pack: pack({ massG }), adapter: dummy({ massG: 50 }), camera: usbCamera(8, {}, { massG: 800, ...device }) },
    [
      ['pack.out', 'adapter.in'],
      ['adapter.out', 'camera.bay'],
    ],
    { mounts: [{ gearId: 'pack', place: 'behind', ...mount } as never] },
  );
const standing = (balance: object, massG = 400): Built =>
  build({ pack: pack({ massG }), camera: camera({ massG: 1000 }) }, [['pack.out', 'camera.in']], {
    balance: {
      support: 'tripod',
      footFrontMm: 200,
      footBackMm: 200,
      plateHeightMm: 1200,
      payloadG: 2000,
      places: [
        { gearId: 'camera', alongMm: 0, heightMm: 60 },
        { gearId: 'pack', alongMm: -80, heightMm: 60 },
      ],
      ...balance,
    } as never,
  });
const covers = (place: 'behind' | 'top', what: 'thread' | 'screen') => ({ covered: [{ place, what }] });

/** Fields of what is around the feed: state of the gear, modes and takes, where things sit, how long it must run. */
export const WORD_TRIALS: readonly Trial[] = [
  ['gear.away', gear({}), gear({ away: 'broken' })],
  ['gear.archived', gear({}), gear({ archived: true })],
  ['gear.harmed.what', gear({}), gear({ harmed: [{ what: 'swollen' }] })],
  ['gear.harmed.sound', gear({ harmed: [{ what: 'wet', sound: true }] }), gear({ harmed: [{ what: 'wet' }] })],
  ['gear.borrowed.out.damaged', gear({ borrowed: { how: 'rented', from: 'Hire', out: { on: '2026-01-10' } } }), gear({ borrowed: { how: 'rented', from: 'Hire', out: { on: '2026-01-10', damaged: true } } })],
  ...(['charge', 'temperature', 'make'] as const).map((what): Trial => [`gear.changedByHand.unseen.${what}`, gear({}), gear({ changedByHand: [{ at: '2026-01-10', what: 'a contact taped over', unseen: { [what]: true } }] })]),
  ['gear.massG', standing({}, 400), standing({}, 1100)],
  ['device.limits.takeMin', recording({ limits: { takeMin: 61 } }), recording({ limits: { takeMin: 29 } })],
  ['device.limits.hotMin', recording({ limits: { hotMin: 61 } }), recording({ limits: { hotMin: 40 } })],
  ['device.limits.hotFromC', recording({ limits: { hotMin: 40, hotFromC: 30 } }, { temperatureC: 25 }), recording({ limits: { hotMin: 40, hotFromC: 25 } }, { temperatureC: 25 })],
  ['device.features.silently', byUsb(bank(), usbCamera(5, {}, { features: [{ name: 'phantom power', needs: { minV: 8.9 }, silently: true }] })), feature(true)],
  ['device.covered.place', mounted(covers('top', 'screen'), {}), mounted(covers('behind', 'screen'), {})],
  ['device.covered.what', mounted({}, {}), mounted(covers('behind', 'thread'), {})],
  ['device.carries.place', mounted({ carries: [{ place: 'top', maxG: 100 }] }, {}), mounted({ carries: [{ place: 'behind', maxG: 100 }] }, {})],
  ['device.carries.maxG', mounted({ carries: [{ place: 'behind', maxG: 500 }] }, {}), mounted({ carries: [{ place: 'behind', maxG: 300 }] }, {})],
  ['hub.bufferS', swapped(60, 1), swapped(50, 1)],
  ['rig.mounts.place', mounted(covers('behind', 'screen'), { place: 'top' }), mounted(covers('behind', 'screen'), {})],
  ['rig.mounts.hinged', mounted(covers('behind', 'screen'), { hinged: true }), mounted(covers('behind', 'screen'), {})],
  ['rig.wantedMin', direct(pack(), camera(), { wantedMin: 300 }), direct(pack(), camera(), { wantedMin: 900 })],
  ['rig.reserve', direct(pack(), camera(), { wantedMin: 500, reserve: 0.1 }), direct(pack(), camera(), { wantedMin: 500, reserve: 0.3 })],
  ['rig.swapMin', swapped(60, 1), swapped(60, 2)],
  ['rig.balance.support', standing({ support: 'stabiliser', footFrontMm: 20, places: [{ gearId: 'camera', alongMm: 150, heightMm: 60 }, { gearId: 'pack', alongMm: 0, heightMm: 60 }] }), standing({ footFrontMm: 20, places: [{ gearId: 'camera', alongMm: 150, heightMm: 60 }, { gearId: 'pack', alongMm: 0, heightMm: 60 }] })],
  ['rig.balance.payloadG', standing({ support: 'stabiliser', payloadG: 2000 }), standing({ support: 'stabiliser', payloadG: 1300 })],
  ['rig.balance.footFrontMm', standing({ places: [{ gearId: 'camera', alongMm: 150, heightMm: 60 }, { gearId: 'pack', alongMm: 0, heightMm: 60 }] }), standing({ footFrontMm: 50, places: [{ gearId: 'camera', alongMm: 150, heightMm: 60 }, { gearId: 'pack', alongMm: 0, heightMm: 60 }] })],
  ['rig.balance.footBackMm', standing({ places: [{ gearId: 'camera', alongMm: -150, heightMm: 60 }, { gearId: 'pack', alongMm: 0, heightMm: 60 }] }), standing({ footBackMm: 50, places: [{ gearId: 'camera', alongMm: -150, heightMm: 60 }, { gearId: 'pack', alongMm: 0, heightMm: 60 }] })],
  ['rig.balance.places.alongMm', standing({}), standing({ places: [{ gearId: 'camera', alongMm: 400, heightMm: 60 }, { gearId: 'pack', alongMm: 0, heightMm: 60 }] })],
  ['rig.balance.places.elsewhere', standing({ places: [{ gearId: 'camera', alongMm: 0, heightMm: 60 }, { gearId: 'pack', alongMm: -1500, heightMm: 60, elsewhere: true }] }), standing({ places: [{ gearId: 'camera', alongMm: 0, heightMm: 60 }, { gearId: 'pack', alongMm: -1500, heightMm: 60 }] })],
]; // prettier-ignore
