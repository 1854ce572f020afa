/**
 * Gear and rigs cross to a worker once: what it is told afterwards is what changed. A body that did not change keeps its
 * reference on the other side too, so that a worker knows what it need not work out again.
 */
type Bodies = ReadonlyMap<string, unknown>;

/** A map as it is told: what was put in it and what went, since the last time under that name. */
interface ToldMap {
  readonly told: string;
  /** Everything is told: what was kept before counts for nothing. */
  readonly anew: boolean;
  readonly put: readonly (readonly [string, unknown])[];
  readonly gone: readonly string[];
}

/** The page's side of one worker. */
export class TellsMaps {
  private readonly before = new Map<string, Bodies>();

  /** Arguments of a call as they are sent: maps, and maps in an object, become what changed in them. */
  args(call: string, args: readonly unknown[]): readonly unknown[] {
    return args.map((arg, place) => mapsReplaced(arg, isBodies, (map, field) => this.tell(map, field || `${call} ${place}`)));
  }

  /** After a call that may not have arrived: everything is told anew. */
  forget(): void {
    this.before.clear();
  }

  private tell(map: Bodies, told: string): ToldMap {
    const before = this.before.get(told);
    this.before.set(told, map);
    const put = [...map].filter(([id, body]) => before?.get(id) !== body);
    const gone = before ? [...before.keys()].filter((id) => !map.has(id)) : [];
    return { told, anew: before === undefined, put, gone };
  }
}

/** The worker's side. */
export class KeepsMaps {
  private readonly kept = new Map<string, Bodies>();

  args(args: readonly unknown[]): readonly unknown[] {
    return args.map((arg) => mapsReplaced(arg, isTold, (told) => this.keep(told)));
  }

  /** The same map where nothing changed. */
  private keep({ told, anew, put, gone }: ToldMap): Bodies {
    const before = anew ? undefined : this.kept.get(told);
    if (before && put.length === 0 && gone.length === 0) return before;
    const next = new Map([...(before ?? []), ...put]);
    for (const id of gone) next.delete(id);
    this.kept.set(told, next);
    return next;
  }
}

const isBodies = (value: unknown): value is Bodies => value instanceof Map;
const isTold = (value: unknown): value is ToldMap => typeof value === 'object' && value !== null && 'told' in value && 'anew' in value;

/** Replaces an argument, or the fields of a plain object, where they are what is looked for. */
function mapsReplaced<T>(arg: unknown, is: (value: unknown) => value is T, replace: (value: T, field: string) => unknown): unknown {
  if (is(arg)) return replace(arg, '');
  if (typeof arg !== 'object' || arg === null || Object.getPrototypeOf(arg) !== Object.prototype) return arg;
  return Object.fromEntries(Object.entries(arg).map(([field, value]) => [field, is(value) ? replace(value, field) : value]));
}
