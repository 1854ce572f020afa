import { sayBuild } from '../src/words/en/bench/build-words';
import { sayCorrection } from '../src/words/en/bench/correction-words';
import { saySize } from '../src/words/en/bench/size-words';
import { sayTap } from '../src/words/en/bench/tap-words';
import { sayCharging } from '../src/words/en/day/charging-words';
import { sayGap } from '../src/words/en/day/gap-words';
import { sayPlan } from '../src/words/en/day/plan-words';
import { sayFeed } from '../src/words/en/feed/feed-words';
import { sayPurchase } from '../src/words/en/feed/purchase-words';
import { sayLabelled } from '../src/words/en/gear/label-words';
import { sayLearning } from '../src/words/en/measure/learning-words';
import { sayFly } from '../src/words/en/travel/fly-words';
import { sayNight } from '../src/words/en/travel/night-words';
import { sayTripFlight } from '../src/words/en/travel/trip-flight-words';
import { sayUnattended } from '../src/words/en/unattended/unattended-words';

type Sayer = (said: never) => string;
const SAYERS: readonly Sayer[] = [
  sayBuild,
  sayCorrection,
  saySize,
  sayTap,
  sayCharging,
  sayGap,
  sayPlan,
  sayFeed,
  sayLabelled,
  sayLearning,
  sayNight,
  sayFly,
  sayTripFlight,
  sayUnattended,
];

/**
 * A value with everything said in it as its sentence, lists of them joined: what a test reads as a person would. Codes of
 * different rooms are told apart by whose words have them.
 */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- specs read of it what they know to be there
export function spoken(value: unknown): any {
  if (Array.isArray(value)) {
    const all: unknown[] = value.map(spoken);
    return value.length > 0 && value.every(isSaid) ? all.join(' ') : all;
  }
  if (typeof value !== 'object' || value === null || ArrayBuffer.isView(value)) return value;
  if (isSaid(value)) return say(value);
  if ('is' in value && (value.is === 'first' || value.is === 'better') && 'runs' in value) return sayPurchase(value as never);
  if (value instanceof Map) return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, spoken(one)]));
}

function isSaid(value: unknown): value is { readonly code: string; readonly numbers: object } {
  return typeof value === 'object' && value !== null && 'code' in value && 'numbers' in value && Object.keys(value).length === 2;
}

function say(said: { readonly code: string }): string {
  for (const sayer of SAYERS) {
    try {
      return sayer(said as never);
    } catch {
      // another room's code
    }
  }
  throw new Error(`Nobody says ${said.code}.`);
}
