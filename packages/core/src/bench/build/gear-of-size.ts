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
export function gearOfSize(
  tool: SizeToolName,
  question: Readonly<Record<string, unknown>>,
  { name, ends, fuseA, note }: Built,
): Gear | undefined {
  const size = SIZE_TOOLS[tool].size(question as never);
  if ('error' in size) return undefined;
  switch (tool) {
    case 'lead': {
      const { lengthM } = question as unknown as LeadQuestion;
      const { awg, areaMm2, maxA } = size as unknown as LeadSize;
      const lead: Cable = {
        kind: 'cable',
        name,
        ...(note !== undefined && { note }),
        ends,
        lengthM,
        awg,
        areaMm2: Number(areaMm2.toPrecision(3)),
        maxA: Number(maxA.toPrecision(3)),
        ...(fuseA !== undefined && { fuseA, fuseAt: 'source' as const }),
      };
      return lead;
    }
    case 'converter': {
      const { kind, outputV, efficiency, maxInputV, maxOutputA } = question as unknown as ConverterQuestion;
      return {
        kind: 'adapter',
        name,
        ...(note !== undefined && { note }),
        // what its sheet does not say stays unknown
        input: { connector: ends.source, ...(maxInputV !== undefined && { maxV: maxInputV }) },
        output: { connector: ends.load, voltageV: outputV },
        ...(maxOutputA !== undefined && { ratedW: Number((maxOutputA * outputV).toPrecision(3)) }),
        ...(kind === 'linear' ? { linear: true } : { works: kind === 'step-up' ? ('up' as const) : ('down' as const) }),
        ...(efficiency !== undefined && kind !== 'linear' && { efficiency }),
        gauge: 'always-full',
        from: { voltageV: 'guess', ...(efficiency !== undefined && { efficiency: 'printed' as const }) },
      };
    }
    case 'pack': {
      const { cell, cellsInSeries, cellsInParallel } = question as unknown as PackQuestion;
      const { nominalV, massG } = size as unknown as PackSize;
      const { chemistry, capacityAh, maxA } = cell;
      return {
        kind: 'battery',
        form: 'pack',
        name,
        ...(note !== undefined && { note }),
        chemistry,
        cellsInSeries,
        cellsInParallel,
        cell: { capacityAh, ...(maxA !== undefined && { maxA }) },
        nominalV: Number(nominalV.toPrecision(4)),
        ...(massG !== null && { massG }),
        gauge: { reads: 'none' },
        outputs: [{ gives: 'pack', id: 'lead', name: 'Lead', connector: ends.load, ...(fuseA !== undefined && { fuseA }) }],
      };
    }
    case 'holder': {
      const { chemistry, inSeries, inParallel, cellAh } = question as unknown as HolderQuestion;
      const { nominalV } = size as unknown as HolderSize;
      return {
        kind: 'battery',
        form: 'pack',
        name,
        ...(note !== undefined && { note }),
        chemistry,
        cellsInSeries: inSeries,
        cellsInParallel: inParallel,
        ...(cellAh !== undefined && { cell: { capacityAh: cellAh } }),
        nominalV: Number(nominalV.toPrecision(4)),
        gauge: { reads: 'none' },
        outputs: [{ gives: 'pack', id: 'lead', name: 'Lead', connector: ends.load }],
      };
    }
    default:
      return undefined;
  }
}
