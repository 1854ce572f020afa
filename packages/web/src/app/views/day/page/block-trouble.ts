import type { Block, Day, DayRun } from '@viaggio/core/day';
import { sayGap, sayUnrecorded } from '@viaggio/core/words';
import { percent, time } from '../../../parts/timeline/say-moment';

/** What keeps a block from going as it should. */
export interface BlockTrouble {
  readonly block: Block;
  readonly is: 'stop' | 'caution';
  readonly cause: string;
  readonly says: string;
}

interface Known {
  readonly day: Day;
  readonly run: DayRun;
  readonly device: (id: string) => string;
  /** The chance with which it lasts, and the one asked for. */
  readonly chance: number | undefined;
  readonly wanted: number;
}

/** The worst about a block: its power, its recording, its takes, its chance; undefined where it goes as it should. */
export function troubleOf(block: Block, known: Known): BlockTrouble | undefined {
  return powerTrouble(block, known) ?? cardTrouble(block, known) ?? chanceTrouble(block, known);
}

function powerTrouble(block: Block, { day, run }: Known): BlockTrouble | undefined {
  const here = run.blocks.find(({ blockId }) => blockId === block.id);
  const gap = run.gaps.find(({ blockId, why }) => blockId === block.id && why !== 'change');
  if (gap) {
    const says = `${sayGap(gap.says)} From ${time(day, gap.fromMin)}, ${Math.ceil(here?.gapMin ?? 0)} min in all.`;
    return { block, is: 'stop', cause: 'has no power', says };
  }
  if (!here || here.interruptions === 0 || here.changeMin <= 0) return undefined;
  const says = `off for ${Math.ceil(here.changeMin)} min while a battery is changed.`;
  return { block, is: 'stop', cause: 'is interrupted, and must not be', says };
}

function cardTrouble(block: Block, { day, run, device }: Known): BlockTrouble | undefined {
  const stop = run.cards.stops.find(({ blockId }) => blockId === block.id);
  if (stop) {
    const unrecordedMin = run.blocks.find(({ blockId }) => blockId === block.id)?.unrecordedMin ?? 0;
    const minutes = Math.ceil(unrecordedMin - 1e-6);
    const says = `${sayUnrecorded(device(stop.deviceId), stop.why)} From ${time(day, stop.fromMin)}, ${minutes} min not recorded in all.`;
    return { block, is: block.uninterrupted ? 'stop' : 'caution', cause: 'does not record', says };
  }
  const takeEnd = run.cards.takeEnds.find(({ blockId }) => blockId === block.id);
  if (!takeEnd || !block.uninterrupted) return undefined;
  const says = `${device(takeEnd.deviceId)} at ${time(day, takeEnd.atMin)}. Begin a new take just before it, or record on something else too.`;
  return { block, is: 'stop', cause: 'reaches its longest take, and must not be interrupted', says };
}

function chanceTrouble(block: Block, { chance, wanted }: Known): BlockTrouble | undefined {
  if (chance === undefined || chance >= wanted) return undefined;
  const cause = `may not last: ${percent(wanted)} of days are asked for`;
  return { block, is: 'caution', cause, says: `lasts in ${percent(chance)} of runs.` };
}
