import { idShape, localId, unknown } from '../../gear';
import type { Named } from '../../rig/drawn';
import { choice, flag, number, object, optional, tagged, text } from '../../shape';
import type { Infer } from '../../shape';
import { whenShape } from './when';

const share = (title: string) => number(title, 'fraction', { max: 1 });
const watts = (title: string) => number(title, 'W', { above: 0, max: 2000 });
const energy = (title: string) => number(title, 'Wh', { above: 0, max: 5000 });
const lasted = number('It ran for', 'min', { above: 0, max: 43_200 });
const showed = {
  from: share('It showed at first'),
  to: share('It showed then'),
  step: share('One step of the indicator'),
  gauge: optional(choice('The indicator', { rounds: 'shows the nearest step', holds: 'holds a step until it is used up' })),
};

const dated = {
  at: whenShape,
  note: optional(text('Note', 500)),
  /** Looked at and put aside by a person; never by the program. */
  setAside: optional(flag('Set aside')),
  unknown,
};
const ofDevice = {
  deviceId: idShape,
  /** The usual one when absent. */
  modeId: optional(localId('Mode')),
  /** The rig that fed it: what its feed loses, and what else hung on the battery, follow from it. */
  rigId: optional(idShape),
  /** Lost on the way from the battery to the device, where somebody measured it; 0 for a battery in the device itself. */
  lostShare: optional(number('Lost on the way', 'fraction', { max: 0.9 })),
};
const fromBattery = { batteryId: idShape, temperatureC: optional(number('Temperature', 'C', { min: -40, max: 60 })) };

/** One thing that was observed, as it was: what it means is worked out anew each time. */
export const observationShape = tagged('Observation', 'kind', {
  /** From full to dead in one mode. */
  'run-down': { ...dated, ...ofDevice, ...fromBattery, minutes: lasted },
  /** From one reading of an indicator to another. */
  part: { ...dated, ...ofDevice, ...fromBattery, minutes: lasted, ...showed },
  /** Volts at rest before and after. */
  'two-point': {
    ...dated,
    ...ofDevice,
    ...fromBattery,
    minutes: lasted,
    fromV: number('Volts before', 'V', { above: 0, max: 100 }),
    toV: number('Volts after', 'V', { above: 0, max: 100 }),
  },
  /** What a charger put back afterwards. */
  'put-back': {
    ...dated,
    ...ofDevice,
    ...fromBattery,
    minutes: lasted,
    energyWh: energy('The charger put back'),
    chargerLoss: optional(share('Lost in charging')),
    /** Then it also tells what the battery holds. */
    fromEmpty: optional(flag('It had run from full to dead')),
  },
  /** A steady reading of a meter, typed or from a segment of its recording. */
  segment: {
    ...dated,
    ...ofDevice,
    meanW: watts('Mean'),
    spreadW: number('Spread', 'W', { max: 2000 }),
    seconds: number('It lasted', 's', { above: 0, max: 2_592_000 }),
    atBattery: optional(flag('The meter sat at the battery')),
    /** Which, where the rig has several. */
    batteryId: optional(idShape),
    peakW: optional(watts('Highest')),
    peakMs: optional(number('Length of peak', 'ms', { above: 0, max: 60_000 })),
  },
  /** Shots taken on an amount of charge. */
  shots: {
    ...dated,
    ...ofDevice,
    ...fromBattery,
    count: number('Shots', 'count', { min: 1, max: 1_000_000, integer: true }),
    minutes: lasted,
    ...showed,
  },
  /** A rig on set, from a charged battery to a swap or its death. */
  'set-run': {
    ...dated,
    rigId: idShape,
    ...fromBattery,
    minutes: lasted,
    ended: choice('It ended', { died: 'dead', swapped: 'swapped before it died' }),
    startCharge: optional(number('Charged to', 'fraction', { above: 0, max: 1 })),
  },
  /** What a full battery gave, measured. */
  capacity: { ...dated, ...fromBattery, energyWh: energy('It gave') },
});
export type Observation = Infer<typeof observationShape>;
export type ObservationKind = Observation['kind'];
export type ObservationOf<K extends ObservationKind> = Extract<Observation, { kind: K }>;
export type DrawObservation = Exclude<Observation, { kind: 'capacity' | 'shots' | 'set-run' }>;

/** What each kind is called where people choose one. */
export const OBSERVATION_KINDS: Readonly<Record<ObservationKind, string>> = {
  'run-down': 'Run-down, full to dead',
  part: 'Part test by indicator',
  'two-point': 'Volts at rest, before and after',
  'put-back': 'Watt-hours put back by a charger',
  'set-run': 'Swap or death on set',
  shots: 'Shots taken',
  capacity: 'Capacity test of a battery',
  segment: 'Meter reading',
};

/** An observation as it is kept in a plan's log. */
export const observationItemShape = object('Observation item', { id: idShape, body: observationShape });
export interface LogEntry {
  readonly id: string;
  readonly body: Observation;
}

/** Every item that an observation names. */
export function namedByObservation(observation: Observation): readonly Named[] {
  return namedByFields(observation);
}

const NAMING_FIELDS = { deviceId: 'gear', batteryId: 'gear', rigId: 'rigs' } as const;

/** What the fields that all kinds of observations and recordings share name, where they are filled. */
export function namedByFields(body: Partial<Record<keyof typeof NAMING_FIELDS, string>>): readonly Named[] {
  return (Object.keys(NAMING_FIELDS) as (keyof typeof NAMING_FIELDS)[]).flatMap((field) => {
    const id = body[field];
    return id === undefined ? [] : [{ path: `/${field}`, kind: NAMING_FIELDS[field], id }];
  });
}
