import type { RunningSource } from './running-source';
import type { LoadFeed, SystemLoad } from './system';

/** Watts of a feed that does not feed its load; one that does may feed it nothing. */
export const NOT_FED = -1;

/** One load of a running system: its feeds, and how it fares. Mutable throughout. */
export interface RunningLoad {
  readonly load: SystemLoad;
  /** Each feed with its source, and the load's place there. */
  readonly feeds: readonly { readonly feed: LoadFeed; readonly source: RunningSource; readonly place: number }[];
  /** Place of the feed from its own battery; -1 without one. */
  readonly own: number;
  wantedW: number;
  /** Watts now taken by each feed; `NOT_FED` where it is not fed by it. */
  readonly takes: Float64Array;
  /** The one feed that carries all of it, whatever it wants; -1 where a contract, a share or a charge decides. */
  plain: number;
  powered: boolean;
  main: string | undefined;
  firstGapMin: number | undefined;
  poweredMin: number;
  gapMin: number;
  energyWh: number;
}

/** Sets what each feed of a load takes: the first feed that reaches it, its contract filled up from the load's own battery. */
export function choose({ feeds, wantedW, takes, own: ownPlace }: RunningLoad): void {
  takes.fill(NOT_FED);
  // a read past the end of an array, even of -1, costs more than all the rest of this
  const ownFeed = ownPlace === -1 ? undefined : feeds[ownPlace];
  const own = ownFeed?.source.reaches(ownFeed.place) ? ownPlace : -1;
  for (let index = 0; index < feeds.length; index++) {
    const { feed, source, place } = feeds[index]!;
    if (feed.onlyCharges || !source.reaches(place)) continue;
    const { maxW = Infinity } = feed;
    if (wantedW > maxW) {
      if (own === -1 || own === index) continue;
      takes[index] = maxW;
      takes[own] = wantedW - maxW;
      return;
    }
    if (feed.share === undefined) {
      takes[index] = wantedW;
      return;
    }
    const sharing = feeds.map((other, at) =>
      other.feed.share !== undefined && other.source.reaches(other.place) ? { place: at, size: other.feed.share } : undefined,
    );
    const total = sharing.reduce((sum, one) => sum + (one?.size ?? 0), 0);
    for (const one of sharing) if (one) takes[one.place] = (wantedW * one.size) / total;
    return;
  }
}

/** Whether a load hangs on one feed alone, as it stands, which takes whatever it wants; the feed's place, else -1. */
export function plainPlace({ feeds, takes }: RunningLoad): number {
  let found = -1;
  for (let place = 0; place < feeds.length; place++) {
    const { maxW, share, chargeW } = feeds[place]!.feed;
    if (chargeW !== undefined) return -1;
    if (takes[place]! < 0) continue;
    if (found !== -1 || maxW !== undefined || share !== undefined) return -1;
    found = place;
  }
  return found;
}

/** The first feed that feeds a load; -1 when none does. */
export function feedingPlace({ takes }: RunningLoad): number {
  for (let place = 0; place < takes.length; place++) if (takes[place]! >= 0) return place;
  return -1;
}
