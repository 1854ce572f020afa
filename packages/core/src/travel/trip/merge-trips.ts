import { isSameValue } from '../../shape';
import type { Trip } from './trip-shape';

type Value = unknown;
type Plain = Readonly<Record<string, Value>>;

/**
 * What two people made of one trip, put together: each change counts, since ticks, bags and people are told apart by their
 * identifiers. Undefined where both changed one and the same thing differently: a person decides.
 *
 * @param base the state that both began with
 */
export function mergeTrips(base: Trip, mine: Trip, theirs: Trip): Trip | undefined {
  const merged = mergeValues(base, mine, theirs);
  return merged.is === 'merged' ? (merged.value as Trip) : undefined;
}

type Merged = { readonly is: 'merged'; readonly value: Value } | { readonly is: 'clash' };

const CLASH: Merged = { is: 'clash' };
const merged = (value: Value): Merged => ({ is: 'merged', value });

function mergeValues(base: Value, mine: Value, theirs: Value): Merged {
  if (isSameValue(mine, theirs) || isSameValue(base, theirs)) return merged(mine);
  if (isSameValue(base, mine)) return merged(theirs);
  if (isList(mine) && isList(theirs)) return mergeLists(isList(base) ? base : [], mine, theirs);
  if (isPlain(mine) && isPlain(theirs)) return mergeFields(isPlain(base) ? base : {}, mine, theirs);
  return CLASH;
}

function mergeFields(base: Plain, mine: Plain, theirs: Plain): Merged {
  const result: Record<string, Value> = {};
  for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
    const one = mergeValues(base[key], mine[key], theirs[key]);
    if (one.is === 'clash') return CLASH;
    if (one.value !== undefined) result[key] = one.value;
  }
  return merged(result);
}

/** In the order of mine, what only they have behind it. */
function mergeLists(base: readonly Value[], mine: readonly Value[], theirs: readonly Value[]): Merged {
  if (![...base, ...mine, ...theirs].every((one) => keyOf(one) !== undefined)) return CLASH;
  const by = (list: readonly Value[]): ReadonlyMap<string, Value> => new Map(list.map((one) => [keyOf(one)!, one]));
  const [was, own, other] = [by(base), by(mine), by(theirs)];
  const result: Value[] = [];
  for (const key of new Set([...own.keys(), ...other.keys()])) {
    const one = mergeValues(was.get(key), own.get(key), other.get(key));
    if (one.is === 'clash') return CLASH;
    if (one.value !== undefined) result.push(one.value);
  }
  return merged(result);
}

/** An identifier, or an object that has one. */
function keyOf(value: Value): string | undefined {
  if (typeof value === 'string') return value;
  const id = isPlain(value) ? value['id'] : undefined;
  return typeof id === 'string' ? id : undefined;
}

function isList(value: Value): value is readonly Value[] {
  return Array.isArray(value);
}

function isPlain(value: Value): value is Plain {
  return typeof value === 'object' && value !== null;
}
