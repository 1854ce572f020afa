import { fuseFor } from '../../physics/wire';
import { said } from '../../said';
import { sizeFuse } from '../size';
import type { LeadQuestion, LeadSize, PackQuestion, PackSize } from '../size';
import type { Built } from './gear-of-size';
import type { BuildSaid } from './says';

/** What is on the bench while it is built: parts, lengths, colours by function, and the checks in their order. */
export interface BuildSheet {
  readonly title: string;
  readonly parts: readonly BuildSaid[];
  /** In the order of building, power last. */
  readonly checks: readonly BuildSaid[];
}

/** Nothing live stands bare: the source's end has its contacts inside. */
function genderSays({ source, load }: Built['ends']): BuildSaid {
  if (source.type === load.type && source.gender === load.gender) return said('ends-alike');
  return said('ends-keyed');
}

/** The fuse of a lead; where the wire carries none that holds the current, the wire is what is too thin. */
function fuseOf(fuseA: number | undefined, currentA: number, { maxA }: LeadSize): BuildSaid {
  if (fuseA !== undefined) return said('lead-fuse', { fuseA });
  const wantedA = fuseFor(currentA);
  return wantedA === undefined ? said('no-fuse-split') : said('fuse-wants-wire', { wantedA, maxA });
}

function asSize(sized: ReturnType<typeof sizeFuse>): number | undefined {
  return 'fuseA' in sized ? (sized.fuseA ?? undefined) : undefined;
}

/**
 * The sheet of a lead: gauge, lengths, ends, fuse, checks.
 *
 * @example leadSheet({ currentA: 4, lengthM: 1, voltageV: 14.4 }, { awg: 20, areaMm2: 0.52, resistanceOhm: 0.07, dropV: 0.27, lossW: 1.1, maxA: 9 }, { name: 'Lead', at: '2026-01-12', ends: { source: { type: 'd-tap' }, load: { type: 'xt60' } } }).parts.length // 5
 */
export function leadSheet({ currentA, lengthM }: LeadQuestion, size: LeadSize, { name, ends, fuseA: chosenA }: Built): BuildSheet {
  // a fuse that the wire does not carry protects nothing
  const fuseA = chosenA ?? asSize(sizeFuse({ continuousA: currentA, wireMaxA: size.maxA }));
  return {
    title: name,
    parts: [
      said('wire-plus', { awg: size.awg, areaMm2: size.areaMm2, lengthM }),
      said('wire-minus'),
      said('end-source', { source: ends.source }),
      said('end-load', { load: ends.load }),
      fuseOf(fuseA, currentA, size),
    ],
    checks: [
      genderSays(ends),
      said('thread-first'),
      said('strain-relief'),
      said('continuity'),
      said('move-lead'),
      said('open-volts'),
      said('with-lamp'),
      said('label-lead'),
    ],
  };
}

/** The sheet of a pack of cells: cells, board, balance lead, fuse, alarm, checks. */
export function packSheet(
  { cell, cellsInSeries, cellsInParallel, loadW }: PackQuestion,
  size: PackSize,
  { name, fuseA }: Built,
): BuildSheet {
  const fuse = fuseA ?? fuseFor(loadW / size.emptyV);
  const tapsV = Array.from({ length: cellsInSeries }, (_, at) => ((at + 1) * size.nominalV) / cellsInSeries);
  return {
    title: name,
    parts: [
      said('cells', { cellsInSeries, cellsInParallel, capacityAh: cell.capacityAh }),
      said('board', { cellsInSeries, maxA: size.maxA, loadW, emptyV: size.emptyV }),
      said('balance-lead', { cellsInSeries }),
      fuse === undefined ? said('no-fuse') : said('pack-fuse', { fuse }),
      said('alarm', { alarmV: size.alarmV }),
      ...(size.chargeV === null ? [] : [said('charger', { chargeV: size.chargeV })]),
    ],
    checks: [
      said('cells-measured'),
      said('spot-welded'),
      said('taps', { tapsV }),
      said('board-last'),
      said('first-charge'),
      said('run-down'),
      said('label-pack'),
    ],
  };
}
