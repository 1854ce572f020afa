import type { Figure } from '../rig/resolved';
import { atEnd } from './assumed-end';
import { roughRunner, uncertaintyOf, Variations } from './range';
import type { RigModel } from './rig-model';

/** Which figure it is. */
export type SensitiveTo =
  { readonly of: 'draw' | 'capacity' | 'efficiency' | 'temperature' } | { readonly of: 'assumed'; readonly figure: Figure };

/** What one uncertain figure does to the run. */
export interface Sensitivity {
  readonly gearId: string | undefined;
  readonly part: string;
  readonly what: SensitiveTo;
  /** Standard deviation of the figure, as a share, in points or in degrees. */
  readonly spread: number;
  /** Minutes with the figure one standard deviation to the bad, and to the good. */
  readonly lowMin: number;
  readonly highMin: number;
  /** Its share of the scatter of the run, all figures taken one by one. */
  readonly share: number;
}

/**
 * Which uncertain figure matters most, so that one knows what to measure: each moved by one standard deviation to both
 * sides while the others stay. The most weighty first; empty while the rig cannot be run, nothing stops it, or it would take more than `mostSteps`.
 *
 * @example sensitivities(rigModel(rig, gear))[0].what // { of: 'capacity' }
 */
export function sensitivities(model: RigModel, mostSteps = Infinity): readonly Sensitivity[] {
  const { system, resolved } = model;
  if (!system) return [];
  const runner = roughRunner(system);
  const base = runner.run();
  const baseMin = base.firstGapMin ?? Infinity;
  if (base.steps * 2 * (system.loads.length + system.sources.length + 2 + resolved.evidence.assumptions.size) > mostSteps) return [];
  const variations = new Variations(model);
  const minutes: Minutes = (...by) => runner.run(variations.set(...by)).firstGapMin ?? Infinity;
  const found = [...ownFigures(model, system, minutes), ...assumedFigures(resolved, baseMin, minutes)];
  const timed = found.filter(({ lowMin, highMin }) => Number.isFinite(lowMin) && Number.isFinite(highMin));
  const square = ({ lowMin, highMin }: Moved): number => ((highMin - lowMin) / 2) ** 2;
  const total = timed.reduce((sum, one) => sum + square(one), 0);
  return timed
    .map((one) => ({ ...one, share: total === 0 ? 0 : square(one) / total }))
    .filter(({ share }) => share > 1e-6)
    .sort((a, b) => b.share - a.share);
}

/** A figure moved to both sides, and what the run then lasts. */
type Moved = Omit<Sensitivity, 'share'>;
type Minutes = (...by: Parameters<Variations['set']>) => number;
const none = (): number => 0;
const only = (place: number, by: number) => (at: number) => (at === place ? by : 0);

/** What a rig's own figures move: each draw, each capacity, all efficiencies, the temperature. */
function ownFigures(model: RigModel, system: NonNullable<RigModel['system']>, minutes: Minutes): readonly Moved[] {
  const { resolved } = model;
  const { loads, capacity, efficiency, temperatureC } = uncertaintyOf(model);
  const nameOf = (id: string): string =>
    resolved.parts.get(id)?.gear.name ?? resolved.parts.get(id.replace('!built-in', ''))?.gear.name ?? id;
  return [
    ...system.loads.map(({ id }, place) => ({
      gearId: id,
      part: nameOf(id),
      what: { of: 'draw' } as const,
      spread: loads[place]!,
      lowMin: minutes(only(place, loads[place]!), none, 0, 0),
      highMin: minutes(only(place, -loads[place]!), none, 0, 0),
    })),
    ...system.sources.flatMap(({ id }, place) =>
      capacity[place] === 0
        ? []
        : [
            {
              gearId: id,
              part: nameOf(id),
              what: { of: 'capacity' } as const,
              spread: capacity[place]!,
              lowMin: minutes(none, only(place, -capacity[place]!), 0, 0),
              highMin: minutes(none, only(place, capacity[place]!), 0, 0),
            },
          ],
    ),
    {
      gearId: undefined,
      part: resolved.rig.name,
      what: { of: 'efficiency' } as const,
      spread: efficiency,
      lowMin: minutes(none, none, -efficiency, 0),
      highMin: minutes(none, none, efficiency, 0),
    },
    {
      gearId: undefined,
      part: resolved.rig.name,
      what: { of: 'temperature' } as const,
      spread: temperatureC,
      lowMin: minutes(none, none, 0, -temperatureC),
      highMin: minutes(none, none, 0, temperatureC),
    },
  ];
}

/** What the figures move that nobody gave, from one end of their range to the other. */
function assumedFigures(resolved: RigModel['resolved'], baseMin: number, minutes: Minutes): readonly Moved[] {
  return [...resolved.evidence.assumptions.values()].flatMap((figure): readonly Moved[] => {
    const ends = (['low', 'high'] as const).map((end) => atEnd(figure, end, resolved.trees));
    if (!figure.range || ends.some((end) => end === undefined)) return [];
    const [one, other] = ends.map((end) => minutes(none, none, 0, 0, end));
    return [
      {
        gearId: figure.gearId,
        part: figure.part,
        what: { of: 'assumed', figure },
        // a range is read as two standard deviations to both sides, like everything else
        spread: (figure.range.high - figure.range.low) / 4 / Math.max(figure.value, 1e-9),
        lowMin: middle(baseMin, Math.min(one!, other!)),
        highMin: middle(baseMin, Math.max(one!, other!)),
      },
    ];
  });
}

/** Half of the way: the ends of a range are two standard deviations off. */
function middle(from: number, to: number): number {
  return (from + to) / 2;
}
