import type { Day } from '../shape';
import { dailySpans } from './spans';
import type { Span } from './spans';

/** When somebody is at a place and can move batteries there; `undefined`: a place that is not said. */
export type Hands = (placeId?: string) => readonly Span[];

const ALWAYS: readonly Span[] = [{ fromMin: -Infinity, toMin: Infinity }];

/**
 * When batteries can be moved: in the hours given for a place, or for everywhere. Where no hours are given for a place, nor
 * for everywhere, those who travel with the rigs are there: whenever not every rig is in a block somewhere else.
 */
export function handsOf(day: Day): Hands {
  const known = new Map<string, readonly Span[]>();
  const given = day.hands ?? [];
  return (placeId = '') => {
    let spans = known.get(placeId);
    if (spans) return spans;
    const own = given.filter((one) => one.placeId === undefined || one.placeId === placeId);
    spans =
      own.length > 0
        ? joined(own.flatMap(({ from, to }) => dailySpans(day, from, to)))
        : given.length === 0
          ? ALWAYS
          : travellers(day, placeId);
    known.set(placeId, spans);
    return spans;
  };
}

/** Whether somebody can move a battery there at that minute. */
export function isThere(spans: readonly Span[], minute: number): boolean {
  for (const { fromMin, toMin } of spans) if (minute >= fromMin && minute < toMin) return true;
  return false;
}

/** The first minute from one on at which somebody is there; infinite where nobody comes any more. */
export function nextThere(spans: readonly Span[], minute: number): number {
  let next = Infinity;
  for (const { fromMin, toMin } of spans) if (toMin > minute) next = Math.min(next, Math.max(fromMin, minute));
  return next;
}

/** The last whole minute up to one at which somebody is there; -infinite where nobody was. */
export function lastThere(spans: readonly Span[], minute: number): number {
  let last = -Infinity;
  for (const { fromMin, toMin } of spans) if (fromMin <= minute) last = Math.max(last, Math.min(minute, Math.ceil(toMin) - 1));
  return last;
}

function travellers({ blocks, rigIds }: Day, placeId: string): readonly Span[] {
  const edges = [...new Set([-Infinity, ...blocks.flatMap(({ fromMin, toMin }) => [fromMin, toMin]), Infinity])].sort((a, b) => a - b);
  const spans: Span[] = [];
  for (let index = 0; index + 1 < edges.length; index++) {
    const [fromMin, toMin] = [edges[index]!, edges[index + 1]!];
    const away = (rigId: string): boolean =>
      blocks.some(
        (block) => block.rigId === rigId && block.fromMin <= fromMin && block.toMin >= toMin && (block.placeId ?? placeId) !== placeId,
      );
    if (rigIds.length === 0 || !rigIds.every(away)) spans.push({ fromMin, toMin });
  }
  return joined(spans);
}

function joined(spans: readonly Span[]): readonly Span[] {
  const result: Span[] = [];
  for (const span of [...spans].sort((a, b) => a.fromMin - b.fromMin)) {
    const last = result.at(-1);
    if (last && span.fromMin <= last.toMin) result[result.length - 1] = { ...last, toMin: Math.max(last.toMin, span.toMin) };
    else result.push(span);
  }
  return result;
}
