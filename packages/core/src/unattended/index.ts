export { autonomyOf } from './autonomy';
export type { Autonomy, AutonomyAnswer, DayAlone } from './autonomy';
export type { Visit } from './day-walk';
export type { UnattendedSays } from './says';
