import type { Block, Day } from '../day/shape';
import { demoId, GEAR } from './demo-id';
import { moreId } from './more-gear';

const WHEELHOUSE = demoId(107);
const DECK = demoId(103);
const GALLEY = demoId(108);
const BREAKWATER = demoId(109);
const STILLS = demoId(110);
const CINEMA = demoId(111);

let blocks = 0;
/** `from` and `to` as hours of the shooting day, the second of the plan: 7.5 is half past seven. */
const block = (rigId: string, kind: Block['kind'], name: string, from: number, to: number, more: Partial<Block> = {}): Block => ({
  id: demoId(5001 + blocks++),
  rigId,
  kind,
  name,
  fromMin: (24 + from) * 60,
  toMin: (24 + to) * 60,
  ...more,
});

/** From the evening before to the end of the second shooting day: out with the pilots, two interviews, the quay at dusk. */
export const LOW_WATER_DAY: { readonly id: string; readonly body: Day } = {
  id: demoId(4001),
  body: {
    name: 'Day 2, out with the pilots',
    date: '2026-01-12',
    days: 2,
    startsAt: 18 * 60,
    temperatureC: 0,
    chance: 0.95,
    rigIds: [WHEELHOUSE, DECK, GALLEY, BREAKWATER, STILLS, CINEMA],
    places: [
      { id: 'house', name: 'Guest house', power: 'mains', temperatureC: 19 },
      { id: 'hut', name: 'Quay hut', power: 'mains', powerTo: 22 * 60, temperatureC: 16 },
      { id: 'boat', name: 'Pilot boat', power: 'vehicle', outletW: 240, temperatureC: 4 },
      { id: 'breakwater', name: 'Breakwater', power: 'none', temperatureC: -6 },
    ],
    hands: [{ from: 6 * 60, to: 22.5 * 60 }],
    blocks: [
      block(WHEELHOUSE, 'travel', 'To the boat', 7, 7.5, { placeId: 'boat' }),
      block(WHEELHOUSE, 'record', 'Out with the pilots', 7.5, 11.5, { placeId: 'boat' }),
      block(WHEELHOUSE, 'meal', 'Soup on board', 11.5, 12.25, { placeId: 'boat' }),
      block(WHEELHOUSE, 'record', 'Coming alongside', 12.25, 13.25, { placeId: 'boat', uninterrupted: true }),
      block(WHEELHOUSE, 'record', 'The way home', 14, 15, { placeId: 'boat' }),
      block(DECK, 'record', 'Buoys, first light', 8, 9.75, { temperatureC: -5, placeId: 'boat' }),
      block(DECK, 'record', 'Buoys, afternoon', 13, 15, { temperatureC: -5, placeId: 'boat' }),
      block(GALLEY, 'record', 'Interview, harbour master', 10, 11.75, { placeId: 'hut', uninterrupted: true }),
      block(GALLEY, 'record', 'Interview, buoy tender', 15, 16.5, { placeId: 'hut', uninterrupted: true }),
      block(BREAKWATER, 'record', 'A frame a minute', 0, 24, { placeId: 'breakwater' }),
      block(STILLS, 'record', 'Stills, morning', 8, 12, { temperatureC: 0 }),
      block(STILLS, 'record', 'Stills, afternoon', 13, 17, { temperatureC: 0 }),
      block(CINEMA, 'record', 'The quay at dusk', 15.25, 16.5, { temperatureC: 4, placeId: 'hut' }),
    ],
    chargers: [
      { gearId: moreId('chargerV2'), placeId: 'house' },
      { gearId: moreId('chargerV1'), placeId: 'boat' },
      { gearId: moreId('chargerM4'), placeId: 'hut' },
      { gearId: moreId('chargerS2'), placeId: 'house' },
      { gearId: moreId('mainsUsbC'), placeId: 'hut' },
    ],
    cards: [
      {
        id: 'wheelhouse',
        rigId: WHEELHOUSE,
        deviceId: GEAR.wheelhouseCamera,
        count: 4,
        minutes: 128,
        slots: 2,
        copyMin: 35,
        copyPlaceId: 'house',
      },
    ],
    batteries: [
      { gearId: moreId('v2'), startCharge: 1 },
      { gearId: moreId('v3'), startCharge: 0.15 },
      { gearId: moreId('v5'), startCharge: 0.55 },
      { gearId: moreId('v6'), startCharge: 0.2 },
      { gearId: moreId('v7'), startCharge: 0 },
      { gearId: moreId('k1'), startCharge: 1 },
      { gearId: moreId('k2'), startCharge: 0.1 },
      { gearId: moreId('k4'), startCharge: 0.3 },
      { gearId: GEAR.k3, startCharge: 0.6 },
      { gearId: GEAR.bank5V, startCharge: 0.4 },
      { gearId: GEAR.bank45, startCharge: 1 },
      { gearId: moreId('bank100'), startCharge: 0.5 },
      { gearId: moreId('lead'), startCharge: 1 },
    ],
  },
};
