import { idShape, localId, mountPlaceShape, unknown } from '../../gear';
import { choice, flag, list, number, object, optional, record, text } from '../../shape';
import type { Infer } from '../../shape';
import { balanceShape } from './balance-shape';
import { styleShape } from './style';
import { unattendedShape } from './unattended-shape';

/** Share of the run that the planner does not spend, when the rig does not say. */
export const DEFAULT_RESERVE = 0.1;
/** Minutes without power that a cold swap takes, when the rig does not say. */
export const DEFAULT_SWAP_MIN = 1;

const portRef = (title: string) => object(title, { gearId: idShape, portId: localId('Port') });
const temperature = number('Temperature of the battery', 'C', { min: -40, max: 60 });
const charge = number('Charge at the start', 'fraction', { above: 0, max: 1 });
/** Turned up or down against its figure: brightness. */
const scale = number('Share of its draw', 'fraction', { max: 3 });

/** One joint of the way from sources to devices: an output, maybe a cable, an input. */
export const linkShape = object('Link', {
  from: portRef('From'),
  to: portRef('To'),
  cableId: optional(idShape),
});
export type Link = Infer<typeof linkShape>;

/** A part of the rig's day in which every device stays in one mode. */
export const phaseShape = object('Phase', {
  name: optional(text('Name', 60)),
  minutes: number('Length', 'min', { above: 0, max: 43_200 }),
  /** Devices not named stay in the mode the rig gives them. */
  devices: list(
    'Devices',
    object('Device in this phase', { gearId: idShape, mode: localId('Mode, “usual” or “off”'), scale: optional(scale) }),
    { max: 40 },
  ),
});
export type RigPhase = Infer<typeof phaseShape>;

/** Devices, and how each is fed. The gear itself is named by its identifiers. */
export const rigShape = object('Rig', {
  name: text('Name', 120),
  unknown,
  note: optional(text('Note', 2000)),
  style: optional(styleShape),
  devices: list(
    'Devices',
    object('Device in the rig', {
      gearId: idShape,
      /** One of its modes; the usual one when absent. */
      modeId: optional(localId('Mode')),
      scale: optional(scale),
      /** Ports that a control or data cable takes. */
      busyPorts: optional(list('Ports taken by control or data', localId('Port'), { max: 8 })),
    }),
    { min: 1, max: 40 },
  ),
  links: list('Links', linkShape, { max: 120 }),
  batteries: optional(
    list(
      'State of batteries',
      object('State of a battery', {
        gearId: idShape,
        startCharge: optional(charge),
        temperatureC: optional(temperature),
        /** On a charger or a panel at the same time: everything on it stands at the charging voltage. */
        charging: optional(flag('Charged while it feeds')),
        /** Those that take its place one after the other. */
        spareIds: optional(list('Spares', idShape, { max: 20 })),
      }),
      { max: 60 },
    ),
  ),
  /** Where parts sit on a device, as far as somebody said. */
  mounts: optional(
    list(
      'Where things sit',
      object('Where a part sits', {
        gearId: idShape,
        /** The device it sits on; the first of the rig when absent. */
        onId: optional(idShape),
        place: mountPlaceShape,
        hinged: optional(flag('Folds away on a hinge')),
      }),
      { max: 60 },
    ),
  ),
  phases: optional(list('Phases', phaseShape, { min: 1, max: 200 })),
  repeatPhases: optional(choice('After the last phase', { again: 'from the first again', stay: 'the last goes on' })),
  wantedMin: optional(number('Must run', 'min', { above: 0, max: 43_200 })),
  temperatureC: optional(temperature),
  startCharge: optional(charge),
  reserve: optional(number('Reserve', 'fraction', { max: 0.9 })),
  swapMin: optional(number('A swap takes', 'min', { max: 60 })),
  /** What feeds are weighed by where it differs from the style's own, by criterion. */
  weights: optional(record('Weights', number('Points', 'points', { max: 1000 }), 30)),
  balance: optional(balanceShape),
  /** Where it runs unattended: for how long, with what sun. */
  unattended: optional(unattendedShape),
});
export type Rig = Infer<typeof rigShape>;

/**
 * Every piece of gear that a rig names, once each, in the order of first mention: devices, the way, spares.
 *
 * @example gearIdsOf(rig).length // 3
 */
export function gearIdsOf(rig: Rig): readonly string[] {
  const ids = [
    ...rig.devices.map(({ gearId }) => gearId),
    ...rig.links.flatMap(({ from, to, cableId }) => [from.gearId, ...(cableId === undefined ? [] : [cableId]), to.gearId]),
    ...(rig.batteries ?? []).flatMap(({ gearId, spareIds = [] }) => [gearId, ...spareIds]),
  ];
  return [...new Set(ids)];
}

/** A place in an item that names another one. */
export interface Named {
  /** JSON pointer to the identifier, within the body. */
  readonly path: string;
  readonly kind: 'gear' | 'rigs' | 'days' | 'rules';
  readonly id: string;
}

/** Every place in a rig that names a piece of gear. */
export function namedByRig({ devices, links, batteries = [] }: Rig): readonly Named[] {
  const gear = (path: string, id: string): Named => ({ path, kind: 'gear', id });
  return [
    ...devices.map(({ gearId }, index) => gear(`/devices/${index}/gearId`, gearId)),
    ...links.flatMap(({ from, to, cableId }, index) => [
      gear(`/links/${index}/from/gearId`, from.gearId),
      gear(`/links/${index}/to/gearId`, to.gearId),
      ...(cableId === undefined ? [] : [gear(`/links/${index}/cableId`, cableId)]),
    ]),
    ...batteries.flatMap(({ gearId, spareIds = [] }, index) => [
      gear(`/batteries/${index}/gearId`, gearId),
      ...spareIds.map((id, place) => gear(`/batteries/${index}/spareIds/${place}`, id)),
    ]),
  ];
}
