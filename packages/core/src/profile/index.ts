export { momentOf } from './moment';
export type { StationMoment } from './moment';
export { trackTo } from './track';
export type { Level, Station, Track } from './track';
