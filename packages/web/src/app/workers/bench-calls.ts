import { orderOfConnecting, resolveRig } from '@viaggio/core/answer';
import { findFault, sheetOfRig, sizesOfRig, standingOf } from '@viaggio/core/bench';
import type { CheckStanding, FaultQuestion, RigSize, SheetEntry, SheetOf } from '@viaggio/core/bench';
import type { Gear, Rig } from '@viaggio/core/gear';
import { sayConnecting, tellFault } from '@viaggio/core/words';
import type { ToldFault } from '@viaggio/core/words';

type Kit = ReadonlyMap<string, Gear>;

/** Where the check of a rig stands, as a list shows it. */
export interface CheckGlance {
  readonly is: CheckStanding['is'];
  readonly done: number;
  readonly of: number;
  readonly reopened: number;
  /** When it was measured last; undefined before it was. */
  readonly at: string | undefined;
  readonly by: string | undefined;
}

/** A rig's check with the order of connecting that follows it. */
export interface RigCheck extends CheckStanding {
  readonly connecting: readonly string[];
}

export function checkGlances(rigs: ReadonlyMap<string, Rig>, gear: Kit, sheets: readonly SheetEntry[]): ReadonlyMap<string, CheckGlance> {
  return new Map([...rigs].map(([id, rig]) => [id, glanceOfCheck(standingOf(rig, gear, jointsOf(sheets, id)), id, sheets)]));
}

export function glanceOfCheck({ is, done, steps, reopened }: CheckStanding, rigId: string, sheets: readonly SheetEntry[]): CheckGlance {
  const sheet = jointsOf(sheets, rigId);
  return { is, done, of: steps.length, reopened: reopened.length, at: sheet?.at, by: sheet?.by };
}

function jointsOf(sheets: readonly SheetEntry[], rigId: string): SheetOf<'joints'> | undefined {
  const body = sheetOfRig(sheets, rigId)?.body;
  return body?.kind === 'joints' ? body : undefined;
}

export function rigCheck(rig: Rig, gear: Kit, sheet: SheetOf<'joints'> | undefined): RigCheck {
  return { ...standingOf(rig, gear, sheet), connecting: orderOfConnecting(resolveRig(rig, gear)).map(sayConnecting) };
}

export function fault(question: FaultQuestion): ToldFault {
  return tellFault(findFault(question));
}

export function rigSizes(rig: Rig, gear: Kit): readonly RigSize[] {
  return sizesOfRig(rig, gear);
}
