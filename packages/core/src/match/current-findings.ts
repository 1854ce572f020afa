import type { Discharge } from '../discharge/discharge';
import { batteryFigures } from '../gear/battery-figures';
import { ampacity, fuseFor } from '../wire/wire';
import { say } from './figure';
import { finding } from './finding';
import type { Finding, ShownNumber } from './finding';
import { cableLimit, wireArea } from './lead';
import type { Passage } from './passage';
import { isA, roleOf } from './rig-graph';
import type { Part } from './rig-graph';
import { budgetFeed } from './source-tree';
import type { LoadDraw, SourceTree } from './source-tree';
import { feedPoint, list, mostCurrent } from './voltage-findings';

const LIMIT_REMEDY = 'Use a port and cable rated for it, or split the load. Never raise a fuse or a limit.';
/** Above this a linear regulator needs a heat sink and a switching converter is advised. */
const MUCH_HEAT_W = 2;
/** A pack that can give this much through bare leads wants a fuse at its plus. */
const NEEDS_FUSE_A = 10;

/** Current in every lead, port, budget and part at every state of charge; fuses, wire, heat; collapse. */
export function currentFindings(tree: SourceTree, run: Discharge | undefined): readonly Finding[] {
  const guards = tree.passages.flatMap((passage) => [...fuseFindings(tree, passage, run), ...wireFindings(passage, run)]);
  if (run === undefined) return guards;
  if (run.cause === 'collapse') return [collapse(tree, run), ...guards];
  return [
    ...tree.passages.flatMap((passage) => [...leadFindings(passage, run), ...ratingFindings(passage, run), ...heatFindings(passage, run)]),
    ...packFindings(tree, run),
    ...budgetFindings(tree, run),
    ...guards,
  ];
}

function collapse({ source, passages }: SourceTree, run: Discharge): Finding {
  const fromStart = run.minutes === 0;
  const loads = list(passages.filter(({ joint }) => isA(joint.to, 'device')).map(({ joint }) => joint.to.gear.name));
  return finding({
    aspect: 'current',
    role: roleOf(source),
    gearId: source.id,
    part: source.gear.name,
    code: 'collapse',
    verdict: fromStart ? 'stop' : 'caution',
    numbers: [{ name: 'after', value: run.minutes, unit: 'min' }],
    sentence: `${source.gear.name} and its leads cannot carry ${loads}${fromStart ? ' at all' : ` after ${say(run.minutes, 'min')}`}: the voltage breaks down.`,
    remedy: 'Use a battery of lower resistance (larger, warmer, newer), or a shorter and thicker cable.',
  });
}

function leadFindings({ joint, limit }: Passage, run: Discharge): Finding[] {
  const { from, to } = joint;
  const [start, end] = [run.start, run.end].map((point) => feedPoint(point, joint.id));
  if (!limit || !start || !end) return [];
  const base = { aspect: 'current', role: roleOf(from), gearId: from.id, jointId: joint.id, part: from.gear.name } as const;
  const [startA, endA] = [start.currentA, end.currentA];
  const numbers: ShownNumber[] = [
    { name: 'at the start', value: startA, unit: 'A' },
    { name: 'at the end', value: endA, unit: 'A' },
    { name: 'allowed', value: limit.maxA, unit: 'A' },
  ];
  const allowed = `${say(limit.maxA, 'A')} (${limit.set})`;
  if (startA > limit.maxA) {
    const sentence = `${to.gear.name} takes ${say(startA, 'A')} from the first minute; allowed are ${allowed}.`;
    return [finding({ ...base, code: 'over-current', verdict: 'stop', numbers, sentence, remedy: LIMIT_REMEDY })];
  }
  if (run.cause === 'over-current' && run.at === joint.id) {
    return [
      finding({
        ...base,
        code: 'over-current-late',
        verdict: 'caution',
        numbers: [...numbers, { name: 'after', value: run.minutes, unit: 'min' }],
        sentence: `After ${say(run.minutes, 'min')}, at ${say(end.inputV, 'V')}, ${to.gear.name} asks for more than ${allowed}. It ends there.`,
        remedy: 'Use a second port or a stronger one, draw less towards the end, or swap before.',
      }),
    ];
  }
  const flow =
    say(startA, 'A') === say(endA, 'A') ? `${say(startA, 'A')} throughout` : `${say(startA, 'A')} full, ${say(endA, 'A')} at the end`;
  return [finding({ ...base, code: 'current-fits', verdict: 'good', numbers, sentence: `${flow}; allowed are ${allowed}.` })];
}

function packFindings({ source }: SourceTree, run: Discharge): Finding[] {
  if (run.cause !== 'over-current' || run.at !== 'pack' || !isA(source, 'battery')) return [];
  const maxA = batteryFigures(source.gear).maxA ?? 0;
  const fromStart = run.minutes === 0;
  return [
    finding({
      aspect: 'current',
      role: 'battery',
      gearId: source.id,
      part: source.gear.name,
      code: fromStart ? 'over-current' : 'over-current-late',
      verdict: fromStart ? 'stop' : 'caution',
      numbers: [
        { name: 'allowed', value: maxA, unit: 'A' },
        { name: 'after', value: run.minutes, unit: 'min' },
      ],
      sentence: `${source.gear.name} is asked for more than its ${say(maxA, 'A')}${fromStart ? ' from the first minute' : ` after ${say(run.minutes, 'min')}`}.`,
      remedy: 'Use a battery rated for more current.',
    }),
  ];
}

/** Limits that several ports keep together. */
function budgetFindings({ passages, source }: SourceTree, run: Discharge): Finding[] {
  if (run.cause !== 'over-current') return [];
  const parts = new Map<string, Part>([[source.id, source], ...passages.map(({ joint }): [string, Part] => [joint.to.id, joint.to])]);
  return [...parts.values()].flatMap((part) =>
    part.budgets
      .filter(({ id }) => budgetFeed(part.id, id) === run.at)
      .map((budget) => {
        const fromStart = run.minutes === 0;
        const limits = [
          budget.maxA === undefined ? [] : say(budget.maxA, 'A'),
          budget.maxW === undefined ? [] : say(budget.maxW, 'W'),
        ].flat();
        const numbers: ShownNumber[] = [
          ...(budget.maxA === undefined ? [] : [{ name: 'allowed', value: budget.maxA, unit: 'A' } as const]),
          ...(budget.maxW === undefined ? [] : [{ name: 'allowed', value: budget.maxW, unit: 'W' } as const]),
          { name: 'taken', value: feedPoint(run.end ?? run.start, run.at)?.currentA ?? 0, unit: 'A' },
          { name: 'after', value: run.minutes, unit: 'min' },
        ];
        return finding({
          aspect: 'current',
          role: roleOf(part),
          gearId: part.id,
          part: part.gear.name,
          code: 'budget-passed',
          verdict: fromStart ? 'stop' : 'caution',
          numbers,
          sentence: `The ports of ${part.gear.name} that share ${budget.name} pass ${limits.join(' or ')} together${fromStart ? ' from the first minute' : ` after ${say(run.minutes, 'min')}`}.`,
          remedy: 'Move one of them to a port outside the budget, or feed it from elsewhere.',
        });
      }),
  );
}

/** The watts that go through a part that is rated in watts. */
function ratingFindings({ joint, supply }: Passage, run: Discharge): Finding[] {
  const { from, to } = joint;
  if (!isA(from, 'adapter') || from.gear.ratedW === undefined || !supply) return [];
  const powerW = mostCurrent(run, joint.id) * supply.highV;
  const { ratedW } = from.gear;
  if (powerW <= ratedW) return [];
  return [overloaded(from, joint.id, to.gear.name, powerW, ratedW, true)];
}

/** The finding of an adapter that is asked for more than it is rated for, always or at peaks. */
export function overloaded(adapter: Part, jointId: string, load: string, powerW: number, ratedW: number, always: boolean): Finding {
  return finding({
    aspect: 'current',
    role: 'adapter',
    gearId: adapter.id,
    jointId,
    part: adapter.gear.name,
    code: 'adapter-overloaded',
    verdict: always ? 'stop' : 'caution',
    numbers: [
      { name: 'drawn', value: powerW, unit: 'W' },
      { name: 'rated', value: ratedW, unit: 'W' },
    ],
    sentence: `${load} takes ${say(powerW, 'W')}${always ? '' : ' at its peaks'}; ${adapter.gear.name} is rated for ${say(ratedW, 'W')}.`,
    remedy: 'Use an adapter rated for it, or a mode that draws less.',
  });
}

/** An adapter whose rating nobody knows, and peaks above a known one: they do not need a run. */
export function adapterFindings(tree: SourceTree, draws: ReadonlyMap<string, LoadDraw>): readonly Finding[] {
  return tree.passages.flatMap(({ joint }): Finding[] => {
    const { from, to } = joint;
    if (!isA(from, 'adapter') || from.gear.output.passThrough || from.gear.input.triggerV !== undefined) return [];
    const { ratedW, output } = from.gear;
    const limitW = ratedW ?? (output.maxA !== undefined && output.voltageV !== undefined ? output.maxA * output.voltageV : undefined);
    if (limitW === undefined) {
      return [
        finding({
          code: 'figure-missing',
          verdict: 'unknown',
          aspect: 'current',
          role: 'adapter',
          gearId: from.id,
          jointId: joint.id,
          part: from.gear.name,
          numbers: [],
          sentence: `${from.gear.name}: its rated power is not known, so this cannot be judged.`,
          remedy: 'Read its label: watts, or volts and amps of its output.',
        }),
      ];
    }
    const { powerW = 0, peakW = 0 } = draws.get(to.id) ?? {};
    return peakW > limitW && powerW <= limitW ? [overloaded(from, joint.id, to.gear.name, peakW, limitW, false)] : [];
  });
}

function heatFindings({ joint, supply, before }: Passage, run: Discharge): Finding[] {
  const { from } = joint;
  if (!isA(from, 'adapter') || !from.gear.linear || !supply || !before) return [];
  // hottest where the input stands highest: at the start
  const inputV = feedPoint(run.start, before.joint.id)?.inputV ?? 0;
  const amps = feedPoint(run.start, joint.id)?.currentA ?? 0;
  const heatW = (inputV - supply.highV) * amps;
  if (heatW <= MUCH_HEAT_W) return [];
  return [
    finding({
      aspect: 'current',
      role: 'adapter',
      gearId: from.id,
      jointId: joint.id,
      part: from.gear.name,
      code: 'regulator-hot',
      verdict: 'caution',
      numbers: [
        { name: 'heat', value: heatW, unit: 'W' },
        { name: 'in', value: inputV, unit: 'V' },
        { name: 'out', value: supply.highV, unit: 'V' },
        { name: 'current', value: amps, unit: 'A' },
      ],
      sentence: `${from.gear.name} turns (${say(inputV, 'V')} − ${say(supply.highV, 'V')}) × ${say(amps, 'A')} = ${say(heatW, 'W')} into heat.`,
      remedy: 'Give it a heat sink, or use a switching converter.',
    }),
  ];
}

function wireFindings({ joint }: Passage, run: Discharge | undefined): Finding[] {
  const { cable, to } = joint;
  const areaMm2 = cable && wireArea(cable.gear);
  if (!cable || areaMm2 === undefined || !run) return [];
  const carriesA = ampacity(areaMm2);
  const amps = mostCurrent(run, joint.id);
  if (amps <= carriesA) return [];
  return [
    finding({
      aspect: 'current',
      role: 'cable',
      gearId: cable.id,
      jointId: joint.id,
      part: cable.gear.name,
      code: 'wire-hot',
      verdict: 'stop',
      numbers: [
        { name: 'current', value: amps, unit: 'A' },
        { name: 'the wire carries', value: carriesA, unit: 'A' },
        { name: 'wire', value: areaMm2, unit: 'mm2' },
      ],
      sentence: `${to.gear.name} draws ${say(amps, 'A')} through ${say(areaMm2, 'mm2')} of ${cable.gear.name}, which carries ${say(carriesA, 'A')} for long.`,
      remedy: 'Use a thicker cable.',
    }),
  ];
}

/** A fuse holds 1.25 times the highest continuous current, and protects the wire and the port behind it. */
function fuseFindings({ source }: SourceTree, { joint, before }: Passage, run: Discharge | undefined): Finding[] {
  const { cable, output, from } = joint;
  const outputFuse = output.gives === 'pd' ? undefined : output.fuseA;
  const fuseA = cable?.gear.fuseA ?? outputFuse;
  const owner = cable?.gear.fuseA !== undefined ? cable : from;
  const base = { aspect: 'current', role: roleOf(owner), gearId: owner.id, jointId: joint.id, part: owner.gear.name } as const;
  if (fuseA === undefined) {
    const strong = isA(source, 'battery') && !before && (batteryFigures(source.gear).maxA ?? 0) >= NEEDS_FUSE_A;
    const bare = ['bare', 'xt60'].includes(output.connector.type);
    const lead = isA(source, 'battery') && !before && bare && source.gear.chemistry === 'agm';
    if (!(bare && strong) && !lead) return [];
    // past the largest size sold no figure is named
    const size = run && fuseFor(mostCurrent(run, joint.id));
    return [
      finding({
        ...base,
        code: 'fuse-none',
        verdict: 'caution',
        numbers: [],
        sentence: `${from.gear.name} can weld a shorted lead; there is no fuse between it and ${joint.to.gear.name}.`,
        remedy: `Put a fuse close to its plus: at least 1.25 times the highest current${size === undefined ? '' : ` (${say(size, 'A')})`}, no more than the wire carries.`,
      }),
    ];
  }
  const areaMm2 = cable && wireArea(cable.gear);
  const carriesA = Math.min(
    areaMm2 === undefined ? Infinity : ampacity(areaMm2),
    (cable && cableLimit(cable.gear)) ?? Infinity,
    (output.gives === 'pd' ? undefined : output.maxA) ?? Infinity,
  );
  if (fuseA > carriesA) {
    return [
      finding({
        ...base,
        code: 'fuse-large',
        verdict: 'stop',
        numbers: [
          { name: 'fuse', value: fuseA, unit: 'A' },
          { name: 'carried', value: carriesA, unit: 'A' },
        ],
        sentence: `The fuse of ${say(fuseA, 'A')} lets pass more than the ${say(carriesA, 'A')} that the wire or port behind it carries.`,
        remedy: 'Use a fuse no larger than the weakest part behind it. Never a larger one than rated.',
      }),
    ];
  }
  const amps = run ? mostCurrent(run, joint.id) : 0;
  if (amps * 1.25 <= fuseA) return [];
  return [
    finding({
      ...base,
      code: 'fuse-small',
      verdict: 'caution',
      numbers: [
        { name: 'fuse', value: fuseA, unit: 'A' },
        { name: 'highest current', value: amps, unit: 'A' },
        { name: 'asked for', value: amps * 1.25, unit: 'A' },
      ],
      sentence: `The highest current is ${say(amps, 'A')}; a fuse for it has at least ${say(amps * 1.25, 'A')}, this one ${say(fuseA, 'A')}. It may blow in time.`,
      remedy: `Draw less, or use a fuse of ${say(fuseFor(amps) ?? amps * 1.25, 'A')} if wire and port carry it.`,
    }),
  ];
}
