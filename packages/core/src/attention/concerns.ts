import { assess } from '../answer';
import type { Answer } from '../answer';
import { sheetOfRig, standingOf } from '../bench/joints';
import type { CheckedStep, CheckStanding } from '../bench/joints';
import { measuredOf } from '../bench/measured';
import type { SheetEntry } from '../bench/sheet';
import { chargingList, DaySimulation } from '../day/run';
import type { ChargingList, DayRun, GapSaid } from '../day/run';
import { blockTitle } from '../day/shape';
import type { Day } from '../day/shape';
import type { Finding, Verdict } from '../findings';
import { batteryFigures, gearTitle } from '../gear';
import type { Battery, Gear, Provenance } from '../gear';
import { mayFly, whyNotAtHand } from '../gear/kit';
import type { Log } from '../measure/feed-loss';
import { healthHistory } from '../measure/learning';
import type { HealthHistory } from '../measure/learning';
import { gearIdsOf } from '../rig/drawn';
import type { Rig } from '../rig/drawn';
import { FULL_SHARE } from '../tables';

/** Something that a person should do before the day, the act named by its code. */
export type Concern =
  /** It must not be connected, or does not start. */
  | { readonly is: 'cannot-run'; readonly rigId: string; readonly rig: string; readonly finding: Finding }
  /** A figure is missing without which it cannot be judged: what is not known is never well. */
  | { readonly is: 'cannot-tell'; readonly rigId: string; readonly rig: string; readonly finding: Finding }
  /** Measured before power, and it says stop: nothing behind that joint may be connected. */
  | { readonly is: 'check-stopped'; readonly rigId: string; readonly rig: string; readonly checked: CheckedStep }
  /** It was measured before power, and has changed since. */
  | { readonly is: 'check-again'; readonly rigId: string; readonly rig: string; readonly joints: number }
  /** It stops before the time that is asked for. */
  | { readonly is: 'too-short'; readonly rigId: string; readonly rig: string; readonly plannedMin: number; readonly wantedMin: number }
  /** Blocks of the day go dark in one of its rigs. */
  | {
      readonly is: 'goes-dark';
      readonly dayId: string;
      readonly rig: string;
      readonly blocks: readonly string[];
      readonly minutes: number;
      readonly gap: GapSaid;
    }
  /** A battery that feeds one of the rigs is known not to be full. */
  | { readonly is: 'charge'; readonly gearId: string; readonly battery: string; readonly charge: number; readonly rigs: readonly string[] }
  /** A draw that nobody measured; `powerW` undefined where it is not known at all. */
  | {
      readonly is: 'measure';
      readonly gearId: string;
      readonly device: string;
      readonly powerW: number | undefined;
      readonly from: Exclude<Provenance, 'measured'> | undefined;
    }
  /** Batteries that may not fly, only when the carrier agrees, or of which it cannot be told. */
  | {
      readonly is: 'fly';
      readonly flight: 'no' | 'approval' | 'unknown';
      readonly batteries: readonly { readonly gearId: string; readonly battery: string; readonly printedWh: number | undefined }[];
    }
  /** What it holds is below the share at which one is usually retired, or soon will be. */
  | {
      readonly is: 'retire';
      readonly gearId: string;
      readonly battery: string;
      readonly when: 'now' | 'soon';
      readonly history: HealthHistory;
    };

/** A rig as it stands: its own answer. */
export interface RigStanding {
  readonly rigId: string;
  readonly rig: Rig;
  readonly answer: Answer;
  /** Its check before power. */
  readonly check: CheckStanding;
}

/** What is to be looked at today. */
export interface Attention {
  /** The most harmful first. */
  readonly concerns: readonly Concern[];
  readonly rigs: readonly RigStanding[];
  /** How the day goes; undefined where none is given. */
  readonly run: DayRun | undefined;
  readonly charging: ChargingList | undefined;
}

export interface AttentionTo {
  /** Those that are looked at: of the day, or all of one's own. */
  readonly rigs: ReadonlyMap<string, Rig>;
  readonly gear: ReadonlyMap<string, Gear>;
  readonly day: { readonly id: string; readonly day: Day } | undefined;
  readonly log: Log;
  /** What was measured on the bench. */
  readonly sheets?: readonly SheetEntry[];
  /** An ISO date. */
  readonly today: string;
}

const ORDER: readonly Concern['is'][] = [
  'cannot-run',
  'check-stopped',
  'goes-dark',
  'too-short',
  'cannot-tell',
  'check-again',
  'charge',
  'retire',
  'fly',
  'measure',
];

/**
 * What concerns somebody now: rigs that cannot run or last, a day that goes dark, what to charge, what may not fly, what is
 * worn, what nobody measured. Only of what the rigs and the day use. Cost: that of assessing each rig and running the day.
 *
 * @example attention({ rigs: new Map(), gear: new Map(), day: undefined, log, today: '2026-01-12' }).concerns // []
 */
export function attention({ rigs, gear, day, log, today, sheets = [] }: AttentionTo): Attention {
  const measured = measuredOf(rigs, gear, sheets);
  const standing = [...rigs].map(([rigId, rig]): RigStanding => {
    const sheet = sheetOfRig(sheets, rigId)?.body;
    const check = standingOf(rig, gear, sheet?.kind === 'joints' ? sheet : undefined);
    return { rigId, rig, check, answer: assess(rig, gear, { tracePoints: 0, measured: measured.get(rigId) }) };
  });
  const simulation = day && new DaySimulation(day.day, gear, rigs, undefined, measured);
  const run = simulation?.run();
  const used = usedBatteries(rigs, gear, day?.day);
  const concerns: readonly Concern[] = [
    ...standing.flatMap((one) => rigConcerns(one, day?.day)),
    ...standing.flatMap(checkConcerns),
    ...(day && run ? darkRigs(day, run, rigs) : []),
    ...batteryConcerns(used, log, today),
    ...flights(used),
    ...unmeasured(standing, gear),
  ];
  return {
    concerns: [...concerns].sort((a, b) => ORDER.indexOf(a.is) - ORDER.indexOf(b.is)),
    rigs: standing,
    run,
    charging: simulation && run && chargingList(simulation, run),
  };
}

/**
 * How loud a concern is.
 *
 * @example verdictOfConcern({ is: 'measure', gearId: 'a7', device: 'Skuadon 60', powerW: 14, from: 'printed' }) // 'unknown'
 */
export function verdictOfConcern(concern: Concern): Verdict {
  if (concern.is === 'cannot-run' || concern.is === 'goes-dark' || concern.is === 'check-stopped') return 'stop';
  if (concern.is === 'cannot-tell' || concern.is === 'check-again') return 'unknown';
  if (concern.is === 'fly' && concern.flight === 'unknown') return 'unknown';
  if (concern.is === 'measure') return concern.powerW === undefined ? 'caution' : 'unknown';
  return concern.is === 'retire' && concern.when === 'soon' ? 'unknown' : 'caution';
}

/** On a day changes and chargers carry a rig on: only alone it is held against the time that is asked of it. */
function rigConcerns({ rigId, rig, answer }: RigStanding, day: Day | undefined): readonly Concern[] {
  // what the check stopped is told as the check that it is
  const [worst] = answer.findings.filter(({ code }) => code !== 'measured-stop');
  if (worst?.verdict === 'stop') return [{ is: 'cannot-run', rigId, rig: rig.name, finding: worst }];
  if (worst?.verdict === 'unknown') return [{ is: 'cannot-tell', rigId, rig: rig.name, finding: worst }];
  const { plannedMin, beyondMin, unlimited } = answer;
  const { wantedMin } = rig;
  if (day || wantedMin === undefined || plannedMin === undefined || unlimited) return [];
  if (Math.max(plannedMin, beyondMin ?? 0) >= wantedMin) return [];
  return [{ is: 'too-short', rigId, rig: rig.name, plannedMin, wantedMin }];
}

function checkConcerns({ rigId, rig, check }: RigStanding): readonly Concern[] {
  if (check.is === 'stopped') {
    const stop = check.steps.find(({ judged }) => judged?.verdict === 'stop')!;
    return [{ is: 'check-stopped', rigId, rig: rig.name, checked: stop }];
  }
  if (check.reopened.length === 0) return [];
  return [{ is: 'check-again', rigId, rig: rig.name, joints: check.reopened.length }];
}

/** A line a rig: the minutes of all its blocks, and why of the first. */
function darkRigs(
  { id, day }: { readonly id: string; readonly day: Day },
  run: DayRun,
  rigs: ReadonlyMap<string, Rig>,
): readonly Concern[] {
  return day.rigIds.flatMap((rigId): readonly Concern[] => {
    const dark = day.blocks.flatMap((block) => {
      const gap = run.gaps.find(({ blockId, why }) => blockId === block.id && why !== 'change');
      const minutes = run.blocks.find(({ blockId }) => blockId === block.id)?.gapMin ?? 0;
      return gap && block.rigId === rigId ? [{ block: blockTitle(block, day), minutes, gap: gap.says }] : [];
    });
    if (dark.length === 0) return [];
    const minutes = dark.reduce((sum, one) => sum + one.minutes, 0);
    const rig = rigs.get(rigId)?.name ?? 'A rig that is gone';
    return [{ is: 'goes-dark', dayId: id, rig, blocks: dark.map(({ block }) => block), minutes, gap: dark[0]!.gap }];
  });
}

interface UsedBattery {
  readonly id: string;
  readonly battery: Battery;
  readonly rigs: readonly string[];
}

/** Batteries that the rigs name, and those that the day has at hand. */
function usedBatteries(rigs: ReadonlyMap<string, Rig>, gear: ReadonlyMap<string, Gear>, day: Day | undefined): readonly UsedBattery[] {
  const namedBy = new Map<string, string[]>((day?.batteries ?? []).map(({ gearId }) => [gearId, []]));
  for (const rig of rigs.values()) {
    for (const id of gearIdsOf(rig)) namedBy.set(id, [...(namedBy.get(id) ?? []), rig.name]);
  }
  return [...namedBy].flatMap(([id, names]) => {
    const battery = gear.get(id);
    return battery?.kind === 'battery' && whyNotAtHand(battery) === undefined ? [{ id, battery, rigs: names }] : [];
  });
}

function batteryConcerns(used: readonly UsedBattery[], log: Log, today: string): readonly Concern[] {
  return used.flatMap(({ id, battery, rigs }): readonly Concern[] => {
    const title = gearTitle(battery);
    const { charge } = battery;
    const history = healthHistory(id, battery, log, today);
    const { retire } = history;
    return [
      ...(charge !== undefined && charge < FULL_SHARE ? [{ is: 'charge', gearId: id, battery: title, charge, rigs } as const] : []),
      ...(retire ? [{ is: 'retire', gearId: id, battery: title, when: retire, history } as const] : []),
    ];
  });
}

function flights(used: readonly UsedBattery[]): readonly Concern[] {
  return (['no', 'approval', 'unknown'] as const).flatMap((flight): readonly Concern[] => {
    const batteries = used
      .filter(({ battery }) => mayFly(battery) === flight)
      .map(({ id, battery }) => ({
        gearId: id,
        battery: battery.tag ?? battery.name,
        printedWh: battery.labelWh ?? batteryFigures(battery).energyWh,
      }));
    return batteries.length > 0 ? [{ is: 'fly', flight, batteries }] : [];
  });
}

/** Devices whose draw, in a mode that a rig gives them, is printed, guessed or not known, the hungriest first. */
function unmeasured(standing: readonly RigStanding[], gear: ReadonlyMap<string, Gear>): readonly Concern[] {
  const found = new Map<string, Extract<Concern, { is: 'measure' }>>();
  for (const { rig, answer } of standing) {
    for (const { gearId } of rig.devices) {
      const device = gear.get(gearId);
      if (device?.kind !== 'device') continue;
      const draws = answer.figures.filter((figure) => figure.gearId === gearId && figure.basis.of === 'draw');
      const doubtful = draws.filter(({ from }) => from === 'printed' || from === 'guess').sort((a, b) => b.value - a.value)[0];
      if (draws.length > 0 && !doubtful) continue;
      const before = found.get(gearId);
      if (before && (before.powerW ?? Infinity) >= (doubtful?.value ?? Infinity)) continue;
      const from = doubtful?.from === 'guess' ? 'guess' : doubtful && 'printed';
      found.set(gearId, { is: 'measure', gearId, device: gearTitle(device), powerW: doubtful?.value, from });
    }
  }
  return [...found.values()].sort((a, b) => (b.powerW ?? Infinity) - (a.powerW ?? Infinity));
}
