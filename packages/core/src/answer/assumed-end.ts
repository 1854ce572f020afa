import { portFeed } from '../rig/resolved';
import type { Connection, Figure, SourceTree } from '../rig/resolved';
import type { PartInstead } from '../run';

/** A part of a rig at one end of what is assumed of it. */
export interface AssumedEnd {
  readonly instead?: PartInstead;
  /** Of a pack's own resistance: times what is assumed. */
  readonly packOhm?: { readonly sourceId: string; readonly times: number };
}

/**
 * What a running circuit is changed by when one assumption is moved to an end of its range; undefined for those that change
 * no run: a limit, a window, which way a converter works.
 */
export function atEnd(figure: Figure, end: 'low' | 'high', trees: readonly SourceTree[]): AssumedEnd | undefined {
  const { basis, gearId, value, range } = figure;
  if (!range) return undefined;
  const to = range[end];
  const connections = trees.flatMap((tree) => tree.connections);
  const onFeed = (one: Connection | undefined, changes: Omit<PartInstead, 'feedId'>, feedId = one?.id): AssumedEnd | undefined =>
    one && feedId !== undefined ? { instead: { feedId, ...changes } } : undefined;
  switch (basis.of) {
    case 'pack-resistance':
      return value === 0 ? undefined : { packOhm: { sourceId: gearId, times: to / value } };
    case 'cable-resistance':
      return onFeed(
        connections.find(({ cable }) => cable?.id === gearId),
        { addedOhm: to - value },
      );
    case 'adapter-lead':
      return onFeed(
        connections.find((one) => one.to.id === gearId),
        { addedOhm: to - value },
      );
    case 'contacts': {
      const ofCable = connections.find(({ cable }) => cable?.id === gearId);
      return onFeed(ofCable ?? connections.find((one) => one.from.id === gearId && !one.cable), {
        addedOhm: (ofCable ? 2 : 1) * (to - value),
      });
    }
    case 'efficiency':
    case 'own-draw': {
      const port = 'port' in basis ? basis.port : undefined;
      const out = connections.find((one) => one.from.id === gearId && one.converter && (port === undefined || one.output.name === port));
      if (!out) return basis.of === 'own-draw' ? { instead: { feedId: `${gearId}!own`, ownW: to } } : undefined;
      const changes = basis.of === 'efficiency' ? { efficiency: to } : { standbyW: to };
      // a part of one output is a converter at the end of its lead; others have one for each port
      const alone = connections.filter((one) => one.from.id === gearId).length === 1 && out.before !== undefined;
      return onFeed(out, changes, alone ? out.before?.id : portFeed(gearId, out.output.id));
    }
    default:
      return undefined;
  }
}
