import type { RunningSource } from './running-source';
import type { SystemLoad, Way } from './system';

/** Watts of a way that does not feed its load; one that does may feed it nothing. */
export const NOT_FED = -1;

/** One load of a running system: its ways, and how it fares. Mutable throughout. */
export interface RunningLoad {
  readonly load: SystemLoad;
  /** Each way with its source, and the load's place there. */
  readonly ways: readonly { readonly way: Way; readonly source: RunningSource; readonly place: number }[];
  /** Place of the way from its own battery; -1 without one. */
  readonly own: number;
  wantedW: number;
  /** Watts now taken by each way; `NOT_FED` where it is not fed by it. */
  readonly takes: Float64Array;
  powered: boolean;
  main: string | undefined;
  firstGapMin: number | undefined;
  poweredMin: number;
  gapMin: number;
  energyWh: number;
}

/** Sets what each way of a load takes: the first way that reaches it, its contract filled up from the load's own battery. */
export function choose({ ways, wantedW, takes, own: ownPlace }: RunningLoad): void {
  takes.fill(NOT_FED);
  const ownWay = ways[ownPlace];
  const own = ownWay?.source.reaches(ownWay.place) ? ownPlace : -1;
  for (let index = 0; index < ways.length; index++) {
    const { way, source, place } = ways[index]!;
    if (way.onlyCharges || !source.reaches(place)) continue;
    const { maxW = Infinity } = way;
    if (wantedW > maxW) {
      if (own === -1 || own === index) continue;
      takes[index] = maxW;
      takes[own] = wantedW - maxW;
      return;
    }
    if (!way.together) {
      takes[index] = wantedW;
      return;
    }
    const sharing = ways.map((other, at) =>
      other.way.together && other.source.reaches(other.place) ? { place: at, size: sizeOf(other.source) } : undefined,
    );
    const total = sharing.reduce((sum, one) => sum + (one?.size ?? 0), 0);
    for (const one of sharing) if (one) takes[one.place] = (wantedW * one.size) / total;
    return;
  }
}

/** The first way that feeds a load; -1 when none does. */
export function feedingPlace({ takes }: RunningLoad): number {
  for (let place = 0; place < takes.length; place++) if (takes[place]! >= 0) return place;
  return -1;
}

function sizeOf({ pack, capacityAh }: RunningSource): number {
  return pack.cellsInSeries * capacityAh;
}
