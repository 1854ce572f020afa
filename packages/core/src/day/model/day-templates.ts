import type { Block, BlockKind, Day } from '../shape';
import { minuteAt } from './clock';

interface TemplateBlock {
  readonly kind: BlockKind;
  readonly name: string;
  /** Clock hours; past 24 is the next day. */
  readonly from: number;
  readonly to: number;
  readonly uninterrupted?: true;
}

export interface DayTemplate {
  readonly id: string;
  readonly title: string;
  readonly says: string;
  readonly blocks: readonly TemplateBlock[];
}

/** Days as they usually go, to begin with and to change. */
export const DAY_TEMPLATES: readonly DayTemplate[] = [
  {
    id: 'interviews',
    title: 'Interviews',
    says: 'Two long takes before lunch, two after it; nothing is interrupted.',
    blocks: [
      { kind: 'stand-by', name: 'Set up', from: 8.5, to: 9.5 },
      { kind: 'record', name: 'First interview', from: 9.5, to: 10.75, uninterrupted: true },
      { kind: 'record', name: 'Second interview', from: 11.25, to: 12.5, uninterrupted: true },
      { kind: 'meal', name: 'Lunch', from: 12.5, to: 13.5 },
      { kind: 'record', name: 'Third interview', from: 13.5, to: 14.75, uninterrupted: true },
      { kind: 'record', name: 'Fourth interview', from: 15.25, to: 16.5, uninterrupted: true },
      { kind: 'record', name: 'Room and details', from: 16.5, to: 17.5 },
    ],
  },
  {
    id: 'event',
    title: 'Event from morning to night',
    says: 'Twelve hours with a ceremony, speeches and a dance.',
    blocks: [
      { kind: 'record', name: 'Getting ready', from: 9, to: 11.5 },
      { kind: 'travel', name: 'On the way', from: 11.5, to: 12.25 },
      { kind: 'record', name: 'Ceremony', from: 12.5, to: 13.5, uninterrupted: true },
      { kind: 'record', name: 'Portraits', from: 13.5, to: 15.5 },
      { kind: 'meal', name: 'Meal', from: 17, to: 18.5 },
      { kind: 'record', name: 'Speeches', from: 18.5, to: 19.5, uninterrupted: true },
      { kind: 'record', name: 'Dance', from: 20, to: 22 },
    ],
  },
  {
    id: 'scenes',
    title: 'Scenes, ten hours',
    says: 'Rehearse, roll, turn round: an hour at a time with a meal in the middle.',
    blocks: [
      { kind: 'stand-by', name: 'Build and rehearse', from: 8, to: 9 },
      { kind: 'record', name: 'Scene 1', from: 9, to: 11 },
      { kind: 'stand-by', name: 'Turn round', from: 11, to: 11.5 },
      { kind: 'record', name: 'Scene 2', from: 11.5, to: 13 },
      { kind: 'meal', name: 'Lunch', from: 13, to: 14 },
      { kind: 'record', name: 'Scene 3', from: 14, to: 16 },
      { kind: 'stand-by', name: 'Turn round', from: 16, to: 16.5 },
      { kind: 'record', name: 'Scene 4', from: 16.5, to: 18 },
    ],
  },
  {
    id: 'talk',
    title: 'Talks, locked off',
    says: 'A morning and an afternoon session without a break in either.',
    blocks: [
      { kind: 'stand-by', name: 'Sound check', from: 8, to: 9 },
      { kind: 'record', name: 'Morning session', from: 9, to: 12, uninterrupted: true },
      { kind: 'meal', name: 'Lunch', from: 12, to: 13 },
      { kind: 'record', name: 'Afternoon session', from: 13, to: 16.5, uninterrupted: true },
    ],
  },
  {
    id: 'round-the-clock',
    title: 'Round the clock',
    says: 'One block of a day: for what stands by itself.',
    blocks: [{ kind: 'record', name: 'All day and night', from: 0, to: 24 }],
  },
];

/** A template's blocks for each of the rigs, on the first day of a plan. */
export function templateBlocks(
  { blocks }: DayTemplate,
  calendar: Pick<Day, 'date' | 'zone'>,
  rigIds: readonly string[],
  newId: () => string,
): readonly Block[] {
  const minute = (hours: number): number => minuteAt(calendar, Math.floor(hours / 24), (hours % 24) * 60);
  return rigIds.flatMap((rigId) =>
    blocks.map(({ from, to, ...rest }): Block => ({ ...rest, id: newId(), rigId, fromMin: minute(from), toMin: minute(to) })),
  );
}

/** Another day as a template: its rigs, places, hands, chargers, kinds and blocks, without what was planned, charged or broken. */
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
