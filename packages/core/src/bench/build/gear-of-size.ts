import type { Cable, Connector, Gear } from '../../gear';
import { SIZE_TOOLS } from '../size';
import type { ConverterQuestion, HolderQuestion, HolderSize, LeadQuestion, LeadSize, PackQuestion, PackSize, SizeToolName } from '../size';

/** What a tool does not ask and the kit wants to know. */
export interface Built {
  readonly name: string;
  /** An ISO date. */
  readonly at: string;
  /** At the source's end and at the load's. */
  readonly ends: { readonly source: Connector; readonly load: Connector };
  readonly fuseA?: number | undefined;
  /** When and how its figures came about, as it is kept with it. */
  readonly note?: string;
}

/**
 * What was sized, as a piece of gear: a lead, an adapter, a battery; undefined where the tool makes none, or the question
 * cannot be answered.
 *
 * @example gearOfSize('fuse', { continuousA: 4, wireMaxA: 6 }, { name: 'Fuse', at: '2026-01-12', ends: { source: { type: 'd-tap' }, load: { type: 'd-tap' } } }) // undefined
 */
export function gearOfSize(tool: SizeToolName, question: Readonly<Record<string, unknown>>, built: Built): Gear | undefined {
  const size = SIZE_TOOLS[tool].size(question as never);
  if ('error' in size) return undefined;
  switch (tool) {
    case 'lead':
      return leadOf(question as unknown as LeadQuestion, size as unknown as LeadSize, built);
    case 'converter':
      return converterOf(question as unknown as ConverterQuestion, built);
    case 'pack':
      return packOf(question as unknown as PackQuestion, size as unknown as PackSize, built);
    case 'holder':
      return holderOf(question as unknown as HolderQuestion, size as unknown as HolderSize, built);
    default:
      return undefined;
  }
}

const named = ({ name, note }: Built) => ({ name, ...(note !== undefined && { note }) });
/** As many digits as a label has. */
const printed = (value: number, digits = 3): number => Number(value.toPrecision(digits));

function leadOf({ lengthM }: LeadQuestion, { awg, areaMm2, maxA }: LeadSize, built: Built): Cable {
  const { ends, fuseA } = built;
  return {
    kind: 'cable',
    ...named(built),
    ends,
    lengthM,
    awg,
    areaMm2: printed(areaMm2),
    maxA: printed(maxA),
    ...(fuseA !== undefined && { fuseA, fuseAt: 'source' as const }),
  };
}

function converterOf({ kind, outputV, efficiency, maxInputV, maxOutputA }: ConverterQuestion, built: Built): Gear {
  const { ends } = built;
  return {
    kind: 'adapter',
    ...named(built),
    // what its sheet does not say stays unknown
    input: { connector: ends.source, ...(maxInputV !== undefined && { maxV: maxInputV }) },
    output: { connector: ends.load, voltageV: outputV },
    ...(maxOutputA !== undefined && { ratedW: printed(maxOutputA * outputV) }),
    ...(kind === 'linear' ? { linear: true } : { works: kind === 'step-up' ? ('up' as const) : ('down' as const) }),
    ...(efficiency !== undefined && kind !== 'linear' && { efficiency }),
    gauge: 'always-full',
    from: { voltageV: 'guess', ...(efficiency !== undefined && { efficiency: 'printed' as const }) },
  };
}

function packOf({ cell, cellsInSeries, cellsInParallel }: PackQuestion, { nominalV, massG }: PackSize, built: Built): Gear {
  const { ends, fuseA } = built;
  const { chemistry, capacityAh, maxA } = cell;
  return {
    kind: 'battery',
    form: 'pack',
    ...named(built),
    chemistry,
    cellsInSeries,
    cellsInParallel,
    cell: { capacityAh, ...(maxA !== undefined && { maxA }) },
    // its sheet has a board on it
    protection: 'board',
    nominalV: printed(nominalV, 4),
    ...(massG !== null && { massG }),
    gauge: { reads: 'none' },
    outputs: [{ gives: 'pack', id: 'lead', name: 'Lead', connector: ends.load, ...(fuseA !== undefined && { fuseA }) }],
  };
}

function holderOf({ chemistry, inSeries, inParallel, cellAh }: HolderQuestion, { nominalV }: HolderSize, built: Built): Gear {
  return {
    kind: 'battery',
    form: 'pack',
    ...named(built),
    chemistry,
    cellsInSeries: inSeries,
    cellsInParallel: inParallel,
    ...(cellAh !== undefined && { cell: { capacityAh: cellAh } }),
    nominalV: printed(nominalV, 4),
    gauge: { reads: 'none' },
    outputs: [{ gives: 'pack', id: 'lead', name: 'Lead', connector: built.ends.load }],
  };
}
