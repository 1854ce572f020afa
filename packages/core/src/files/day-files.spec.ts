import { withBlocks } from '../day/model/edit-day';
import type { Day } from '../day/shape/day';
import { LOW_WATER } from '../demo/low-water';
import { LOW_WATER_DAY } from '../demo/low-water-day';
import { blocksFromCalendar, dayToCalendar } from './day-calendar';
import { blocksFromCsv, blocksToCsv } from './day-csv';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const day: Day = LOW_WATER_DAY.body;
const STAMP = Date.UTC(2026, 0, 11, 12);
const DECK = day.rigIds[1]!;
let made = 0;
const newId = () => `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`;
const calendar = (...lines: string[]) => ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:x', ...lines, 'END:VCALENDAR', ''].join('\r\n');

describe('a day as a calendar', () => {
  it.each([undefined, 'Europe/Paris', 'America/New_York'])('comes back as it went, in the zone %s', (zone) => {
    const here: Day = { ...day, ...(zone !== undefined && { zone }), date: '2026-03-28', blocks: day.blocks.map((block) => ({ ...block, toMin: Math.min(block.toMin, 47 * 60) })), swaps: [{ rigId: DECK, seatId: day.batteries![0]!.gearId, batteryId: day.batteries![0]!.gearId, atMin: 500 }] }; // prettier-ignore
    const text = dayToCalendar(here, gear, rigs, STAMP);
    const { blocks, issues } = blocksFromCalendar(text, here, DECK, newId);
    expect(issues).toEqual([]);
    expect(withBlocks(here, blocks)).toEqual(here);
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(here.blocks.length + 1);
  });

  it('holds every change as some minutes with an alarm before it, and no event without a length', () => {
    const seatId = day.batteries![0]!.gearId;
    const here: Day = { ...day, swaps: [{ rigId: DECK, seatId, batteryId: seatId, atMin: 500 }] };
    const text = dayToCalendar(here, gear, new Map([...rigs].map(([id, rig]) => [id, { ...rig, name: 'Ωmega 船 '.repeat(12) }])), STAMP);
    // folded by octets: a letter of three is not cut
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
    const at = (name: string) => [...text.matchAll(new RegExp(`^${name}:(\\d+T\\d+Z)`, 'gm'))].map(([, stamp]) => stamp!);
    const [starts, ends] = [at('DTSTART'), at('DTEND')];
    expect(starts).toHaveLength(here.blocks.length + 1);
    starts.forEach((start, place) => expect(ends[place]! > start).toBe(true));
    const change = text.slice(text.lastIndexOf('BEGIN:VEVENT'));
    expect(change).toContain('BEGIN:VALARM');
    expect(change).toContain('TRIGGER:-PT10M');
  });

  it('a name with line breaks adds no event, and comes back', () => {
    const evil = 'Evil\r\nEND:VEVENT\r\nBEGIN:VEVENT\r\nUID:evil\nDTSTART:20260112T000000Z';
    const own = { id: 'own', name: evil, like: 'record' as const };
    const here: Day = { ...day, name: evil, kinds: [own], swaps: [], blocks: day.blocks.slice(0, 2).map((block) => ({ ...block, name: evil, ownKindId: 'own', kind: 'record' })), places: day.places!.map((place) => ({ ...place, name: `${place.id} ${evil}` })) }; // prettier-ignore
    const lines = dayToCalendar(here, gear, new Map([...rigs].map(([id, rig]) => [id, { ...rig, name: evil }])), STAMP).split('\r\n');
    expect(lines.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(2);
    expect(lines.filter((line) => /^(UID:evil|DTSTART:20260112T000000Z)/.test(line))).toEqual([]);
    const back = blocksFromCalendar(lines.join('\r\n'), here, DECK, newId);
    expect(back.blocks.map(({ ownKindId }) => ownKindId)).toEqual(['own', 'own']);
  });

  it('takes events of others: clock times, zones, those that repeat, places by name', () => {
    const text = calendar(
      'BEGIN:VEVENT', 'UID:a', 'SUMMARY:Ferry, waiting', 'LOCATION:Quay hut', 'DTSTART:20260113T093000', 'DTEND:20260113T101500', 'END:VEVENT',
      'BEGIN:VEVENT', 'UID:b', 'SUMMARY:Call', 'DTSTART;TZID=America/New_York:20260113T093000', 'DURATION:PT30M', 'END:VEVENT',
      'BEGIN:VEVENT', 'UID:c', 'SUMMARY:Check', 'DTSTART:20260112T200000Z', 'DTEND:20260112T201000Z', 'RRULE:FREQ=HOURLY;COUNT=3', 'END:VEVENT',
    ); // prettier-ignore
    const { blocks, issues } = blocksFromCalendar(text, day, DECK, newId);
    expect(issues).toEqual([]);
    expect(blocks.map(({ name, fromMin, toMin, placeId }) => [name, fromMin, toMin, placeId])).toEqual([
      ['Ferry, waiting', 1440 + 570, 1440 + 615, 'hut'],
      ['Call', 1440 + 14 * 60 + 30, 1440 + 15 * 60, undefined],
      ['Check', 1200, 1210, undefined],
      ['Check', 1260, 1270, undefined],
      ['Check', 1320, 1330, undefined],
    ]);
    expect(new Set(blocks.map(({ id }) => id)).size).toBe(5);
    expect(blocks.every(({ rigId }) => rigId === DECK)).toBe(true);
  });

  it('tells what it cannot take, by the event', () => {
    const text = calendar(
      'BEGIN:VEVENT', 'UID:a', 'SUMMARY:Holiday', 'DTSTART;VALUE=DATE:20260113', 'END:VEVENT',
      'BEGIN:VEVENT', 'UID:b', 'SUMMARY:Next year', 'DTSTART:20270113T093000Z', 'DTEND:20270113T103000Z', 'END:VEVENT',
      'BEGIN:VEVENT', 'UID:c', 'SUMMARY:Nowhere', 'END:VEVENT',
    ); // prettier-ignore
    const { blocks, issues } = blocksFromCalendar(text, day, DECK, newId);
    expect(blocks).toEqual([]);
    expect(issues.map(({ path, code }) => [path, code])).toEqual([
      ['/vevent/0/dtstart', 'whole-day'],
      ['/vevent/1/dtstart', 'outside'],
      ['/vevent/2/dtstart', 'no-time'],
    ]);
    expect(blocksFromCalendar('no calendar at all', day, DECK, newId).issues).toMatchObject([{ code: 'bad-calendar' }]);
  });
});

describe('blocks as a table', () => {
  const plain = ({ blocks }: Pick<Day, 'blocks'>) =>
    blocks.map(({ id: _id, ...block }) => block).sort((a, b) => a.fromMin - b.fromMin || a.rigId.localeCompare(b.rigId));

  it('come back as they went', () => {
    const { blocks, issues } = blocksFromCsv(blocksToCsv(day, rigs), day, rigs, newId);
    expect(issues).toEqual([]);
    expect(plain({ blocks })).toEqual(plain(day));
  });

  it('are read as people write them, an end past midnight on the day after', () => {
    const { blocks, issues } = blocksFromCsv('to;from;rig;kind\n1;2230;Deck;stand by\n', day, rigs, newId);
    expect(issues).toEqual([]);
    expect(blocks).toMatchObject([{ kind: 'stand-by', fromMin: 1350, toMin: 1500 }]);
  });

  it('that are wrong are told by line and column, and the sound ones stay', () => {
    const { blocks, issues } = blocksFromCsv('rig,from,to,place,day\nDeck,9,10,,1\nDock,9,10,,1\nDeck,9,25,Nowhere,7\n', day, rigs, newId);
    expect(blocks).toHaveLength(1);
    expect(issues.map(({ path }) => path)).toEqual(['/3/rig', '/4/day', '/4/to', '/4/place']);
    expect(blocksFromCsv('a,b\n1,2\n', day, rigs, newId).issues).toMatchObject([{ code: 'no-column', expected: 'columns rig, from, to' }]);
  });
});
