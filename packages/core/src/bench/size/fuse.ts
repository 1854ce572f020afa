import { fuseFor } from '../../physics/wire';
import { said } from '../../said';
import { number, object, optional } from '../../shape';
import type { Infer } from '../../shape';
import { FUSE_MARGIN } from '../../tables';
import type { Sized } from './sized';

export const fuseQuestion = object('A fuse', {
  continuousA: number('Highest continuous current', 'A', { above: 0, max: 200 }),
  wireMaxA: number('The wire carries', 'A', { above: 0, max: 200 }),
  connectorMaxA: optional(number('The connectors carry', 'A', { above: 0, max: 200 })),
});
export type FuseQuestion = Infer<typeof fuseQuestion>;

export interface FuseSize {
  /** Null where no fuse that is sold lets the current pass and still protects. */
  readonly fuseA: number | null;
}

/**
 * The smallest fuse sold of at least 1.25 × the continuous current, where wire and connectors carry as much; else none.
 *
 * @example sizeFuse({ continuousA: 4, wireMaxA: 6 }) // { fuseA: 5, … }
 */
export function sizeFuse({ continuousA, wireMaxA, connectorMaxA }: FuseQuestion): Sized<FuseSize> {
  const leastA = FUSE_MARGIN * continuousA;
  const mostA = Math.min(wireMaxA, connectorMaxA ?? Infinity);
  const size = fuseFor(continuousA);
  const fuseA = size !== undefined && size <= mostA ? size : null;
  const weakest = connectorMaxA !== undefined && connectorMaxA < wireMaxA ? ('connectors' as const) : ('wire' as const);
  return {
    fuseA,
    formula: said('fuse-formula', { continuousA, leastA, mostA, weakest }),
    warnings: [
      ...(fuseA === null ? [size === undefined ? said('fuse-too-small') : said('fuse-between', { weakest, size })] : []),
      ...(connectorMaxA === undefined ? [said('connectors-not-said')] : []),
      said('fuse-place'),
    ],
  };
}
