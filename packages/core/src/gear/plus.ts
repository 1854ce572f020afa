import type { Connector } from './connector';

/** Where plus is on a connector: on the first of its two contacts (pin 1, the centre), on the second, as marked, or against the marks. */
export type Plus = 'first' | 'second' | 'marked' | 'against-marks';

const SAID: Readonly<Record<NonNullable<Connector['polarity']>, Plus>> = {
  'centre-positive': 'first',
  'centre-negative': 'second',
  'pin-1-positive': 'first',
  'pin-1-negative': 'second',
  'as-marked': 'marked',
};
/**
 * Where it is usual on what does not say; on a barrel, bare ends and two-pin plugs it differs, and is never assumed.
 * Judgement, 2026, after the makers' drawings of each kind.
 */
const USUAL: Readonly<Record<Connector['type'], Plus | undefined>> = {
  xlr4: 'second',
  bay: 'marked',
  'v-mount': 'marked',
  'three-stud': 'marked',
  'l-plate': 'marked',
  'd-tap': 'marked',
  xt60: 'marked',
  'usb-a': 'marked',
  'usb-c': 'marked',
  poe: 'marked',
  mains: 'marked',
  vehicle: 'marked',
  barrel: undefined,
  bare: undefined,
  circular2: undefined,
};
const TURNED: Readonly<Record<Plus, Plus>> = { first: 'second', second: 'first', marked: 'against-marks', 'against-marks': 'marked' };

/**
 * Where plus is on a connector, by what it says, or else as is usual; undefined where it differs and nobody says.
 *
 * @example plusOn({ type: 'xlr4' }) // 'second'
 */
export function plusOn({ type, polarity }: Connector): Plus | undefined {
  if (polarity === undefined) return USUAL[type];
  return polarity === 'as-marked' ? (USUAL[type] ?? 'marked') : SAID[polarity];
}

/** Whether a connector has a usual place for plus, so that one that does not say may be taken for that. */
function isKeyed({ type }: Connector): boolean {
  return USUAL[type] !== undefined;
}

/** Whether wire between two of them hands contact to contact, wherever plus is: plugs that go together in one way only. */
export function isContactToContact(connector: Connector): boolean {
  return isKeyed(connector) || connector.type === 'circular2';
}

/**
 * Whether plus meets plus; unknown where one side is, or where one counts contacts and the other goes by marks.
 *
 * @example plusMeets('first', 'second') // 'reversed'
 */
export function plusMeets(one: Plus | undefined, other: Plus | undefined): 'same' | 'reversed' | 'unknown' {
  if (one === undefined || other === undefined) return 'unknown';
  if (one === other) return 'same';
  return TURNED[one] === other ? 'reversed' : 'unknown';
}

/**
 * Where plus comes out of two ends that are joined by wire, when it goes in at `given`. Between two of a kind a plain lead
 * hands contact to contact and a crossed one swaps them; what the ends say of themselves goes before that.
 *
 * @example handedOnPlus('first', { near: { type: 'xlr4' }, far: { type: 'xlr4' }, crossed: true }) // 'second'
 */
export function handedOnPlus(
  given: Plus | undefined,
  { near, far, crossed = false }: { readonly near: Connector; readonly far: Connector; readonly crossed?: boolean | undefined },
): Plus | undefined {
  if (given === undefined) return undefined;
  const follows = (plus: Plus | undefined, isTurned: boolean): Plus | undefined => (plus && isTurned ? TURNED[plus] : plus);
  if (near.type === far.type && far.polarity === undefined) return isContactToContact(near) ? follows(given, crossed) : undefined;
  const met = plusMeets(given, plusOn(near));
  if (met === 'unknown') return undefined;
  // ends of a kind that say opposite things are the crossed lead already
  const isSaidCrossed = near.type === far.type && plusMeets(plusOn(near), plusOn(far)) === 'reversed';
  return follows(plusOn(far), (met === 'reversed') !== (crossed && !isSaidCrossed));
}
