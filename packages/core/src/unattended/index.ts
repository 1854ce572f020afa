export { leftAlone } from './alone';
export type { Alone, AloneAnswer, DayAlone } from './alone';
export type { Visit } from './day-walk';
