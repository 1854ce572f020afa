import { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { migrations } from './migrations/index';
import { defineItemModels } from './models/item';
import type { ItemModels } from './models/item';
import { defineLiveChunk } from './models/live-chunk';
import type { LiveChunkModel } from './models/live-chunk';
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
  };
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
