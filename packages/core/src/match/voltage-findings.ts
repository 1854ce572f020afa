import type { Discharge, TimedPoint } from '../discharge/discharge';
import { CHEMISTRIES } from '../cell/chemistry';
import { ocvArea } from '../cell/ocv';
import { batteryFigures } from '../gear/battery-figures';
import { missing, say } from './figure';
import { finding } from './finding';
import type { Finding, ShownNumber } from './finding';
import { batteryState } from './pack-spec';
import type { Passage, Supply } from './passage';
import { isA, roleOf } from './rig-graph';
import type { RigGraph } from './rig-graph';
import type { SourceTree } from './source-tree';

/** A battery stopped with less than this share of its charge left counts as used up. */
const NOTHING_STRANDED = 0.05;
/** A cable that takes more than this share of the voltage is told. */
const MUCH_DROP = 0.05;

/** The point of a feed in an operating point. */
export function feedPoint(point: TimedPoint | undefined, id: string): TimedPoint['feeds'][number] | undefined {
  return point?.feeds.find((feed) => feed.id === id);
}

/** The most current in a feed over a run: constant power draws ever more as the voltage falls, so an end of the run has it. */
export function mostCurrent(run: Discharge, id: string): number {
  return Math.max(feedPoint(run.start, id)?.currentA ?? 0, feedPoint(run.end, id)?.currentA ?? 0);
}

/** A source's whole range against the window of everything it feeds, over the whole discharge. */
export function voltageFindings(graph: RigGraph, tree: SourceTree, run: Discharge | undefined): readonly Finding[] {
  return [
    ...tree.passages.flatMap((passage) => [...gateFindings(graph, tree, passage, run), ...dropFindings(passage, run)]),
    ...sagFindings(tree, run),
  ];
}

/** A load that pulls the battery down to its cut-off while there is charge left. */
function sagFindings({ source, passages }: SourceTree, run: Discharge | undefined): readonly Finding[] {
  if (run?.cause !== 'pack-cutoff' || run.endSoc <= NOTHING_STRANDED || !isA(source, 'battery')) return [];
  const { cutoffV } = batteryFigures(source.gear);
  const loads = passages.filter(({ joint }) => isA(joint.to, 'device')).map(({ joint }) => joint.to.gear.name);
  return [
    finding({
      code: 'charge-stranded',
      verdict: 'caution',
      aspect: 'voltage',
      role: 'battery',
      gearId: source.id,
      part: source.gear.name,
      numbers: [
        { name: 'charge left', value: run.endSoc, unit: 'fraction' },
        { name: 'energy left', value: run.strandedWh, unit: 'Wh' },
        { name: 'cut-off', value: cutoffV, unit: 'V' },
      ],
      sentence: `${list(loads)} ${loads.length === 1 ? 'pulls' : 'pull'} ${source.gear.name} down to its cut-off of ${say(cutoffV, 'V')} with ${say(run.strandedWh, 'Wh')} (${say(run.endSoc, 'fraction')} of the charge) still in it.`,
      remedy: 'Keep it warm, or use a larger or newer battery.',
    }),
  ];
}

/** `A, B and C`. */
export function list(names: readonly string[], last: 'and' | 'or' = 'and'): string {
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} ${last} ${names.at(-1)}`;
}

function dropFindings({ joint, supply, leadOhm }: Passage, run: Discharge | undefined): Finding[] {
  const { cable, to } = joint;
  if (!cable || !supply || !run) return [];
  const amps = mostCurrent(run, joint.id);
  const dropV = amps * leadOhm;
  const share = dropV / supply.startV;
  if (share <= MUCH_DROP) return [];
  return [
    finding({
      code: 'wire-drop',
      verdict: 'caution',
      aspect: 'voltage',
      role: 'cable',
      gearId: cable.id,
      jointId: joint.id,
      part: cable.gear.name,
      numbers: [
        { name: 'drop', value: dropV, unit: 'V' },
        { name: 'of the voltage', value: share, unit: 'fraction' },
        { name: 'at', value: amps, unit: 'A' },
      ],
      sentence: `${cable.gear.name} takes ${say(dropV, 'V')} (${say(share, 'fraction')}) at ${say(amps, 'A')} on the way to ${to.gear.name}.`,
      remedy: 'Use a shorter or thicker cable.',
    }),
  ];
}

function gateFindings(graph: RigGraph, tree: SourceTree, passage: Passage, run: Discharge | undefined): Finding[] {
  const { joint, supply } = passage;
  const { input, to } = joint;
  if (input.takes === 'pd' || !supply) return [];
  const part = isA(to, 'device') ? `${input.name} of ${to.gear.name}` : to.gear.name;
  const base = { aspect: 'voltage', role: roleOf(to), gearId: to.id, jointId: joint.id, part } as const;
  const { minV, maxV, startV } = input;
  const range: ShownNumber[] = [
    { name: 'highest given', value: supply.highV, unit: 'V' },
    { name: 'lowest given', value: supply.lowV, unit: 'V' },
  ];
  const window: ShownNumber[] = [
    ...(minV === undefined ? [] : [{ name: 'lowest accepted', value: minV, unit: 'V' } as const]),
    ...(maxV === undefined ? [] : [{ name: 'highest accepted', value: maxV, unit: 'V' } as const]),
  ];
  const numbers = [...range, ...window];
  const findings: Finding[] = [];

  if (maxV === undefined) {
    const remedy = 'Read its label or manual; do not connect before it is known.';
    findings.push(missing('voltage', to, part, 'the highest voltage it accepts', remedy, joint.id));
  } else if (supply.highV > maxV) {
    findings.push(
      finding({
        ...base,
        code: 'over-voltage',
        verdict: 'stop',
        numbers,
        sentence: `${supply.name} gives up to ${say(supply.highV, 'V')}; ${part} accepts at most ${say(maxV, 'V')}. It can be damaged.`,
        remedy: `Put a regulator or an adapter between that gives no more than ${say(maxV, 'V')}.`,
      }),
    );
  } else findings.push(...chargingFindings(tree, supply, base, maxV));
  if (minV === undefined) {
    const remedy = 'Read its label or manual; until then the run time is an upper bound.';
    findings.push(missing('voltage', to, part, 'the lowest voltage it runs on', remedy, joint.id));
    return findings;
  }
  const arriving = feedPoint(run?.start, joint.id)?.inputV;
  if (startV !== undefined && (supply.startV < startV || refusedToStart(passage, run, arriving ?? supply.startV, minV))) {
    const { startSoc } = batteryState(graph.rig, tree.source.id);
    findings.push(
      finding({
        ...base,
        code: 'will-not-start',
        verdict: 'stop',
        numbers: [
          ...range,
          { name: 'starts at', value: startV, unit: 'V' },
          { name: 'given at the start', value: supply.startV, unit: 'V' },
        ],
        sentence: `${part} starts at ${say(startV, 'V')} or more; ${supply.name} at ${say(startSoc, 'fraction')} charge gives ${say(supply.startV, 'V')}${supply.startV < startV ? '' : ', less once the others draw'}.`,
        remedy: 'Start on a fuller battery; once running it goes down to its lower limit.',
      }),
    );
    return findings;
  }
  const low = lowFinding(tree, passage, supply, part, minV, run, arriving);
  if (low) findings.push(finding({ ...base, ...low, numbers: [...numbers, ...low.numbers] }));
  if (findings.length === 0) {
    const given =
      supply.highV === supply.lowV ? say(supply.highV, 'V') : `${say(supply.highV, 'V')} full to ${say(supply.lowV, 'V')} empty`;
    const accepts = `${say(minV, 'V')} to ${say(maxV ?? minV, 'V')}`;
    findings.push(
      finding({
        ...base,
        code: 'voltage-fits',
        verdict: 'good',
        numbers,
        sentence: `${supply.name} gives ${given}; ${part} accepts ${accepts}.`,
      }),
    );
  }
  return findings;
}

/** A battery charged in place lifts everything that follows it to the charger's voltage. */
function chargingFindings(
  { source }: SourceTree,
  supply: Supply,
  base: Pick<Finding, 'aspect' | 'role' | 'gearId' | 'jointId' | 'part'>,
  maxV: number,
): Finding[] {
  const chargeV = isA(source, 'battery') ? source.gear.chargeV : undefined;
  if (chargeV === undefined || !supply.followsPack || chargeV <= maxV) return [];
  return [
    finding({
      ...base,
      code: 'over-voltage-charging',
      verdict: 'caution',
      numbers: [
        { name: 'while charging', value: chargeV, unit: 'V' },
        { name: 'highest accepted', value: maxV, unit: 'V' },
      ],
      sentence: `While it is charged, ${source.gear.name} stands at ${say(chargeV, 'V')}; ${base.part} accepts at most ${say(maxV, 'V')}.`,
      remedy: 'Switch the rig off and disconnect it before charging in place.',
    }),
  ];
}

/** Whether a run that never began was kept from it by this gate's start threshold, the rest of the rig drawing. */
function refusedToStart(passage: Passage, run: Discharge | undefined, arrivingV: number, minV: number): boolean {
  return run?.minutes === 0 && run.cause === 'converter-dropout' && stoppedHere(passage, run) && arrivingV >= minV;
}

/** Whether what ended a run is the gate at the end of this passage. */
export function stoppedHere({ joint }: Passage, run: Discharge): boolean {
  if (run.cause !== 'converter-dropout' && run.cause !== 'load-undervoltage') return false;
  return run.at === joint.id || run.at === joint.to.id || run.at.startsWith(`${joint.to.id}:`);
}

type LowFinding = Pick<Finding, 'code' | 'verdict' | 'sentence' | 'numbers'> & { readonly remedy: string };

function lowFinding(
  { source }: SourceTree,
  passage: Passage,
  supply: Supply,
  part: string,
  minV: number,
  run: Discharge | undefined,
  arriving: number | undefined,
): LowFinding | undefined {
  const endsHere = run !== undefined && stoppedHere(passage, run);
  // the run names the first gate that gave out; another may be too low at the same moment
  if (supply.startV < minV || (arriving !== undefined && arriving < minV) || (endsHere && run.minutes === 0)) {
    const arrivesV = Math.min(arriving ?? supply.startV, supply.startV);
    return {
      code: 'under-voltage',
      verdict: 'stop',
      numbers: [{ name: 'arrives at the start', value: arrivesV, unit: 'V' }],
      sentence: `${part} needs ${say(minV, 'V')}; from ${supply.name} only ${say(arrivesV, 'V')} arrive, from the first minute.`,
      remedy: 'Use a source of higher voltage, a fuller battery, or a shorter and thicker cable.',
    };
  }
  if (!isA(source, 'battery')) return undefined;
  if (endsHere && run.endSoc > NOTHING_STRANDED) {
    const table = CHEMISTRIES[source.gear.chemistry].ocvPerCell;
    const share = ocvArea(table, run.endSoc) / ocvArea(table, 1);
    return {
      code: 'charge-stranded',
      verdict: 'caution',
      numbers: [
        { name: 'charge left', value: run.endSoc, unit: 'fraction' },
        { name: 'energy left', value: run.strandedWh, unit: 'Wh' },
      ],
      sentence: `${part} stops below ${say(minV, 'V')}: ${say(run.strandedWh, 'Wh')} (${say(share, 'fraction')}) stay in ${source.gear.name}.`,
      remedy: 'Use an adapter that runs lower, a battery with more cells in series, or plan on the shorter run.',
    };
  }
  if (run === undefined && supply.lowV < minV) {
    return {
      code: 'charge-stranded',
      verdict: 'caution',
      numbers: [],
      sentence: `${part} stops below ${say(minV, 'V')}, ${supply.name} goes down to ${say(supply.lowV, 'V')}: some charge stays in it.`,
      remedy: 'Complete the missing figures to see how much.',
    };
  }
  return undefined;
}
