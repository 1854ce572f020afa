import { QueryTypes, Sequelize } from 'sequelize';
import { migrations } from './migrations';
import { runMigrations } from './run-migrations';
import { defineItemModels } from './models/item';
import type { ItemModels } from './models/item';
import { defineLiveChunk } from './models/live-chunk';
import type { LiveChunkModel } from './models/live-chunk';
import { definePhoto } from './models/photo';
import type { PhotoModel } from './models/photo';
import { definePiece } from './models/piece';
import type { PieceModel } from './models/piece';
import { definePlanRest } from './models/plan-rest';
import type { PlanRestModel } from './models/plan-rest';
import { defineRecordingData } from './models/recording-data';
import type { RecordingDataModel } from './models/recording-data';
import { defineRevision } from './models/revision';
import type { RevisionModel } from './models/revision';
import { WORLD_SETTING } from './world';
import type { World } from './world';

export interface Database {
  readonly sequelize: Sequelize;
  readonly items: ItemModels;
  readonly revisions: RevisionModel;
  readonly planRests: PlanRestModel;
  readonly recordingData: RecordingDataModel;
  readonly liveChunks: LiveChunkModel;
  readonly pieces: PieceModel;
  readonly photos: PhotoModel;
}

/** The database gives a statement up after so long; one that says nothing at all is given up a little later. */
const STATEMENT_MS = 4500;
const SILENCE_MS = 5000;

export interface DatabaseOptions {
  /** Whose rows there are to it; tables are brought up to date in none. */
  readonly world?: World;
  /** For work at the start, which may take its time. */
  readonly patient?: boolean;
}

/** Opens a pool. No connection is made before the first query, and a lost one is replaced by itself. */
export function openDatabase(url: string, { world, patient = false }: DatabaseOptions = {}): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    define: { underscored: true },
    // short enough that a person hears of a database that is away instead of waiting for it
    pool: { max: 10, acquire: 2500, idle: 10_000 },
    dialectOptions: {
      connectionTimeoutMillis: 2500,
      ...(world !== undefined && { options: `-c ${WORLD_SETTING}=${world}` }),
      ...(!patient && { statement_timeout: STATEMENT_MS, query_timeout: SILENCE_MS }),
    },
  });
  dropSilentConnections(sequelize);
  return {
    sequelize,
    items: defineItemModels(sequelize),
    revisions: defineRevision(sequelize),
    planRests: definePlanRest(sequelize),
    recordingData: defineRecordingData(sequelize),
    liveChunks: defineLiveChunk(sequelize),
    pieces: definePiece(sequelize),
    photos: definePhoto(sequelize),
  };
}

/** What the driver has of a connection, as far as it is asked here. */
interface DriverConnection {
  query: (...args: unknown[]) => unknown;
  readonly connection: { readonly stream: { readonly destroy: () => void } };
  _invalid?: boolean;
}

/** A connection whose statement was not answered would keep the next one waiting too: it is not given to anybody again. */
function dropSilentConnections(sequelize: Sequelize): void {
  sequelize.addHook('afterConnect', (made: unknown) => {
    const client = made as DriverConnection;
    const query = client.query.bind(client);
    client.query = (...args) => {
      const done = args.at(-1);
      if (typeof done !== 'function') return query(...args);
      return query(...args.slice(0, -1), (error: Error | null, ...more: unknown[]) => {
        if (error?.message === 'Query read timeout') {
          client._invalid = true; // Sequelize's own mark
          client.connection.stream.destroy();
        }
        (done as (...said: unknown[]) => void)(error, ...more);
      });
    };
  });
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

/**
 * Brings the tables up to date, and says by which steps; does nothing when they are. Throws where a newer version has been
 * here: nothing is touched.
 */
export async function migrate({ sequelize }: Database): Promise<readonly string[]> {
  await refuseNewer(sequelize);
  return runMigrations(sequelize, migrations);
}

/** What a newer version made of the tables is not understood here. */
async function refuseNewer(sequelize: Sequelize): Promise<void> {
  if (!(await sequelize.getQueryInterface().tableExists('migrations'))) return;
  const done = await sequelize.query<{ name: string }>('SELECT name FROM migrations', { type: QueryTypes.SELECT });
  const unknown = done.map(({ name }) => name).filter((name) => !migrations.some((known) => known.name === name));
  if (unknown.length > 0)
    throw new NewerDatabase(
      `The data was last opened by a newer Viaggio (it has ${unknown.sort().at(-1)}; this one ends at ${migrations.at(-1)!.name}). Start that version, or move the data folder away; nothing was changed.`,
    );
}

/** Told as a sentence: there is nothing to look for in a stack. */
export class NewerDatabase extends Error {}
