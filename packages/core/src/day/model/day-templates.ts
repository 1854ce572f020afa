import type { Block, BlockKind, Day } from '../shape';
import { minuteAt } from './clock';

export type DayTemplateId = 'interviews' | 'event' | 'scenes' | 'talk' | 'round-the-clock';
/** What a template calls its blocks; the words say it. */
export type TemplateBlockName =
  | 'set-up'
  | 'first-interview'
  | 'second-interview'
  | 'lunch'
  | 'third-interview'
  | 'fourth-interview'
  | 'room-and-details'
  | 'getting-ready'
  | 'on-the-way'
  | 'ceremony'
  | 'portraits'
  | 'meal'
  | 'speeches'
  | 'dance'
  | 'build-and-rehearse'
  | 'scene-1'
  | 'turn-round'
  | 'scene-2'
  | 'scene-3'
  | 'scene-4'
  | 'sound-check'
  | 'morning-session'
  | 'afternoon-session'
  | 'all-day-and-night';

interface TemplateBlock {
  readonly kind: BlockKind;
  readonly called: TemplateBlockName;
  /** Clock hours; past 24 is the next day. */
  readonly from: number;
  readonly to: number;
  readonly uninterrupted?: true;
}

export interface DayTemplate {
  readonly id: DayTemplateId;
  readonly blocks: readonly TemplateBlock[];
}

/** Days as they usually go, to begin with and to change. */
export const DAY_TEMPLATES: readonly DayTemplate[] = [
  {
    id: 'interviews',
    blocks: [
      { kind: 'stand-by', called: 'set-up', from: 8.5, to: 9.5 },
      { kind: 'record', called: 'first-interview', from: 9.5, to: 10.75, uninterrupted: true },
      { kind: 'record', called: 'second-interview', from: 11.25, to: 12.5, uninterrupted: true },
      { kind: 'meal', called: 'lunch', from: 12.5, to: 13.5 },
      { kind: 'record', called: 'third-interview', from: 13.5, to: 14.75, uninterrupted: true },
      { kind: 'record', called: 'fourth-interview', from: 15.25, to: 16.5, uninterrupted: true },
      { kind: 'record', called: 'room-and-details', from: 16.5, to: 17.5 },
    ],
  },
  {
    id: 'event',
    blocks: [
      { kind: 'record', called: 'getting-ready', from: 9, to: 11.5 },
      { kind: 'travel', called: 'on-the-way', from: 11.5, to: 12.25 },
      { kind: 'record', called: 'ceremony', from: 12.5, to: 13.5, uninterrupted: true },
      { kind: 'record', called: 'portraits', from: 13.5, to: 15.5 },
      { kind: 'meal', called: 'meal', from: 17, to: 18.5 },
      { kind: 'record', called: 'speeches', from: 18.5, to: 19.5, uninterrupted: true },
      { kind: 'record', called: 'dance', from: 20, to: 22 },
    ],
  },
  {
    id: 'scenes',
    blocks: [
      { kind: 'stand-by', called: 'build-and-rehearse', from: 8, to: 9 },
      { kind: 'record', called: 'scene-1', from: 9, to: 11 },
      { kind: 'stand-by', called: 'turn-round', from: 11, to: 11.5 },
      { kind: 'record', called: 'scene-2', from: 11.5, to: 13 },
      { kind: 'meal', called: 'lunch', from: 13, to: 14 },
      { kind: 'record', called: 'scene-3', from: 14, to: 16 },
      { kind: 'stand-by', called: 'turn-round', from: 16, to: 16.5 },
      { kind: 'record', called: 'scene-4', from: 16.5, to: 18 },
    ],
  },
  {
    id: 'talk',
    blocks: [
      { kind: 'stand-by', called: 'sound-check', from: 8, to: 9 },
      { kind: 'record', called: 'morning-session', from: 9, to: 12, uninterrupted: true },
      { kind: 'meal', called: 'lunch', from: 12, to: 13 },
      { kind: 'record', called: 'afternoon-session', from: 13, to: 16.5, uninterrupted: true },
    ],
  },
  {
    id: 'round-the-clock',
    blocks: [{ kind: 'record', called: 'all-day-and-night', from: 0, to: 24 }],
  },
];

/**
 * A template's blocks for each of the rigs, on the first day of a plan, called by the names of a language.
 *
 * @example templateBlocks(DAY_TEMPLATES[0], TEMPLATE_BLOCK_NAMES, day, ['one'], newId)[0].name // 'Set up'
 */
export function templateBlocks(
  { blocks }: DayTemplate,
  names: Readonly<Record<TemplateBlockName, string>>,
  calendar: Pick<Day, 'date' | 'zone'>,
  rigIds: readonly string[],
  newId: () => string,
): readonly Block[] {
  const minute = (hours: number): number => minuteAt(calendar, Math.floor(hours / 24), (hours % 24) * 60);
  return rigIds.flatMap((rigId) =>
    blocks.map(({ from, to, called, ...rest }): Block => ({
      ...rest,
      name: names[called],
      id: newId(),
      rigId,
      fromMin: minute(from),
      toMin: minute(to),
    })),
  );
}

/**
 * Another day as a template: its rigs, places, hands, chargers, kinds and blocks, without what was planned, charged or broken.
 *
 * @example dayLike(day, 'Day 3', '2026-01-14', newId).date // '2026-01-14'
 */
export function dayLike(day: Day, name: string, date: string, newId: () => string): Day {
  const { swaps: _swaps, charges: _charges, cardChanges: _cardChanges, lost: _lost, note: _note, follows: _follows, ...rest } = day;
  return {
    ...rest,
    name,
    date,
    blocks: day.blocks.map((block) => ({ ...block, id: newId() })),
    ...(day.batteries && { batteries: day.batteries.map(({ startCharge: _charge, ...battery }) => battery) }),
    ...(day.cards && { cards: day.cards.map(({ full: _full, ...cards }) => cards) }),
  };
}
