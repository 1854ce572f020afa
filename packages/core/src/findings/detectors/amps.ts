import { isBare } from '../../gear';
import { labelAh } from '../../physics/cell';
import { inOwnBay, isKind, roleOf } from '../../rig/drawn';
import type { Part } from '../../rig/drawn';
import { budgetFeed, endingLimit, portBudget } from '../../rig/resolved';
import type { Connection, LoadDraw, SourceTree } from '../../rig/resolved';
import { isEndedBy, networkOf, runUntil } from '../../run';
import type { Discharge } from '../../run';
import { BANK_LEAST_A, isAbove, PACK_LIMIT_C, RATING_MARGIN, ROUNDING } from '../../tables';
import type { Finding } from '../facts';
import { finding } from '../finding';
import { endVerdict, feedPoint, mostCurrent } from '../points';
import { lacking } from './lacking';
import { guardFindings } from './wires-and-fuses';

/** Above this a linear regulator needs a heat sink and a switching converter is advised. */
const MUCH_HEAT_W = 2;

/** Current in every lead, port, budget and part at every state of charge; fuses, wire, heat; collapse. */
export function currentFindings(tree: SourceTree, draws: ReadonlyMap<string, LoadDraw>, run: Discharge | undefined): readonly Finding[] {
  const guards = guardFindings(tree, run);
  if (run === undefined) return guards;
  if (run.cause === 'collapse') return [collapse(tree, run), ...guards];
  return [
    ...tree.connections.flatMap((one) => [...leadFindings(tree, draws, one, run), ...ratingFindings(one, run), ...heatFindings(one, run)]),
    ...packFindings(tree, run),
    ...packLimitFindings(tree, run),
    ...bankFindings(tree, run),
    ...budgetFindings(tree, run),
    ...guards,
  ];
}

function collapse({ source, connections }: SourceTree, run: Discharge): Finding {
  const loads = connections.filter(({ to }) => isKind(to, 'device')).map(({ to }) => to.title);
  const place = { aspect: 'current', role: roleOf(source), gearId: source.id, part: source.title } as const;
  const facts = { source: source.title, loads, afterMin: run.minutes };
  return finding('collapse', endVerdict(run), place, facts);
}

/** The limit that ends the run, and those that end nothing when they are passed: wire and plugs get hot, a rating is left. */
function leadFindings(tree: SourceTree, draws: ReadonlyMap<string, LoadDraw>, connection: Connection, run: Discharge): Finding[] {
  const { id, from, to, limits, leeway } = connection;
  const [start, end] = [run.start, run.end].map((point) => feedPoint(point, id));
  const [least] = limits;
  if (!least || !start || !end) return [];
  const place = { aspect: 'current', role: roleOf(from), gearId: from.id, connectionId: id, part: from.title } as const;
  const flow = { startA: start.currentA, endA: end.currentA };
  const ending = endingLimit(limits);
  const passed = limits.flatMap((limit): Finding[] => {
    const within = Math.max(ROUNDING, leeway.share);
    const isLittle = limit.past === 'rating' && !isAbove(Math.max(flow.startA, flow.endA), limit.maxA, RATING_MARGIN);
    if (isAbove(flow.startA, limit.maxA, within))
      return [finding('over-current', isLittle ? 'caution' : 'stop', place, { at: 'lead', to: to.title, ...flow, limit })];
    const late = (until: Discharge): Finding => {
      const arrivesV = feedPoint(until.end, id)?.inputV ?? end.inputV;
      const level = endingLimit([limit]) ? endVerdict(until) : isLittle ? 'caution' : 'stop';
      return finding('over-current-late', level, place, { at: 'lead', to: to.title, ...flow, limit, afterMin: until.minutes, arrivesV });
    };
    if (limit === ending) return isEndedBy(limit, run, id) ? [late(run)] : [];
    if (endingLimit([limit]) || !isAbove(flow.endA, limit.maxA, within)) return [];
    const network = networkOf(tree, draws);
    return network ? [late(runUntil(tree, network, connection, limit.maxA * (1 + within)))] : [];
  });
  // the first that is passed is told, once
  const [first] = passed;
  return [first ?? finding('current-fits', 'good', place, { ...flow, limit: least })];
}

function packFindings({ source, figures }: SourceTree, run: Discharge): Finding[] {
  if (run.cause !== 'over-current' || run.at !== 'pack' || !isKind(source, 'battery')) return [];
  const { title: battery } = source;
  const place = { aspect: 'current', role: 'battery', gearId: source.id, part: battery } as const;
  const bare = isBare(source.gear);
  const facts = { at: 'battery', battery, maxA: figures?.maxA ?? 0, isBare: bare } as const;
  if (run.minutes === 0) return [finding('over-current', 'stop', place, facts)];
  return [finding('over-current-late', bare ? 'stop' : endVerdict(run), place, { ...facts, afterMin: run.minutes })];
}

/** More than a pack of its kind surely gives, while nobody says what it may give: no limit is known, not none. */
function packLimitFindings({ source, battery, connections }: SourceTree, run: Discharge): Finding[] {
  if (!isKind(source, 'battery') || !battery || battery.spec.maxA !== undefined) return [];
  // what leaves a bank by its ports is limited there
  if (source.gear.form === 'bank' || connections.every(({ output }) => output.gives !== 'pack')) return [];
  const { low, typical, high } = PACK_LIMIT_C[source.gear.chemistry];
  const ratedAh = labelAh(battery.spec);
  const currentA = Math.max(run.start?.packA ?? 0, run.end?.packA ?? 0);
  // a device and the battery made for its bay are made for each other
  const surelyC = connections.every(inOwnBay) ? typical : low;
  if (currentA <= surelyC * ratedAh) return [];
  const place = { aspect: 'current', role: 'battery', gearId: source.id, part: source.title } as const;
  const facts = { battery: source.title, currentA, usualA: typical * ratedAh, lowA: low * ratedAh, highA: high * ratedAh };
  return [finding('pack-limit-unknown', 'unknown', place, facts)];
}

/** Below this a bank that does not say may take its port for empty. */
const SMALL_DRAW_A = 0.1;

/** A bank that takes a small draw for nobody there and switches itself off. */
function bankFindings({ source, connections }: SourceTree, run: Discharge): Finding[] {
  if (!isKind(source, 'battery') || source.gear.leastA === 0) return [];
  const {
    title: bank,
    gear: { leastA: saidA, form },
  } = source;
  if (saidA === undefined && form !== 'bank') return [];
  const ports = connections.filter(({ before, converter }) => before === undefined && converter !== undefined);
  const currentA = ports.reduce((sum, { id }) => sum + (feedPoint(run.start, id)?.currentA ?? 0), 0);
  if (ports.length === 0 || currentA >= (saidA ?? SMALL_DRAW_A)) return [];
  const loads = ports.map(({ to }) => to.title);
  const place = { aspect: 'current', role: 'battery', gearId: source.id, part: bank } as const;
  const { low, high } = BANK_LEAST_A;
  const facts = { bank, loads, currentA, leastA: saidA, lowA: low, highA: high };
  return [finding('bank-switches-off', saidA === undefined ? 'unknown' : 'stop', place, facts)];
}

/** Limits that several ports keep together. */
function budgetFindings({ connections, source }: SourceTree, run: Discharge): Finding[] {
  if (run.cause !== 'over-current') return [];
  const parts = new Map<string, Part>([[source.id, source], ...connections.map(({ to }): [string, Part] => [to.id, to])]);
  return [...parts.values()].flatMap((part) =>
    limitsOf(part)
      .filter(({ at }) => at === run.at)
      .map(({ name: budget, maxA, maxW }) => {
        const { title: of } = part;
        const takenA = feedPoint(run.end ?? run.start, run.at)?.currentA ?? 0;
        const place = { aspect: 'current', role: roleOf(part), gearId: part.id, part: of } as const;
        const facts = { of, budget, maxA, maxW, takenA, afterMin: run.minutes };
        return finding('budget-passed', endVerdict(run), place, facts);
      }),
  );
}

interface SharedLimit {
  readonly at: string;
  readonly name: string;
  readonly maxA?: number | undefined;
  readonly maxW?: number | undefined;
}

/** What several ports of a part keep together, and the watts of a port by itself. */
function limitsOf({ id, budgets, outputs }: Part): readonly SharedLimit[] {
  const shared = budgets.map((budget): SharedLimit => ({ ...budget, at: budgetFeed(id, budget.id) }));
  const own = outputs.flatMap((port): readonly SharedLimit[] =>
    port.gives === 'pack' && port.maxW !== undefined ? [{ at: portBudget(id, port.id), name: port.name, maxW: port.maxW }] : [],
  );
  return [...shared, ...own];
}

/** The watts that go through a part that is rated in watts. */
function ratingFindings({ id, from, to, supply }: Connection, run: Discharge): Finding[] {
  if (!isKind(from, 'adapter') || from.gear.ratedW === undefined || !supply) return [];
  const wantedW = mostCurrent(run, id) * supply.highV;
  const { ratedW } = from.gear;
  return !isAbove(wantedW, ratedW) ? [] : [overloaded(from, id, { load: to.title, wantedW, ratedW, atPeaks: false })];
}

interface Overload {
  readonly load: string;
  readonly wantedW: number;
  readonly ratedW: number;
  readonly atPeaks: boolean;
}

function overloaded(adapter: Part, connectionId: string, overload: Overload): Finding {
  const { title: name } = adapter;
  const place = { aspect: 'current', role: 'adapter', gearId: adapter.id, connectionId, part: name } as const;
  return finding('adapter-overloaded', overload.atPeaks ? 'caution' : 'stop', place, { adapter: name, ...overload });
}

/** An adapter whose rating nobody knows, and peaks above a known one: they do not need a run. */
export function adapterFindings({ connections }: SourceTree, draws: ReadonlyMap<string, LoadDraw>): readonly Finding[] {
  return connections.flatMap(({ id, from, to }): Finding[] => {
    if (!isKind(from, 'adapter') || from.gear.output.passThrough || from.gear.input.triggerV !== undefined) return [];
    const { ratedW: rated, output } = from.gear;
    const ratedW = rated ?? (output.maxA !== undefined && output.voltageV !== undefined ? output.maxA * output.voltageV : undefined);
    if (ratedW === undefined) return [lacking('rated-power', from, id)];
    const { powerW = 0, peakW = 0 } = draws.get(to.id) ?? {};
    if (!isAbove(peakW, ratedW) || isAbove(powerW, ratedW)) return [];
    return [overloaded(from, id, { load: to.title, wantedW: peakW, ratedW, atPeaks: true })];
  });
}

function heatFindings({ id, from, supply, before }: Connection, run: Discharge): Finding[] {
  if (!isKind(from, 'adapter') || !from.gear.linear || !supply || !before) return [];
  // hottest where the input stands highest: at the start, or while the battery behind it is charged
  const inV = Math.max(feedPoint(run.start, before.id)?.inputV ?? 0, before.supply?.chargingV ?? 0);
  const currentA = feedPoint(run.start, id)?.currentA ?? 0;
  const heatW = (inV - supply.highV) * currentA;
  if (heatW <= MUCH_HEAT_W) return [];
  const { title: adapter } = from;
  const place = { aspect: 'current', role: 'adapter', gearId: from.id, connectionId: id, part: adapter } as const;
  return [finding('regulator-hot', 'caution', place, { adapter, inV, outV: supply.highV, currentA, heatW })];
}
