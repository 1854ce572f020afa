import { USUAL_FLIGHT_RULES } from '../travel/rules';
import type { FlightRules } from '../travel/rules';
import { OWN_TEMPLATES } from '../travel/trip';
import type { Trip } from '../travel/trip';
import { demoId } from './demo-id';
import { LOW_WATER_DAY } from './low-water-day';

const SKARN_AIR = demoId(8001);

/** A small carrier, stricter than the usual rules: small cabins, and banks stay off. */
export const LOW_WATER_RULES: readonly { readonly id: string; readonly body: FlightRules }[] = [
  {
    id: SKARN_AIR,
    body: {
      ...USUAL_FLIGHT_RULES,
      carrier: 'Skarn Air',
      asOf: '2026-01',
      source: 'Conditions of carriage, section 8, as sent with the tickets',
      spares: 15,
      banks: 2,
      banksUnused: true,
      cabinG: 8000,
    },
  },
];

const own = Object.entries(OWN_TEMPLATES).flatMap(([key, { items }]) => (key === 'cold' ? [] : items));

/** Out to the island and home again: four people, a small plane, two cases in its hold, a crate on the supply boat. */
export const LOW_WATER_TRIPS: readonly { readonly id: string; readonly body: Trip }[] = [
  {
    id: demoId(9001),
    body: {
      name: 'Out to Skarnholm',
      dayIds: [LOW_WATER_DAY.id],
      people: [
        { id: 'ine', name: 'Ine', contact: 'power and batteries, radio channel 2' },
        { id: 'tobb', name: 'Tobb', contact: 'camera, radio channel 1' },
        { id: 'maren', name: 'Maren' },
        { id: 'siv', name: 'Siv' },
      ],
      legs: [
        { id: 'out', name: 'Commuter flight to Skarnholm', by: 'air', on: '2026-01-11', rulesId: SKARN_AIR },
        { id: 'boat', name: 'Pilot boat to the quay', by: 'boat', on: '2026-01-11' },
        { id: 'home', name: 'Commuter flight home', by: 'air', on: '2026-01-17', rulesId: SKARN_AIR },
      ],
      bags: [
        { id: 'ine-bag', name: 'Ine’s cabin bag', goes: 'cabin', personId: 'ine', ownG: 1400 },
        { id: 'tobb-bag', name: 'Tobb’s cabin bag', goes: 'cabin', personId: 'tobb', ownG: 1400 },
        { id: 'maren-bag', name: 'Maren’s cabin bag', goes: 'cabin', personId: 'maren', ownG: 1200 },
        { id: 'siv-bag', name: 'Siv’s cabin bag', goes: 'cabin', personId: 'siv', ownG: 1200 },
        { id: 'case-a', name: 'Case A', goes: 'hold', ownG: 5200, mostG: 23_000 },
        { id: 'case-b', name: 'Case B', goes: 'hold', ownG: 5200, mostG: 23_000 },
        { id: 'crate', name: 'Crate on the supply boat', goes: 'freight', ownG: 6000, mostG: 40_000 },
      ],
      own: own.map((item, at) => ({ ...item, id: `own-${at + 1}` })),
    },
  },
];
