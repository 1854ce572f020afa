import type { Answer, SourceAnswer } from '../../../answer';
import type { Station, Track } from '../../../profile';
import type { Figure } from '../../../rig/resolved';
import { tell } from '../findings/tell';
import type { Told } from '../findings/tell';
import { sayCaution } from '../rig/caution-words';
import { figureFormula, figureName } from '../rig/figure-words';
import { limitSetter } from '../rig/limit-words';
import { sayTrackPeak } from './moment-words';
import { sayStop } from './stop-words';

/** A figure with its name and how it came about. */
export interface ToldFigure extends Omit<Figure, 'basis'> {
  readonly name: string;
  readonly formula: string | undefined;
}

interface ToldTrack extends Omit<Track, 'stations' | 'peak'> {
  readonly peak: { readonly minute: number; readonly sentence: string } | undefined;
  readonly stations: readonly (Omit<Station, 'limit'> & {
    readonly limit: { readonly maxA: number; readonly set: string } | undefined;
  })[];
}

/** An answer in words, as documents and pages show it. */
export interface ToldAnswer extends Omit<Answer, 'findings' | 'sources' | 'stop' | 'figures' | 'cautions' | 'tracks'> {
  readonly findings: readonly Told[];
  readonly sources: readonly (Omit<SourceAnswer, 'stop'> & { readonly stop: string })[];
  readonly stop: string | undefined;
  readonly figures: readonly ToldFigure[];
  readonly cautions: readonly string[];
  readonly tracks: readonly ToldTrack[];
}

/**
 * Everything that an answer says as data, said in words beside the same numbers.
 *
 * @example tellAnswer(answer).verdict // 'good'
 */
export function tellAnswer({ findings, sources, stop, figures, cautions, tracks, ...rest }: Answer): ToldAnswer {
  return {
    ...rest,
    findings: findings.map(tell),
    sources: sources.map((source) => ({ ...source, stop: sayStop(source.stop) })),
    stop: stop && sayStop(stop),
    figures: figures.map(tellFigure),
    cautions: cautions.map(sayCaution),
    tracks: tracks.map(tellTrack),
  };
}

export function tellFigure(figure: Figure): ToldFigure {
  const { basis: _basis, ...rest } = figure;
  return { ...rest, name: figureName(figure), formula: figureFormula(figure) };
}

function tellTrack({ peak, stations, ...rest }: Track): ToldTrack {
  return {
    ...rest,
    peak: peak && { minute: peak.minute, sentence: sayTrackPeak(peak) },
    stations: stations.map(({ limit, ...station }) => ({ ...station, limit: limit && { maxA: limit.maxA, set: limitSetter(limit) } })),
  };
}
