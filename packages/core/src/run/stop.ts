import { isKind } from '../rig/drawn';
import type { Part } from '../rig/drawn';
import { budgetFeed, endingLimit, portFeed } from '../rig/resolved';
import type { CurrentLimit, LoadDraw, SourceTree } from '../rig/resolved';
import type { Discharge } from './discharge';
import { stoppingPeak } from './first-stop';

/** What a battery still holds when something stops it. */
interface Left {
  readonly battery: string;
  readonly leftWh: number;
  readonly charge: number;
}

/** A limit that several ports keep together, or one whose figure nobody gave. */
interface OtherLimit {
  readonly maxA: number | undefined;
  readonly maxW: number | undefined;
  readonly by: 'budget' | 'unknown';
  readonly part: string;
  readonly port: string | undefined;
}

/** What stops a source's run first, and why; `words` tells it. */
export type Stop =
  | {
      readonly why: 'peak';
      readonly battery: string;
      readonly device: string;
      readonly peakW: number;
      readonly charge: number;
      readonly runsMin: number;
    }
  | { readonly why: 'goes-on' | 'empty' | 'collapse'; readonly source: string }
  | { readonly why: 'no-draw' }
  | { readonly why: 'will-not-start'; readonly place: string }
  | ({ readonly why: 'cutoff'; readonly cutoffV: number } & Left)
  | ({ readonly why: 'drops-out'; readonly place: string; readonly minV: number } & Left)
  | ({ readonly why: 'switches-off'; readonly device: string; readonly minV: number } & Left)
  | ({ readonly why: 'over-current'; readonly limit: CurrentLimit | OtherLimit } & Left)
  | { readonly why: 'after-swaps'; readonly swaps: number; readonly battery: string; readonly swapMin: number; readonly stopMin: number };

/** What ends a source's run. */
export function stopOf(tree: SourceTree, draws: ReadonlyMap<string, LoadDraw>, run: Discharge): Stop {
  const { source, connections, unlimited, battery } = tree;
  const { title: name } = source;
  const devices = connections.flatMap(({ to }) => (isKind(to, 'device') ? [to as Part] : []));
  const nameOf = (id: string): string =>
    (devices.find((one) => one.id === id) ?? devices.find((one) => id.startsWith(one.id)))?.title ?? name;
  const peak = stoppingPeak(run);
  if (peak) {
    const { loadId, fromSoc: charge } = peak;
    return { why: 'peak', battery: name, device: nameOf(loadId), peakW: draws.get(loadId)?.peakW ?? 0, charge, runsMin: run.minutes };
  }
  if (unlimited && run.cause === 'empty') return { why: 'goes-on', source: name };
  const left: Left = { battery: name, leftWh: run.strandedWh, charge: run.endSoc };
  const here = connections.find(({ id, to }) => id === run.at || to.id === run.at || run.at.startsWith(portFeed(to.id, '')));
  const place = here ? (isKind(here.to, 'device') ? `${here.input.name} of ${here.to.title}` : here.to.title) : name;
  const { minV = 0, startV } = here?.input.takes === 'window' ? here.input : {};
  switch (run.cause) {
    case 'pack-cutoff':
      return { why: 'cutoff', cutoffV: battery?.spec.cutoffV ?? 0, ...left };
    case 'converter-dropout':
      if (run.minutes === 0 && startV !== undefined) return { why: 'will-not-start', place };
      return { why: 'drops-out', place, minV, ...left };
    case 'load-undervoltage':
      return { why: 'switches-off', device: nameOf(run.at), minV, ...left };
    case 'over-current':
      return { why: 'over-current', limit: limitAt(tree, run), ...left };
    case 'empty':
    case 'collapse':
      return { why: run.cause, source: name };
    case 'no-draw':
      return { why: 'no-draw' };
  }
}

/** Whether a limit of a connection is what ended a run: it is all but reached there. */
export function isEndedBy(limit: CurrentLimit, run: Discharge, connectionId: string): boolean {
  const endA = run.end?.feeds.find(({ id }) => id === connectionId)?.currentA;
  return run.cause === 'over-current' && endA !== undefined && endA > limit.maxA * (1 - ALL_BUT_REACHED);
}
/** A limit is closed in on to far less than that. */
const ALL_BUT_REACHED = 1e-3;

/** The limit that is kept at a place of the circuit. */
function limitAt({ source, connections, figures }: SourceTree, run: Discharge): CurrentLimit | OtherLimit {
  const { at } = run;
  const none = { maxA: undefined, maxW: undefined, port: undefined };
  if (at === 'pack') {
    const maxA = figures?.maxA;
    return maxA === undefined
      ? { ...none, by: 'unknown', part: source.title }
      : { maxA, by: 'battery', past: 'trips', part: source.title, port: undefined };
  }
  // a converter at the end of a lead keeps the limit of what it gives itself
  const here = connections.filter(({ id, before }) => id === at || before?.id === at);
  const limit = here.map(({ id, limits }) => [id, endingLimit(limits)] as const).find(([id, one]) => one && isEndedBy(one, run, id));
  if (limit?.[1]) return limit[1];
  for (const part of [source as Part, ...connections.map(({ to }) => to)]) {
    const budget = part.budgets.find(({ id }) => budgetFeed(part.id, id) === at);
    if (budget) return { maxA: budget.maxA, maxW: budget.maxW, by: 'budget', part: part.title, port: budget.name };
  }
  const port = connections.find(({ from, output }) => at === portFeed(from.id, output.id));
  return { ...none, by: 'unknown', part: port?.from.title ?? source.title, port: port?.output.name };
}
