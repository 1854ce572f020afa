import type { Block, Day } from '@viaggio/core/day';
import {
  blocksFromCalendar,
  blocksFromCsv,
  blocksToCsv,
  dayToCalendar,
  drawsToCsv,
  gearToCsv,
  observationsToCsv,
  readGearCsv,
  segmentsToCsv,
  slotsToCsv,
  weatherFromCsv,
} from '@viaggio/core/document';
import type { Gear, Rig } from '@viaggio/core/gear';
import { learnedDraws } from '@viaggio/core/measure';
import type { Log } from '@viaggio/core/measure';
import type { Issue } from '@viaggio/core/units';

/** Blocks of a calendar or of a table, and what of it could not be taken. */
export interface ReadBlocks {
  readonly blocks: readonly Block[];
  readonly issues: readonly Issue[];
}

function readBlocks(text: string, day: Day, rigId: string, rigs: ReadonlyMap<string, Rig>): ReadBlocks {
  const newId = (): string => crypto.randomUUID();
  const isCalendar = /^\uFEFF?\s*BEGIN:VCALENDAR/i.test(text);
  return isCalendar ? blocksFromCalendar(text, day, rigId, newId) : blocksFromCsv(text, day, rigs, newId);
}

function readGear(text: string, known: ReadonlyMap<string, Gear>): ReturnType<typeof readGearCsv> {
  return readGearCsv(
    text,
    [...known].map(([id, body]) => ({ id, body })),
  );
}

/** Files out and in: what reads and writes them is large, and no page waits for it. */
export const files = {
  readBlocks,
  readGear,
  readWeather: weatherFromCsv,
  gearTable: gearToCsv,
  observationsTable: observationsToCsv,
  drawsTable: (log: Log): string => drawsToCsv(learnedDraws(log)),
  segmentsTable: segmentsToCsv,
  slotsTable: slotsToCsv,
  blocksTable: blocksToCsv,
  dayCalendar: dayToCalendar,
};
