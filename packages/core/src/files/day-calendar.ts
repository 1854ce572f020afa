import ICAL from 'ical.js';
import { instantAt, minuteAt, minuteOf, minuteOfClock } from '../day/model';
import { BLOCK_KINDS, blockTitle } from '../day/shape';
import type { Block, BlockKind, Day } from '../day/shape';
import { gearTitle } from '../gear';
import type { Gear } from '../gear';
import { issue } from '../issue';
import type { Issue } from '../issue';
import type { Rig } from '../rig/drawn';

const RIG = 'x-viaggio-rig';
const KIND = 'x-viaggio-kind';
const OWN_KIND = 'x-viaggio-own-kind';
const HARD = 'x-viaggio-uninterrupted';
/** Categories of what is no block. */
const BATTERY = 'battery';
const CARD = 'card';
/** A change in a calendar: long enough to be seen, with an alarm before it. */
const LEAST_CHANGE_MIN = 5;
const ALARM_BEFORE_MIN = 10;
/** Occurrences of one event that repeats. */
const MOST_OCCURRENCES = 400;

// a line is 75 octets at most (RFC 5545, 3.1): the blank that a folded one begins with is not counted by the package
ICAL.foldLength = 74;

/**
 * A day as a calendar (iCalendar, RFC 5545): an event for every block and every change of battery and card. `stampMs` is when it
 * was made: the format asks for it.
 *
 * @example dayToCalendar(day, gear, rigs, 0).split('\r\n')[0] // 'BEGIN:VCALENDAR'
 */
export function dayToCalendar(day: Day, gear: ReadonlyMap<string, Gear>, rigs: ReadonlyMap<string, Rig>, stampMs: number): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Viaggio//Day//EN');
  addText(calendar, 'x-wr-calname', day.name);
  const rigName = (id: string): string => rigs.get(id)?.name ?? 'a rig';
  const event = (uid: string, summary: string, fromMin: number, toMin: number): ICAL.Component => {
    const component = new ICAL.Component('vevent');
    component.addPropertyWithValue('uid', uid);
    component.addPropertyWithValue('dtstamp', utc(stampMs));
    component.addPropertyWithValue('dtstart', utc(instantAt(day, fromMin)));
    component.addPropertyWithValue('dtend', utc(instantAt(day, toMin)));
    component.addPropertyWithValue('summary', summary);
    calendar.addSubcomponent(component);
    return component;
  };
  /** A change is some minutes of somebody's day, told in time to walk there. */
  const change = (uid: string, summary: string, atMin: number, category: string, takesMin = 0): void => {
    const component = event(uid, summary, atMin, atMin + Math.max(takesMin, LEAST_CHANGE_MIN));
    component.addPropertyWithValue('categories', category);
    const alarm = new ICAL.Component('valarm');
    alarm.addPropertyWithValue('action', 'DISPLAY');
    alarm.addPropertyWithValue('description', summary);
    alarm.addPropertyWithValue('trigger', ICAL.Duration.fromSeconds(-60 * ALARM_BEFORE_MIN));
    component.addSubcomponent(alarm);
  };
  for (const block of day.blocks) {
    const what = blockTitle(block, day);
    const component = event(`${block.id}@viaggio`, `${what} (${rigName(block.rigId)})`, block.fromMin, block.toMin);
    const place = day.places?.find(({ id }) => id === block.placeId);
    if (place) component.addPropertyWithValue('location', place.name);
    const own = day.kinds?.find(({ id }) => id === block.ownKindId);
    component.addPropertyWithValue('categories', own?.name ?? BLOCK_KINDS[block.kind]);
    if (own) addText(component, OWN_KIND, own.name);
    addText(component, RIG, block.rigId);
    addText(component, KIND, block.kind);
    if (block.name === undefined) component.addPropertyWithValue('x-viaggio-unnamed', 'yes');
    if (block.uninterrupted) component.addPropertyWithValue(HARD, 'yes');
  }
  for (const { rigId, seatId, batteryId, atMin } of day.swaps ?? []) {
    const battery = gear.get(batteryId);
    const title = battery ? gearTitle(battery) : 'A battery';
    change(`${rigId}-${seatId}-${batteryId}-${atMin}@viaggio`, `${title} into ${rigName(rigId)}`, atMin, BATTERY);
  }
  for (const { cardsId, atMin } of day.cardChanges ?? []) {
    const cards = day.cards?.find(({ id }) => id === cardsId);
    if (!cards) continue;
    const device = gear.get(cards.deviceId)?.name ?? 'a device';
    change(`${cardsId}-${atMin}@viaggio`, `Card of ${device} (${rigName(cards.rigId)})`, atMin, CARD, cards.changeMin);
  }
  return calendar.toString();
}

/** Properties of our own are texts like others: their line breaks are escaped, and cannot begin an event. */
function addText(component: ICAL.Component, name: string, value: string): void {
  const property = new ICAL.Property(name, component);
  property.resetType('text');
  property.setValue(value);
  component.addProperty(property);
}

/** What a calendar says of a day: blocks to put into it, and what could not be read. */
export interface ReadCalendar {
  readonly blocks: readonly Block[];
  readonly issues: readonly Issue[];
}

/**
 * Reads a calendar's events as blocks of a day. Events of its own keep their block; others go to `rigId`, at clock times
 * of the day's zone where they name none. Events that repeat come once each time; those outside the plan, of whole days
 * and of batteries and cards are left out. Never throws: what is wrong is told, by the event's place.
 *
 * @example blocksFromCalendar(dayToCalendar(day, gear, rigs, 0), day, day.rigIds[0], newId).blocks.length // 13
 */
export function blocksFromCalendar(text: string, day: Day, rigId: string, newId: () => string): ReadCalendar {
  let root: ICAL.Component;
  try {
    root = new ICAL.Component(ICAL.parse(text) as unknown[]);
  } catch (error) {
    return {
      blocks: [],
      issues: [issue('', 'bad-calendar', 'a calendar (iCalendar, .ics)', error instanceof Error ? error.message : String(error))],
    };
  }
  const blocks: Block[] = [];
  const issues: Issue[] = [];
  root.getAllSubcomponents('vevent').forEach((component, index) => {
    const path = `/vevent/${index}`;
    if ([BATTERY, CARD].includes(String(component.getFirstPropertyValue('categories')))) return;
    const event = new ICAL.Event(component);
    if (!event.startDate || !event.endDate) {
      issues.push(issue(`${path}/dtstart`, 'no-time', 'a beginning and an end', event.summary ?? ''));
      return;
    }
    if (event.startDate.isDate) {
      issues.push(issue(`${path}/dtstart`, 'whole-day', 'a time of day', event.summary));
      return;
    }
    const lengthMin = event.duration.toSeconds() / 60;
    const endMin = minuteAt(day, day.days, 0);
    const times = startsOf(event, component, day, endMin);
    const within = times.filter((fromMin) => fromMin >= 0 && fromMin + lengthMin <= endMin);
    if (within.length === 0) {
      issues.push(issue(`${path}/dtstart`, 'outside', `a time within the ${day.days} days from ${day.date}`, event.startDate.toString()));
      return;
    }
    if (lengthMin <= 0) {
      issues.push(issue(`${path}/dtend`, 'ends-before-it-begins', 'an end after the beginning', event.endDate.toString()));
      return;
    }
    within.forEach((fromMin, occurrence) =>
      blocks.push(blockOf(component, event, day, rigId, { fromMin, lengthMin, again: occurrence > 0 }, newId)),
    );
  });
  return { blocks, issues };
}

function blockOf(
  component: ICAL.Component,
  event: ICAL.Event,
  day: Day,
  rigId: string,
  { fromMin, lengthMin, again }: { readonly fromMin: number; readonly lengthMin: number; readonly again: boolean },
  newId: () => string,
): Block {
  const text = (name: string): string | undefined => {
    const value = component.getFirstPropertyValue(name);
    return typeof value === 'string' ? value : undefined;
  };
  const own = /^([0-9a-f-]{36})@viaggio$/.exec(event.uid)?.[1];
  const rig = text(RIG);
  const kind = text(KIND);
  const ownKind = day.kinds?.find(({ name }) => name === text(OWN_KIND));
  const summary = event.summary.replace(own === undefined ? /$^/ : / \([^)]*\)$/, '').slice(0, 60);
  const place = day.places?.find(({ name }) => name === event.location);
  return {
    id: own !== undefined && !again ? own : newId(),
    rigId: rig !== undefined && day.rigIds.includes(rig) ? rig : rigId,
    kind: kind !== undefined && Object.hasOwn(BLOCK_KINDS, kind) ? (kind as BlockKind) : 'record',
    ...(summary !== '' && text('x-viaggio-unnamed') === undefined && { name: summary }),
    fromMin: Math.round(fromMin),
    toMin: Math.round(fromMin + lengthMin),
    ...(ownKind && { ownKindId: ownKind.id }),
    ...(place && { placeId: place.id }),
    ...(text(HARD) === 'yes' && { uninterrupted: true }),
  };
}

function startsOf(event: ICAL.Event, component: ICAL.Component, day: Day, endMin: number): readonly number[] {
  const zone = component.getFirstProperty('dtstart')?.getFirstParameter('tzid');
  const minute = (time: ICAL.Time): number =>
    time.zone === ICAL.Timezone.utcTimezone || time.zone.component
      ? minuteOf(day, time.toUnixTime() * 1000)
      : minuteOfClock(day, { year: time.year, month: time.month, day: time.day, hour: time.hour, minute: time.minute }, zone || undefined);
  if (!event.isRecurring()) return [minute(event.startDate)];
  const starts: number[] = [];
  const occurrences = event.iterator();
  for (let time = occurrences.next(); time && starts.length < MOST_OCCURRENCES; time = occurrences.next()) {
    if (minute(time) > endMin) break;
    starts.push(minute(time));
  }
  return starts;
}

function utc(ms: number): ICAL.Time {
  return ICAL.Time.fromJSDate(new Date(ms), true);
}
