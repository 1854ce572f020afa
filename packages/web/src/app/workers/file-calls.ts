import { blocksFromCalendar, blocksFromCsv, drawsToCsv, learnedDraws, readGearCsv, segmentsToCsv, slotsToCsv } from '@viaggio/core';
import type { Block, Day, Gear, Issue, Log, Rig, Slots } from '@viaggio/core';

/** Blocks of a calendar or of a table, and what of it could not be taken. */
export interface ReadBlocks {
  readonly blocks: readonly Block[];
  readonly issues: readonly Issue[];
}

export function readBlocks(text: string, day: Day, rigId: string, rigs: ReadonlyMap<string, Rig>): ReadBlocks {
  const newId = (): string => crypto.randomUUID();
  const isCalendar = /^\uFEFF?\s*BEGIN:VCALENDAR/i.test(text);
  return isCalendar ? blocksFromCalendar(text, day, rigId, newId) : blocksFromCsv(text, day, rigs, newId);
}

export function readGear(text: string, known: ReadonlyMap<string, Gear>): ReturnType<typeof readGearCsv> {
  return readGearCsv(
    text,
    [...known].map(([id, body]) => ({ id, body })),
  );
}

/** Tables that take reading the whole log, or every slot of a recording. */
export const tables = {
  drawsTable: (log: Log): string => drawsToCsv(learnedDraws(log)),
  segmentsTable: (log: Log): string => segmentsToCsv(log),
  slotsTable: (slots: Slots): string => slotsToCsv(slots),
};
