export { leftAlone } from './autonomy';
export type { Alone, AloneAnswer, DayAlone } from './autonomy';
export type { Visit } from './day-walk';
export type { UnattendedSays } from './says';
