import {
  alternativeOf,
  assessModel,
  assignFeeds,
  autonomyOf,
  backups,
  findFeeds,
  isFault,
  offersFor,
  purchasesFor,
  RemedySearch,
  rigModel,
  runRange,
  sensitivities,
} from '@viaggio/core/answer';
import type { Alternative, Approach, Assignments, Backup, FoundFeeds, Offers, Purchases, RunRange, Weights } from '@viaggio/core/answer';
import { withoutFeed } from '@viaggio/core/gear';
import type { Gear, Link, Rig } from '@viaggio/core/gear';
import { belongTogether, healthHistory, learnedDraws, planAgainstDay } from '@viaggio/core/measure';
import type { DrawRow, HealthHistory, Log, PlanAgainstDay, Together } from '@viaggio/core/measure';
import { displayAs } from '@viaggio/core/units';
import { tellAutonomy, tellRemedy, tellSensitivity } from '@viaggio/core/words';
import type { ToldAutonomy, ToldRemedy, ToldSensitivity } from '@viaggio/core/words';
import {
  chargingAdvice,
  dayChancesOf,
  dayOutlook,
  dayApproachOf,
  figuresOf,
  helpsOf,
  indicatorsOf,
  movedChangeOf,
  movingCosts,
  planDayWith,
} from './day-calls';
import { checkGlances, fault, rigCheck, rigSizes } from './bench-calls';
import { files } from './file-calls';
import { compress, readRecording } from './read-recording';
import { rigAnswer, rigGlances } from './rig-calls';
import { night, tripGlances, tripPacked, tripPlaces, tripSuggested } from './trip-calls';
import { todayOutlook } from './today-calls';

export type Kit = ReadonlyMap<string, Gear>;

/** What the time of a rig hangs on: the figures it is most sensitive to, and its backups. */
export interface Hanging {
  readonly sensitivities: readonly ToldSensitivity[];
  /** What stands behind each device's first source. */
  readonly backups: readonly Backup[];
}

/** Remedies of the findings that have any, by the finding's place among those that are not good. */
export type Remedies = readonly (readonly ToldRemedy[])[];

export interface BatteryHealths {
  readonly batteries: readonly HealthHistory[];
  readonly together: readonly Together[];
}

/** Everything that is computed off the page's own thread. All of it is plain data, in and out. */
export const coreCalls = {
  displayAs,
  rigGlances,
  rigAnswer,
  checkGlances,
  rigCheck,
  fault,
  rigSizes,
  tripGlances,
  tripPacked,
  tripPlaces,
  tripSuggested,
  night,
  todayOutlook,

  /** How far the time may be off: first, since it stands beside the time. */
  outlook(rig: Rig, parts: Kit): RunRange | undefined {
    return runRange(rigModel(rig, parts));
  },

  hanging(rig: Rig, parts: Kit): Hanging {
    return { sensitivities: sensitivities(rigModel(rig, parts)).map(tellSensitivity), backups: backups(rig, parts) };
  },

  alone(rig: Rig, parts: Kit): ToldAutonomy {
    return tellAutonomy(autonomyOf(rig, parts));
  },

  remedies(rig: Rig, kit: Kit, exclude: ReadonlySet<string>): Remedies {
    const { findings } = assessModel(rigModel(rig, kit), { trace: false });
    const search = new RemedySearch(rig, kit, exclude);
    return findings.filter(({ verdict }) => isFault(verdict)).map((found) => search.for(found).map(tellRemedy));
  },

  feeds(rig: Rig, deviceId: string, kit: Kit, weights: Weights, exclude: ReadonlySet<string>): FoundFeeds {
    return findFeeds(rig, deviceId, kit, { weights, exclude, beside: withoutFeed(rig, deviceId).links });
  },

  purchases(rig: Rig, deviceId: string, kit: Kit, weights: Weights, exclude: ReadonlySet<string>): Purchases {
    return purchasesFor(rig, deviceId, kit, { weights, exclude });
  },

  offers(rig: Rig, kit: Kit, to: Link['to'], exclude: ReadonlySet<string>): Offers {
    return offersFor(rig, kit, to, exclude);
  },

  assign(rig: Rig, kit: Kit, weights: Weights, exclude: ReadonlySet<string>): Assignments {
    return assignFeeds(rig, kit, { weights, exclude });
  },

  /** Everything that the log tells of draws. */
  draws(log: Log): readonly DrawRow[] {
    return learnedDraws(log);
  },

  /** Every battery over time, and which belong together. */
  health(log: Log, today: string): BatteryHealths {
    const batteries = [...log.gear].flatMap(([id, body]) => (body.kind === 'battery' ? [healthHistory(id, body, log, today)] : []));
    return { batteries, together: belongTogether(log.gear) };
  },

  /** How far plans were from what happened. */
  against(log: Log): readonly PlanAgainstDay[] {
    return planAgainstDay(log);
  },

  ...files,
  readRecording,
  compress,

  dayOutlook,
  dayChances: dayChancesOf,
  planDay: planDayWith,
  dayHelps: helpsOf,
  dayApproach: dayApproachOf,
  planFigures: figuresOf,
  movedChangeOf,
  movingCosts,
  chargingAdvice,
  dayIndicators: indicatorsOf,

  approach(approach: Approach, rig: Rig, kit: Kit, weights: Weights, exclude: ReadonlySet<string>): Alternative {
    return alternativeOf(approach, rig, kit, { weights, exclude });
  },
};
export type CoreCalls = typeof coreCalls;
