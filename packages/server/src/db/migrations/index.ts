import type { QueryInterface } from 'sequelize';
import * as gearAndRigs from './0001-gear-and-rigs';
import * as linksAndPlanRest from './0002-links-and-plan-rest';
import * as log from './0003-log';
import * as days from './0004-days';
import * as segments from './0005-segments';
import * as photos from './0006-photos';
import * as sheets from './0007-sheets';
import * as trips from './0008-trips';
import * as placesAndPieces from './0009-places-and-pieces';
import * as liveLeases from './0010-live-leases';
import * as worlds from './0011-worlds';

export interface Migration {
  readonly name: string;
  readonly up: (tables: QueryInterface) => Promise<void>;
}

/**
 * In order; a migration that has landed is never changed. One that changes rows lifts the guard of their worlds while it
 * does (`NO FORCE ROW LEVEL SECURITY`): it is of no world itself, and would find none.
 */
export const migrations: readonly Migration[] = [
  { name: '0001-gear-and-rigs', up: gearAndRigs.up },
  { name: '0002-links-and-plan-rest', up: linksAndPlanRest.up },
  { name: '0003-log', up: log.up },
  { name: '0004-days', up: days.up },
  { name: '0005-segments', up: segments.up },
  { name: '0006-photos', up: photos.up },
  { name: '0007-sheets', up: sheets.up },
  { name: '0008-trips', up: trips.up },
  { name: '0009-places-and-pieces', up: placesAndPieces.up },
  { name: '0010-live-leases', up: liveLeases.up },
  { name: '0011-worlds', up: worlds.up },
];
