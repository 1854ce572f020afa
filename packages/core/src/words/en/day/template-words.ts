import type { DayTemplateId, TemplateBlockName } from '../../../day/model';

/** What a template of a day is called, and what such a day is like. */
export const DAY_TEMPLATE_WORDS: Readonly<Record<DayTemplateId, { readonly title: string; readonly says: string }>> = {
  interviews: { title: 'Interviews', says: 'Two long takes before lunch, two after it; nothing is interrupted.' },
  event: { title: 'Event from morning to night', says: 'Twelve hours with a ceremony, speeches and a dance.' },
  scenes: { title: 'Scenes, ten hours', says: 'Rehearse, roll, turn round: an hour at a time with a meal in the middle.' },
  talk: { title: 'Talks, locked off', says: 'A morning and an afternoon session without a break in either.' },
  'round-the-clock': { title: 'Round the clock', says: 'One block of a day: for what stands by itself.' },
};

export const TEMPLATE_BLOCK_NAMES: Readonly<Record<TemplateBlockName, string>> = {
  'set-up': 'Set up',
  'first-interview': 'First interview',
  'second-interview': 'Second interview',
  lunch: 'Lunch',
  'third-interview': 'Third interview',
  'fourth-interview': 'Fourth interview',
  'room-and-details': 'Room and details',
  'getting-ready': 'Getting ready',
  'on-the-way': 'On the way',
  ceremony: 'Ceremony',
  portraits: 'Portraits',
  meal: 'Meal',
  speeches: 'Speeches',
  dance: 'Dance',
  'build-and-rehearse': 'Build and rehearse',
  'scene-1': 'Scene 1',
  'turn-round': 'Turn round',
  'scene-2': 'Scene 2',
  'scene-3': 'Scene 3',
  'scene-4': 'Scene 4',
  'sound-check': 'Sound check',
  'morning-session': 'Morning session',
  'afternoon-session': 'Afternoon session',
  'all-day-and-night': 'All day and night',
};
