import { assess, isFault } from '@viaggio/core/answer';
import type { Answer, Verdict } from '@viaggio/core/answer';
import { measuredFindings, sheetsAbout } from '@viaggio/core/bench';
import type { Sheet, SheetEntry } from '@viaggio/core/bench';
import { gearIdsOf } from '@viaggio/core/gear';
import type { Gear, Rig } from '@viaggio/core/gear';
import { displayNow } from '@viaggio/core/units';
import type { Display } from '@viaggio/core/units';
import { sayFinding } from '@viaggio/core/words';

/** What a list tells of a rig. */
export interface RigGlance {
  readonly verdict: Verdict;
  readonly unlimited: boolean;
  /** Minutes to plan with; undefined where no time is known. */
  readonly plannedMin: number | undefined;
  /** Followed for so long without a stop: it lasts longer than that. */
  readonly beyondMin: number | undefined;
  /** What is asked of it. */
  readonly wantedMin: number | undefined;
  /** What is wrong with it, the worst of it; undefined where all fits. */
  readonly worst: string | undefined;
}

/** Every rig by its identifier. */
export function rigGlances(
  rigs: ReadonlyMap<string, Rig>,
  gear: ReadonlyMap<string, Gear>,
  sheets: ReadonlyMap<string, Sheet>,
): ReadonlyMap<string, RigGlance> {
  const entries = [...sheets].map(([id, body]): SheetEntry => ({ id, body }));
  return new Map([...rigs].map(([id, rig]) => [id, glanceOf(id, rig, gear, entries)]));
}

/** The whole answer of one state of a rig. */
export function rigAnswer(rig: Rig, gear: ReadonlyMap<string, Gear>): Answer {
  return assess(rig, gear);
}

/** The last glance at each rig, with the gear that it was made from: a rig is worked out again only when one of them has changed. */
interface KnownGlance {
  readonly parts: readonly (Gear | undefined)[];
  readonly sheets: readonly SheetEntry[];
  readonly display: Display;
  readonly glance: RigGlance;
}
const known = new WeakMap<Rig, KnownGlance>();

function glanceOf(id: string, rig: Rig, gear: ReadonlyMap<string, Gear>, all: readonly SheetEntry[]): RigGlance {
  const sheets = sheetsAbout(id, rig, all);
  const parts = gearIdsOf(rig).map((id) => gear.get(id));
  const before = known.get(rig);
  const same = <T>(one: readonly T[], other: readonly T[]): boolean =>
    one.length === other.length && one.every((it, at) => it === other[at]);
  const isSame = before?.display === displayNow() && same(before.parts, parts);
  if (isSame && same(bodiesOf(before.sheets), bodiesOf(sheets))) return before.glance;
  const glance = glanceAt(rig, assess(rig, gear, { tracePoints: 0, measured: measuredFindings(id, rig, gear, sheets) }));
  known.set(rig, { parts, sheets, display: displayNow(), glance });
  return glance;
}

const bodiesOf = (sheets: readonly SheetEntry[]): readonly Sheet[] => sheets.map(({ body }) => body);

export function glanceAt({ wantedMin }: Rig, { verdict, unlimited, run, plannedMin, beyondMin, findings: [first] }: Answer): RigGlance {
  return {
    verdict,
    unlimited,
    plannedMin: run ? plannedMin : undefined,
    beyondMin: run ? beyondMin : undefined,
    wantedMin,
    worst: first && isFault(first.verdict) ? sayFinding(first) : undefined,
  };
}
