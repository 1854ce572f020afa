import { assessModel, backups, indicators, rigModel } from '../../../answer';
import { measuredOf } from '../../../bench/measured';
import type { SheetEntry } from '../../../bench/sheet';
import { clockAt } from '../../../day/model';
import { DaySimulation } from '../../../day/run';
import type { DayRun } from '../../../day/run';
import type { Day } from '../../../day/shape';
import type { Finding, FindingLevel, Verdict } from '../../../findings';
import { batteryFigures, gearTitle } from '../../../gear';
import type { Gear } from '../../../gear';
import { formatDate, formatDuration, formatQuantity } from '../../../quantity';
import type { Rig } from '../../../rig/drawn';
import { orderOfConnecting } from '../../../rig/resolved';
import { chargeNight } from '../../../travel/charge';
import { stateOf } from '../../../travel/trip';
import type { Person, Trip } from '../../../travel/trip';
import { tellAnswer } from '../answer/tell-answer';
import type { ToldAnswer } from '../answer/tell-answer';
import { tellIndicator } from '../answer/tell-model';
import { sayGap } from '../day/gap-words';
import { sayConnecting } from '../rig/connecting-words';
import { tellNight } from './night-words';
import type { ToldNight } from './night-words';

/** What a power sheet is made for: a day, with the trip that says who and where things lie; or rigs alone. */
export interface SheetOrder {
  readonly gear: ReadonlyMap<string, Gear>;
  readonly rigs: ReadonlyMap<string, Rig>;
  readonly day: Day | undefined;
  readonly trip: Trip | undefined;
  /** Those of the day when absent. */
  readonly rigIds?: readonly string[];
  /** What was measured on the bench: a stop there is one on the sheet. */
  readonly sheets?: readonly SheetEntry[];
}

/** One stop of a path, with the volts that leave it, or for a device what it takes. */
export interface PathStop {
  readonly name: string;
  readonly volts: string | undefined;
  readonly isDevice: boolean;
  /** In volts, for a drawing; undefined where they are not known. */
  readonly lowV: number | undefined;
  readonly highV: number | undefined;
}

export interface RigPage {
  readonly rigId: string;
  readonly title: string;
  readonly verdict: Verdict;
  /** `Runs 3 h 10 min with the reserve kept`. */
  readonly runs: string;
  readonly stop: string | undefined;
  readonly paths: readonly { readonly device: string; readonly takesOver: boolean; readonly stops: readonly PathStop[] }[];
  /** When to do what, by the clock. */
  readonly changes: readonly { readonly at: string; readonly says: string }[];
  readonly gauges: readonly { readonly where: string; readonly believe: string; readonly why: string }[];
  /** What stands behind what, and what to do when something dies. */
  readonly fallbacks: readonly { readonly when: string; readonly then: string }[];
  readonly findings: readonly { readonly verdict: FindingLevel; readonly says: string; readonly remedy: string | undefined }[];
  readonly connecting: readonly string[];
}

export interface SheetBattery {
  readonly title: string;
  readonly holds: string;
  readonly charge: string;
  readonly where: string;
  readonly goesInto: string;
}

/** A sheet for the crew: everything on it in words, in the order in which it is read. */
export interface PowerSheet {
  readonly title: string;
  /** `Mon 12 January 2026`; undefined for rigs alone. */
  readonly when: string | undefined;
  readonly rigs: readonly RigPage[];
  readonly batteries: readonly SheetBattery[];
  readonly charging: ToldNight | undefined;
  readonly cautions: readonly string[];
  readonly people: readonly Person[];
}

const BELIEVE = { yes: 'believe it', roughly: 'roughly', no: 'do not believe it', unknown: 'not known' } as const;
const MOST_FINDINGS = 5;

/**
 * The power sheet of a day, or of rigs: energy paths with volts and minutes, when to change what, which gauge to believe,
 * what to do when something dies, where each battery is, what charges when, cautions, who to ask.
 *
 * Cost: each rig assessed once, its backups twice, the day run once.
 *
 * @example powerSheet({ gear: new Map(), rigs: new Map(), day: undefined, trip: undefined }).rigs // []
 */
export function powerSheet({ gear, rigs, day, trip, rigIds, sheets = [] }: SheetOrder): PowerSheet {
  const measured = measuredOf(rigs, gear, sheets);
  const ids = (rigIds ?? day?.rigIds ?? [...rigs.keys()]).filter((id) => rigs.has(id));
  const run = day && new DaySimulation(day, gear, rigs, undefined, measured).run();
  const charging = day && (day.chargers ?? []).length > 0 ? tellNight(chargeNight(day, gear, rigs)) : undefined;
  const pages = ids.map((id) => rigPage(id, { rig: rigs.get(id)!, measured: measured.get(id) }, gear, day, run));
  const cautions = [
    'Measure before power: volts and polarity at every joint, before anything is connected.',
    'Batteries off the rig for transport, terminals covered.',
    ...ids.flatMap((id) => toldOf(rigs.get(id)!, gear).cautions),
    ...(charging?.cautions ?? []),
    'Makers’ instructions, local rules and licensed people come first.',
  ];
  return {
    title: day?.name ?? (pages.length === 1 ? pages[0]!.title : 'Rigs'),
    when: day && `${formatDate(day.date)}${day.days > 1 ? `, ${day.days} days` : ''}`,
    rigs: pages,
    batteries: batteryRows(ids, gear, rigs, day, trip, run),
    charging,
    cautions: [...new Set(cautions)],
    people: trip?.people ?? [],
  };
}

function toldOf(rig: Rig, gear: ReadonlyMap<string, Gear>): ToldAnswer {
  return tellAnswer(assessModel(rigModel(rig, gear, { tracePoints: 0 })));
}

function rigPage(
  rigId: string,
  { rig, measured }: { readonly rig: Rig; readonly measured: readonly Finding[] | undefined },
  gear: ReadonlyMap<string, Gear>,
  day: Day | undefined,
  run: DayRun | undefined,
): RigPage {
  const model = rigModel(rig, gear, { tracePoints: 60, measured });
  const answer = tellAnswer(assessModel(model));
  const told = answer.findings.filter(({ verdict }) => verdict !== 'good');
  return {
    rigId,
    title: rig.name,
    verdict: answer.verdict,
    runs: [darkOf(rigId, run), runsOf(answer)].filter((one) => one !== '').join(' '),
    stop: answer.stop,
    paths: answer.tracks.map(({ device, first, stations }) => ({
      device,
      takesOver: !first,
      stops: stations
        .filter(({ kind }) => kind !== 'lead')
        .map(({ name, kind, lowV, highV }): PathStop => ({ name, volts: voltsOf(lowV, highV), isDevice: kind === 'device', lowV, highV })),
    })),
    changes: day && run ? changesOf(rigId, day, run, gear) : [],
    gauges: indicators(model)
      .map(tellIndicator)
      .map(({ where, believable, why }) => ({ where, believe: BELIEVE[believable], why })),
    fallbacks: fallbacksOf(rig, gear, answer),
    findings: told.slice(0, MOST_FINDINGS).map(({ verdict, sentence, remedy }) => ({ verdict, says: sentence, remedy })),
    // nobody is told how to connect what must not be
    connecting: answer.verdict === 'stop' ? [] : orderOfConnecting(model.resolved).map(sayConnecting),
  };
}

function voltsOf(lowV: number | undefined, highV: number | undefined): string | undefined {
  if (highV === undefined) return undefined;
  return lowV === undefined || Math.abs(highV - lowV) < 0.05
    ? formatQuantity(highV, 'V')
    : `${formatQuantity(lowV, 'V')} to ${formatQuantity(highV, 'V')}`;
}

function runsOf({ plannedMin, firstStopMin, unlimited, beyondMin, verdict }: ToldAnswer): string {
  if (verdict === 'stop') return 'Do not power it like this.';
  if (unlimited) return 'As long as the mains is on.';
  if (beyondMin !== undefined) return `Longer than ${formatDuration(beyondMin)}.`;
  if (plannedMin === undefined) return 'How long it runs is not known.';
  const stop = firstStopMin === undefined ? '' : `, first stop after ${formatDuration(firstStopMin)}`;
  return `Plan with ${formatDuration(plannedMin)}, reserve kept${stop}.`;
}

/** Minutes of the day without power, where there are any: what the rig does by itself is then not what it does that day. */
function darkOf(rigId: string, run: DayRun | undefined): string {
  const minutes = (run?.gaps ?? [])
    .filter((gap) => gap.rigId === rigId && gap.why !== 'change')
    .reduce((sum, gap) => sum + gap.toMin - gap.fromMin, 0);
  return minutes < 1 ? '' : `On this day without power for ${formatDuration(minutes)}. By itself:`;
}

/** When a battery goes in, comes off its charger, or there is no power: in the order of the clock. */
function changesOf(rigId: string, day: Day, run: DayRun, gear: ReadonlyMap<string, Gear>): RigPage['changes'] {
  const title = (id: string): string => (gear.has(id) ? gearTitle(gear.get(id)!) : 'a battery that is gone');
  const own = run.seated.filter((one) => one.rigId === rigId);
  const acts = [
    ...own.map(({ atMin, batteryId, first }) => {
      const stay = run.stays.find((one) => one.rigId === rigId && one.batteryId === batteryId && one.toMin > atMin);
      const charge = stay
        ? `, ${Math.round(100 * stay.fromCharge)} % full, ${Math.round(100 * stay.toCharge)} % left at ${clock(day, stay.toMin)}`
        : '';
      return { minute: atMin, says: `${first ? 'Starts with' : 'Put in'} ${title(batteryId)}${charge}.` };
    }),
    ...run.gaps
      .filter((gap) => gap.rigId === rigId && gap.why !== 'change')
      .map(({ fromMin, toMin, says }) => ({ minute: fromMin, says: `No power until ${clock(day, toMin)}: ${sayGap(says)}` })),
  ].sort((a, b) => a.minute - b.minute);
  return acts.map(({ minute, says }) => ({ at: clock(day, minute), says }));
}

function clock(day: Day, minute: number): string {
  const { time, weekday } = clockAt(day, minute);
  return day.days > 1 ? `${weekday.split(' ')[0]} ${time}` : time;
}

function fallbacksOf(rig: Rig, gear: ReadonlyMap<string, Gear>, { failures }: ToldAnswer): RigPage['fallbacks'] {
  const behind = backups(rig, gear).map(({ device, first, then, takeover, aloneMin, endless }) => {
    const cut = takeover === 'cut' ? ', after a cut' : takeover === 'seamless' ? ', without a cut' : '';
    const lasts = endless ? ', as long as its supply stands' : aloneMin === undefined ? '' : `, for ${formatDuration(aloneMin)}`;
    return { when: `${first} dies`, then: `${device} goes on from ${then}${lasts}${cut}.` };
  });
  const spares = (rig.batteries ?? []).flatMap(({ gearId, spareIds = [] }) => {
    const names = spareIds.flatMap((id) => (gear.has(id) ? [gearTitle(gear.get(id)!)] : []));
    return names.length === 0 || !gear.has(gearId)
      ? []
      : [{ when: `${gearTitle(gear.get(gearId)!)} is empty`, then: `Put in ${names.join(', then ')}.` }];
  });
  const fatal = failures
    .filter(({ stops }) => stops.length > 0)
    .map(({ part, stops }) => ({ when: `${part} fails`, then: `${stops.join(', ')} ${stops.length === 1 ? 'stops' : 'stop'}.` }));
  return [...behind, ...spares, ...fatal];
}

/** Every battery of the rigs and the day: what it holds, how full it is, where it is, where it goes. */
function batteryRows(
  rigIds: readonly string[],
  gear: ReadonlyMap<string, Gear>,
  rigs: ReadonlyMap<string, Rig>,
  day: Day | undefined,
  trip: Trip | undefined,
  run: DayRun | undefined,
): readonly SheetBattery[] {
  const goes = new Map<string, Set<string>>();
  const add = (id: string, rig: string | undefined): void => {
    const known = goes.get(id) ?? new Set();
    if (rig !== undefined) known.add(rig);
    goes.set(id, known);
  };
  for (const id of rigIds) {
    const { name, links, batteries = [] } = rigs.get(id)!;
    for (const { from } of links) add(from.gearId, name);
    for (const { spareIds = [] } of batteries) for (const spare of spareIds) add(spare, name);
  }
  for (const { gearId } of day?.batteries ?? []) add(gearId, undefined);
  for (const { batteryId, rigId } of run?.stays ?? []) add(batteryId, rigs.get(rigId)?.name);
  return [...goes].flatMap(([id, names]): SheetBattery[] => {
    const battery = gear.get(id);
    if (battery?.kind !== 'battery') return [];
    const { energyWh } = batteryFigures(battery);
    const charge = day?.batteries?.find(({ gearId }) => gearId === id)?.startCharge ?? battery.charge;
    const bagId = trip && stateOf(trip, id).bagId;
    return [
      {
        title: gearTitle(battery),
        holds: energyWh === undefined ? 'Wh not entered' : formatQuantity(energyWh, 'Wh'),
        charge: charge === undefined ? 'not entered' : `${Math.round(100 * charge)} %`,
        where: trip?.bags?.find((bag) => bag.id === bagId)?.name ?? battery.where ?? 'not entered',
        goesInto: names.size === 0 ? 'spare' : [...names].join(', '),
      },
    ];
  });
}
