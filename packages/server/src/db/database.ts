import { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { migrations } from './migrations/index';
import { defineItemModels } from './models/item';
import type { ItemModels } from './models/item';
import { defineLiveChunk } from './models/live-chunk';
import type { LiveChunkModel } from './models/live-chunk';
import { definePhoto } from './models/photo';
import type { PhotoModel } from './models/photo';
import { definePlanRest } from './models/plan-rest';
import type { PlanRestModel } from './models/plan-rest';
import { defineRecordingData } from './models/recording-data';
import type { RecordingDataModel } from './models/recording-data';
import { defineRevision } from './models/revision';
import type { RevisionModel } from './models/revision';

export interface Database {
  readonly sequelize: Sequelize;
  readonly items: ItemModels;
  readonly revisions: RevisionModel;
  readonly planRests: PlanRestModel;
  readonly recordingData: RecordingDataModel;
  readonly liveChunks: LiveChunkModel;
  readonly photos: PhotoModel;
}

/** Opens a pool. No connection is made before the first query, and a lost one is replaced by itself. */
export function openDatabase(url: string): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    define: { underscored: true },
    // short enough that a person hears of a database that is away instead of waiting for it
    pool: { max: 10, acquire: 4000, idle: 10_000 },
    dialectOptions: { connectionTimeoutMillis: 3000 },
  });
  return {
    sequelize,
    items: defineItemModels(sequelize),
    revisions: defineRevision(sequelize),
    planRests: definePlanRest(sequelize),
    recordingData: defineRecordingData(sequelize),
    liveChunks: defineLiveChunk(sequelize),
    photos: definePhoto(sequelize),
  };
}

/** How often and how far apart the database is asked at start: a minute in all. */
const TRIES = 120;
const BETWEEN_MS = 500;

/** Waits for a database that is still starting; a minute without an answer is the last connection's error. */
export async function untilAnswering({ sequelize }: Database, log: { warn: (what: object, message: string) => void }): Promise<void> {
  for (let tries = 1; ; tries++) {
    try {
      await sequelize.authenticate();
      return;
    } catch (error) {
      if (tries >= TRIES) throw error;
      if (tries === 1) log.warn({ err: error }, 'the database does not answer yet; trying for a minute');
      await new Promise((resolve) => setTimeout(resolve, BETWEEN_MS));
    }
  }
}

/** Brings the tables up to date; does nothing when they are. */
export async function migrate({ sequelize }: Database): Promise<void> {
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({ name, up: () => up(sequelize.getQueryInterface()) })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
  await umzug.up();
}
