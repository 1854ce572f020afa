export { blocksFromCalendar, dayToCalendar } from './day-calendar';
export { blocksFromCsv, blocksToCsv } from './day-csv';
export { gearToCsv, readGearCsv } from './gear-csv';
export type { CsvIssue } from './gear-csv';
export { drawsToCsv, observationsToCsv, segmentsToCsv, slotsToCsv } from './log-csv';
export { weatherFromCsv } from './weather-csv';
