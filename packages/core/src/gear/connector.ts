import { choice, number, object, optional, text } from '../shape';
import type { Infer } from '../shape';

/**
 * How two things are joined. `family` tells apart what shares a name but not a form, such as camera battery bays; a
 * barrel is told apart by its diameters, and its polarity is checked apart from the fit, since both polarities fit.
 */
export const connectorShape = object('Connector', {
  type: choice('Connector', {
    bay: 'battery bay',
    'v-mount': 'V-mount',
    'three-stud': 'three-stud mount',
    'l-plate': 'L-series plate',
    'd-tap': 'D-tap',
    'usb-a': 'USB-A',
    'usb-c': 'USB-C',
    barrel: 'barrel plug',
    xlr4: '4-pin XLR',
    circular2: '2-pin circular',
    xt60: 'XT60',
    bare: 'bare terminals',
    poe: 'PoE (network cable)',
    mains: 'mains plug',
    vehicle: 'vehicle outlet',
  }),
  family: optional(text('Family', 60)),
  outerMm: optional(number('Outer diameter', 'mm', { above: 0, max: 20 })),
  innerMm: optional(number('Inner diameter', 'mm', { above: 0, max: 20 })),
  polarity: optional(
    choice('Polarity', {
      'centre-positive': 'centre positive',
      'centre-negative': 'centre negative',
      'as-marked': 'as marked, + to +',
      'pin-1-positive': 'pin 1 positive',
      'pin-1-negative': 'pin 1 negative',
    }),
  ),
  /** Where one form comes as both: two plugs do not meet, nor do two sockets. Keyed forms are told apart by their family. */
  gender: optional(choice('Plug or socket', { plug: 'plug', socket: 'socket' })),
});
export type Connector = Infer<typeof connectorShape>;

/** Connectors that come in forms that do not mate with one another, so that the family must be known. */
const NEEDS_FAMILY: ReadonlySet<Connector['type']> = new Set(['bay']);
/** Connectors that hold one thing on the other without a lead between. */
const MOUNTS: ReadonlySet<Connector['type']> = new Set(['bay', 'v-mount', 'three-stud', 'l-plate']);
/** Connectors whose two ends are sockets on most things, so that a cable joins them. */
const SOCKETS: ReadonlySet<Connector['type']> = new Set(['usb-a', 'usb-c', 'barrel', 'xlr4', 'circular2', 'poe']);
/** Sizes on barrels are printed to a tenth of a millimetre; 2.1 and 2.5 mm pins are different plugs. */
const SAME_MM = 0.15;

/**
 * Whether two connectors fit each other: `unknown` where family or size decides and one of them does not name it.
 *
 * @example mates({ type: 'bay', family: 'S' }, { type: 'bay', family: 'L' }) // 'no'
 */
export function mates(one: Connector, other: Connector): 'yes' | 'no' | 'unknown' {
  if (one.type !== other.type) return 'no';
  if (one.gender !== undefined && one.gender === other.gender) return 'no';
  if (one.type === 'barrel') return worse(sameSize(one.outerMm, other.outerMm), sameSize(one.innerMm, other.innerMm));
  if (one.family !== undefined && other.family !== undefined) return one.family === other.family ? 'yes' : 'no';
  return NEEDS_FAMILY.has(one.type) ? 'unknown' : 'yes';
}

/** Whether two ports of this connector are joined by a cable, unless one of them is on a lead of its own. */
export function isSocketed({ type }: Connector): boolean {
  return SOCKETS.has(type);
}

/**
 * Whether the joint holds the two together without a lead.
 *
 * @example isMount({ type: 'v-mount' }) // true
 */
export function isMount({ type }: Connector): boolean {
  return MOUNTS.has(type);
}

/**
 * `battery bay S`, `barrel plug 5.5 × 2.1 mm`, `D-tap`, `XT60 (socket)`.
 *
 * @example connectorName({ type: 'barrel', outerMm: 5.5, innerMm: 2.1 }) // 'barrel plug 5.5 × 2.1 mm'
 */
export function connectorName({ type, family, outerMm, innerMm, gender }: Connector): string {
  const name = connectorShape.fields.type.options[type];
  const size = outerMm === undefined ? '' : ` ${outerMm}${innerMm === undefined ? '' : ` × ${innerMm}`} mm`;
  return `${name}${family === undefined ? '' : ` ${family}`}${size}${gender === undefined ? '' : ` (${gender})`}`;
}

function sameSize(one: number | undefined, other: number | undefined): 'yes' | 'no' | 'unknown' {
  if (one === undefined || other === undefined) return 'unknown';
  return Math.abs(one - other) < SAME_MM ? 'yes' : 'no';
}

function worse(one: 'yes' | 'no' | 'unknown', other: 'yes' | 'no' | 'unknown'): 'yes' | 'no' | 'unknown' {
  if (one === 'no' || other === 'no') return 'no';
  return one === 'unknown' || other === 'unknown' ? 'unknown' : 'yes';
}
