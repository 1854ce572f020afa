import type { Answer, RunRange } from '@viaggio/core/answer';
import type { Gear } from '@viaggio/core/gear';

/** A battery's turn on the bar. */
export interface Turn {
  readonly fromMin: number;
  readonly toMin: number;
  readonly name: string;
}

/** What the bar of an answer shows, all in minutes from its left end. */
export interface TimeScale {
  readonly endMin: number;
  readonly stopMin: number;
  readonly plannedMin: number;
  /** The batteries of the source that stops first, as they take turns; one alone is a single turn. */
  readonly turns: readonly Turn[];
  readonly range: { readonly lowMin: number; readonly highMin: number } | undefined;
  readonly wantedMin: number | undefined;
}

/** Room to the right of whatever lies farthest out. */
const ROOM = 1.04;

/** The bar of an answer; undefined where there is no time, or no end of it. Batteries are named by their tags, from `parts`. */
export function timeScale(
  answer: Answer,
  range: RunRange | undefined,
  wantedMin: number | undefined,
  parts: ReadonlyMap<string, Gear>,
): TimeScale | undefined {
  const { firstStopMin, plannedMin, unlimited, beyondMin, timeline, sources, run } = answer;
  if (unlimited || beyondMin !== undefined || firstStopMin === undefined || plannedMin === undefined) return undefined;
  const source = sources.find((one) => one.run === run);
  const nameOf = (id: string): string => parts.get(id)?.tag ?? parts.get(id)?.name ?? '';
  const swaps = (timeline?.events ?? []).filter(
    ({ kind, id, minute }) => kind === 'swap' && id === source?.sourceId && minute < firstStopMin,
  );
  const starts = [
    { minute: 0, name: (source && nameOf(source.sourceId)) || (source?.name ?? '') },
    ...swaps.map(({ minute, by }) => ({ minute, name: by === undefined ? '' : nameOf(by) })),
  ];
  const turns = starts.map(({ minute, name }, at) => ({ fromMin: minute, toMin: starts[at + 1]?.minute ?? firstStopMin, name }));
  const [lowMin, highMin] = [range?.p10Min, range?.p90Min];
  const farthest = Math.max(firstStopMin, highMin ?? 0, wantedMin ?? 0);
  return {
    endMin: farthest * ROOM,
    stopMin: firstStopMin,
    plannedMin,
    turns,
    range: lowMin !== undefined && highMin !== undefined ? { lowMin, highMin } : undefined,
    wantedMin,
  };
}
