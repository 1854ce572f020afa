import type { Sheet } from '@viaggio/core/bench';
import type { Day } from '@viaggio/core/day';
import { idShape } from '@viaggio/core/gear';
import type { Gear, Rig } from '@viaggio/core/gear';
import { TAG_FORMATS } from '@viaggio/core/travel';
import type { Trip } from '@viaggio/core/travel';
import { choice, list, number, object, optional, text } from '@viaggio/core/units';
import { AppError } from '../errors';
import type { ItemServices } from '../items/kinds';
import { operation } from '../http/operation';
import type { Operation } from '../http/operation';
import { PAPERS } from './paper';
import type { Work } from '../threads/work';
import { PRINT_POWER_SHEET, PRINT_TAGS } from './print-tasks';
import { fileName } from './tags-pdf';

const PDF_TYPE = 'application/pdf';
const MOST_TAGS = 1000;

const sheetOrder = object('A power sheet', {
  /** Of a day, or of rigs alone. */
  dayId: optional(idShape),
  /** Says who to ask, and in which bag things lie. */
  tripId: optional(idShape),
  rigIds: optional(list('Only these rigs', idShape, { min: 1, max: 100 })),
  paper: choice('Paper', PAPERS),
});

const tagOrder = object('Tags', {
  gearIds: list('Gear', idShape, { min: 1, max: MOST_TAGS }),
  format: choice(
    'Labels',
    Object.fromEntries(Object.entries(TAG_FORMATS).map(([id, { title }]) => [id, title])) as Record<keyof typeof TAG_FORMATS, string>,
  ),
  skip: optional(number('Labels that are gone already', 'count', { max: 100, integer: true })),
  origin: text('Links begin with', 120, { regex: /^https?:\/\/[^\s/?#]+$/, says: 'an address such as http://192.168.1.20:4377' }),
});

/** Sheets on paper, made here: what is printed is what is kept. */
export function printOperations(items: ItemServices, work: Work): readonly Operation[] {
  const bodies = async <B>(kind: keyof ItemServices): Promise<ReadonlyMap<string, B>> =>
    new Map((await items[kind].list()).map(({ id, body }) => [id, body as B]));
  return [
    operation({
      id: 'printPowerSheet',
      method: 'post',
      path: '/api/prints/power-sheet',
      tag: 'prints',
      summary: 'The crew’s power sheet of a day, or of rigs, as PDF',
      body: sheetOrder,
      answers: { status: 200, says: 'A PDF', mediaType: PDF_TYPE },
      fails: ['malformed-request', 'invalid-fields', 'not-found', 'busy', 'too-heavy', 'database-away'],
      handle: async ({ body: { dayId, tripId, rigIds, paper }, signal }) => {
        const [gear, rigs, days, trips, benched] = await Promise.all([
          bodies<Gear>('gear'),
          bodies<Rig>('rigs'),
          bodies<Day>('days'),
          bodies<Trip>('trips'),
          bodies<Sheet>('sheets'),
        ]);
        for (const id of rigIds ?? []) if (!rigs.has(id)) throw new AppError('not-found', `No rig has the identifier ${id}.`);
        const day = dayId === undefined ? undefined : days.get(dayId);
        if (dayId !== undefined && !day) throw new AppError('not-found', `No day has the identifier ${dayId}.`);
        const trip = tripId === undefined ? undefined : trips.get(tripId);
        if (tripId !== undefined && !trip) throw new AppError('not-found', `No trip has the identifier ${tripId}.`);
        const madeAt = new Date().toISOString().slice(0, 16).replace('T', ' ') + ' UTC';
        const sheets = [...benched].map(([id, body]) => ({ id, body }));
        const order = { gear, rigs, day, trip, sheets, ...(rigIds && { rigIds }) };
        const { title, bytes } = await work.run(PRINT_POWER_SHEET, { order, paper, madeAt }, signal);
        return { status: 200, file: { bytes, mediaType: PDF_TYPE, name: fileName(`Power sheet, ${title}`) } };
      },
    }),
    operation({
      id: 'printTags',
      method: 'post',
      path: '/api/prints/tags',
      tag: 'prints',
      summary: 'Tags for gear on a sheet of labels, each with a code that opens it, as PDF',
      body: tagOrder,
      answers: { status: 200, says: 'A PDF', mediaType: PDF_TYPE },
      fails: ['malformed-request', 'invalid-fields', 'not-found', 'busy', 'too-heavy', 'database-away'],
      handle: async ({ body: { gearIds, format, skip = 0, origin }, signal }) => {
        const gear = await bodies<Gear>('gear');
        const chosen = gearIds.map((id) => {
          const body = gear.get(id);
          if (!body) throw new AppError('not-found', `No gear has the identifier ${id}.`);
          return { id, body };
        });
        const { across, down } = TAG_FORMATS[format];
        const bytes = await work.run(PRINT_TAGS, { gear: chosen, format, skip: Math.min(skip, across * down - 1), origin }, signal);
        return { status: 200, file: { bytes, mediaType: PDF_TYPE, name: fileName('Tags') } };
      },
    }),
  ];
}
