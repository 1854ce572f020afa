import { choice, object, optional, text } from '../shape/shape';
import type { Infer } from '../shape/shape';

/** How two things are joined. `family` tells apart what shares a name but not a form, such as camera battery bays. */
export const connectorShape = object('Connector', {
  type: choice('Connector', {
    bay: 'battery bay',
    'v-mount': 'V-mount',
    'd-tap': 'D-tap',
    'usb-a': 'USB-A',
    'usb-c': 'USB-C',
  }),
  family: optional(text('Family', 60)),
});
export type Connector = Infer<typeof connectorShape>;

/** Connectors that come in forms that do not mate with one another, so that the family must be known. */
const NEEDS_FAMILY: ReadonlySet<Connector['type']> = new Set(['bay']);

/**
 * Whether two connectors fit each other: `unknown` where the family decides and one of them does not name it.
 *
 * @example mates({ type: 'bay', family: 'S' }, { type: 'bay', family: 'L' }) // 'no'
 */
export function mates(one: Connector, other: Connector): 'yes' | 'no' | 'unknown' {
  if (one.type !== other.type) return 'no';
  if (one.family !== undefined && other.family !== undefined) return one.family === other.family ? 'yes' : 'no';
  return NEEDS_FAMILY.has(one.type) ? 'unknown' : 'yes';
}

/** `battery bay S`, `D-tap`. */
export function connectorName({ type, family }: Connector): string {
  const name = connectorShape.fields.type.options[type];
  return family === undefined ? name : `${name} ${family}`;
}
