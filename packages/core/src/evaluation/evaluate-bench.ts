import { compareContacts, judgeTaps, verdictOfContacts, windowOf } from '../bench/contacts';
import { findFault } from '../bench/fault';
import { sheetOfRig, standingOf } from '../bench/joints';
import type { CheckStanding, CheckStep } from '../bench/joints';
import type { Sheet } from '../bench/sheet';
import { SIZE_TOOLS } from '../bench/size';
import type { SizeToolName } from '../bench/size';
import type { Ask, Plan } from '../document';
import type { Verdict } from '../findings';
import type { Gear } from '../gear';
import type { Rig } from '../rig/drawn';
import { wordsIn } from '../words';
import type { ToldFault, Words } from '../words';

/** A step of a rig's check as documents and the command line tell it. */
export interface ToldStep {
  readonly step: string;
  readonly is: CheckStep['is'];
  readonly at: string;
  readonly probes: string;
  readonly expect: {
    readonly minV?: number;
    readonly maxV?: number;
    readonly polarity: 'plus' | 'none';
    readonly maxOhm?: number;
    readonly loadW?: number;
    readonly says: string;
  };
  readonly reading?: number | 'OL';
  readonly verdict?: Verdict;
  readonly reason?: string;
  readonly closed?: true;
}

export interface CheckEvaluation {
  readonly standing: CheckStanding['is'];
  readonly steps: readonly ToldStep[];
  /** Steps whose reading no longer counts, since the rig has changed. */
  readonly reopened: readonly string[];
}

/** What a sheet that is no rig's check says. */
export interface SheetEvaluation {
  readonly id: string;
  readonly kind: Sheet['kind'];
  readonly verdict: Verdict;
  readonly says: readonly string[];
}

export interface BenchEvaluation {
  readonly sheets?: readonly SheetEvaluation[];
  readonly sizes?: readonly object[];
  readonly faults?: readonly ToldFault[];
}

/** The joints of a rig with what a plan's newest sheet of it read. */
export function evaluateCheck(id: string, rig: Rig, gear: ReadonlyMap<string, Gear>, { sheets = [] }: Plan, words: Words): CheckEvaluation {
  const sheet = sheetOfRig(sheets, id);
  const { is, steps, reopened } = standingOf(rig, gear, sheet?.body.kind === 'joints' ? sheet.body : undefined);
  return { standing: is, steps: steps.map((step) => tellStep(step, words)), reopened };
}

export function tellStep(checked: CheckStanding['steps'][number], words: Words = wordsIn('en')): ToldStep {
  const { step, reading, judged, closed } = checked;
  const { id, is, at, probes, minV, maxV, maxOhm, loadW } = step;
  const reason = words.sayReading(checked);
  return {
    step: id,
    is,
    at: words.sayPlace(at),
    probes: words.sayProbes(probes),
    expect: {
      ...(minV !== undefined && { minV }),
      ...(maxV !== undefined && { maxV }),
      polarity: is === 'lead' || is === 'across' || is === 'apart' ? 'none' : 'plus',
      ...(maxOhm !== undefined && { maxOhm }),
      ...(loadW !== undefined && { loadW }),
      says: words.sayExpected(step),
    },
    ...(reading !== undefined && { reading }),
    ...(judged && { verdict: judged.verdict }),
    ...(judged && reason !== undefined && { reason }),
    ...(closed && { closed }),
  };
}

/** What else of the bench a plan asks: its sheets judged, sizes, faults. A fault of a rig that is not there is left out. */
export function evaluateBench(plan: Plan, gear: ReadonlyMap<string, Gear>, words: Words): BenchEvaluation {
  const { checks, sizes, faults } = plan.ask ?? {};
  return {
    ...(checks && { sheets: (plan.sheets ?? []).flatMap(({ id, body }) => tellSheet(id, body, gear, words)) }),
    ...(sizes && { sizes: sizes.map((asked) => sizeOf(asked, words)) }),
    ...(faults && { faults: faults.flatMap((fault) => faultOf(fault, plan, gear, words)) }),
  };
}

function tellSheet(id: string, sheet: Sheet, gear: ReadonlyMap<string, Gear>, words: Words): readonly SheetEvaluation[] {
  if (sheet.kind === 'contacts') {
    const differences = compareContacts(sheet, windowOf(sheet.deviceId === undefined ? undefined : gear.get(sheet.deviceId)));
    const says = differences.flatMap((one) => [words.sayDifference(one), words.sayCommonly(one)]).filter((text) => text !== '');
    return [{ id, kind: sheet.kind, verdict: verdictOfContacts(differences), says }];
  }
  if (sheet.kind === 'taps') {
    const battery = gear.get(sheet.batteryId);
    if (battery?.kind !== 'battery') return [];
    const { verdict, says } = judgeTaps(battery.chemistry, sheet.volts, sheet.loaded);
    return [{ id, kind: sheet.kind, verdict, says: [says.map(words.sayTap).join(' ')] }];
  }
  return [];
}

function sizeOf(asked: NonNullable<Ask['sizes']>[number], words: Words): object {
  const { tool, ...question } = asked as { tool: SizeToolName };
  return { tool, ...words.tellSize(SIZE_TOOLS[tool].size(question)) };
}

function faultOf(
  { rigId, deviceId, symptom, answers = [] }: NonNullable<Ask['faults']>[number],
  plan: Plan,
  gear: ReadonlyMap<string, Gear>,
  words: Words,
): readonly ToldFault[] {
  const rig = plan.rigs.find(({ id }) => id === rigId);
  if (!rig) return [];
  return [words.tellFault(findFault({ rig: rig.body, rigId, gear, deviceId, symptom, answers, sheets: plan.sheets ?? [] }))];
}
