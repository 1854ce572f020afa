import { ITEM_KINDS, PLAN_KINDS } from '@viaggio/core/document';
import compression from 'compression';
import express from 'express';
import { rateLimit } from 'express-rate-limit';
import staticGzip from 'express-static-gzip';
import type { ErrorRequestHandler, Express } from 'express';
import helmet from 'helmet';
import path from 'node:path';
import type { Logger } from 'pino';
import swaggerUi from 'swagger-ui-express';
import { openApi } from './api-docs/openapi';
import type { Database } from './db/database';
import type { World } from './db/world';
import { backupOperations } from './backup/backup-operations';
import { changesOperations } from './changes/changes-operations';
import { demoOperations } from './demo/demo-operations';
import { CopyService } from './demo/copy-service';
import { DemoService } from './demo/demo-service';
import { AppError, problemOf } from './errors';
import { LOOPBACK_ONLY } from './http/exposure';
import type { Exposure } from './http/exposure';
import { healthOperations } from './health/health-operations';
import { itemOperations } from './items/item-operations';
import { itemServices } from './items/kinds';
import type { ItemServices } from './items/kinds';
import type { Operation } from './http/operation';
import { evaluateOperations } from './evaluate/evaluate-operations';
import { LiveRecordings } from './meters/live-recordings';
import { meterOperations } from './meters/meter-operations';
import { Meters } from './meters/meters';
import type { MeterPlayer } from './meters/meter-player';
import type { MeterAddress } from './meters/meters';
import { forecastOperations } from './forecast/forecast-operations';
import { Forecasts } from './forecast/forecasts';
import { photoOperations } from './photos/photo-operations';
import { PieceService } from './pieces/piece-service';
import { PhotoService } from './photos/photo-service';
import { RecordingDataService } from './recordings/recording-data-service';
import { recordingOperations } from './recordings/recording-operations';
import { printOperations } from './prints/print-operations';
import { planOperations } from './plan/plan-operations';
import { requireReferences } from './plan/references';
import { routerOf } from './http/router';
import type { Inspect } from './http/router';
import { sameOriginOnly } from './http/same-origin';
import { toAppError } from './http/to-app-error';
import { HERE } from './threads/work';
import type { Work } from './threads/work';
import { largeBodies } from './large-bodies';

/** All that is done in one world. */
export interface Services {
  readonly database: Database;
  readonly items: ItemServices;
  readonly recordings: RecordingDataService;
  readonly photos: PhotoService;
  readonly meters: Meters;
  readonly live: LiveRecordings;
  readonly forecasts: Forecasts;
  readonly pieces: PieceService;
  readonly work: Work;
}

/** Each world has services of its own, on rows of its own. */
export type Worlds = Readonly<Record<World, Services>>;

export interface ServiceOptions {
  /** The meters that the installation's owner lets be polled. */
  readonly meters?: readonly MeterAddress[];
  /** Where the simulated one plays; here when absent. */
  readonly player?: MeterPlayer;
  /** A weather service of theirs. */
  readonly forecastUrl?: string | undefined;
  /** Where what takes long is done. */
  readonly work?: Work;
}

export function servicesOf(database: Database, { meters: allowed = [], forecastUrl, work = HERE, player }: ServiceOptions = {}): Services {
  const items = itemServices(database);
  const meters = new Meters(allowed, items, player);
  const pieces = new PieceService(database);
  const recordings = new RecordingDataService(database, pieces);
  return {
    database,
    pieces,
    work,
    items,
    recordings,
    photos: new PhotoService(database),
    meters,
    live: new LiveRecordings(database, items, recordings, meters),
    forecasts: new Forecasts(forecastUrl),
  };
}

/** Loads the demo crew, and puts it back. */
export const demoServiceOf = ({ demo }: Pick<Worlds, 'demo'>): DemoService => new DemoService(demo.database, demo.items, demo.recordings);

/** Everything the API does in one world, in the order of the documentation. */
export function operationsOf(worlds: Worlds, world: World): readonly Operation[] {
  const { database, items, recordings, photos, meters, live, forecasts, pieces, work } = worlds[world];
  return [
    ...healthOperations(database.sequelize),
    ...PLAN_KINDS.flatMap((kind) =>
      itemOperations(items[kind], ITEM_KINDS[kind].shape, ITEM_KINDS[kind].one, (body) =>
        requireReferences([{ path: '', kind, body }], items),
      ),
    ),
    ...photoOperations(photos),
    ...recordingOperations(recordings),
    ...meterOperations(meters, live),
    ...forecastOperations(forecasts),
    ...changesOperations(database, items),
    ...planOperations(database, items, work),
    ...printOperations(items, work),
    ...evaluateOperations(work),
    ...backupOperations(database, pieces, work),
    ...demoOperations(demoServiceOf(worlds), new CopyService(worlds.demo, worlds[world])),
  ];
}

/** Behind it everything is of the demo crew. */
const DEMO = '/demo';
const UUID = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/i;

/** A phone that looks at the pages asks some twenty times a minute. */
const MOST_REQUESTS_A_MINUTE = 1200;
/** Half a year. */
const HSTS_S = 180 * 24 * 3600;

export interface AppOptions {
  readonly webDir?: string | undefined;
  /** This machine alone unless it says otherwise. */
  readonly exposure?: Exposure;
  readonly inspect?: Inspect;
}

export function createApp(worlds: Worlds, log: Logger, { webDir, exposure = LOOPBACK_ONLY, inspect }: AppOptions = {}): Express {
  const app = express();
  const document = openApi(operationsOf(worlds, 'own'));
  app.disable('x-powered-by');
  app.set('etag', false); // an ETag here is a revision, not a hash of the bytes
  app.use(logRequests(log));
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        // styles are set on elements by ApexCharts and Swagger UI; everything comes from here and nothing leaves
        directives: {
          defaultSrc: ["'self'"],
          // the text recogniser is WebAssembly, compiled in the page; no script is made from text
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          fontSrc: ["'self'", 'data:'],
          objectSrc: ["'none'"],
          baseUri: ["'self'"],
          frameAncestors: ["'none'"],
          formAction: ["'self'"],
        },
      },
      // plain HTTP on loopback
      strictTransportSecurity: exposure.tls && { maxAge: HSTS_S, includeSubDomains: false },
    }),
  );
  // whoever ends the TLS says who asks
  if (exposure.tls) app.set('trust proxy', 'loopback, linklocal, uniquelocal');
  app.use(sameOriginOnly(exposure.names));
  if (exposure.limited) app.use(limitEachAddress());
  app.use(compression());
  app.use(['/api', `${DEMO}/api`], (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  app.get('/api/openapi.json', (_request, response) => void response.json(document));
  app.use(
    '/api/docs',
    swaggerUi.serve,
    swaggerUi.setup(undefined, { swaggerOptions: { url: '/api/openapi.json' }, customSiteTitle: 'Viaggio API' }),
  );
  // the demo crew's things are behind a path of their own, and everything is done there as it is here
  app.use(DEMO, apiOf(worlds, 'demo', inspect));
  app.use(apiOf(worlds, 'own', inspect));
  if (webDir !== undefined) serveWeb(app, worlds, webDir);
  app.use(sendProblem(log));
  return app;
}

function apiOf(worlds: Worlds, world: World, inspect?: Inspect): express.Router {
  const router = express.Router();
  router.use(routerOf(operationsOf(worlds, world), largeBodies(worlds[world].work), inspect));
  router.use('/api', (request) => {
    throw new AppError('not-found', `There is no ${request.originalUrl.slice(0, 100)}.`);
  });
  return router;
}

function limitEachAddress(): express.RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: MOST_REQUESTS_A_MINUTE,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw new AppError('too-many-requests', `More than ${MOST_REQUESTS_A_MINUTE} requests came within a minute.`);
    },
  });
}

/** The built pages; any other address is a view of the one-page application. */
function serveWeb(app: Express, worlds: Worlds, webDir: string): void {
  // all but these bear their content or version in their names
  app.use('/help-pictures', express.static(path.join(webDir, 'help-pictures'), { index: false, maxAge: '1h' }));
  app.use('/licences.txt', express.static(path.join(webDir, 'licences.txt'), { index: false, maxAge: '1h' }));
  // what was compressed when it was built is sent as it lies there
  app.use(
    staticGzip(webDir, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: { index: false, maxAge: '1y', immutable: true },
    }),
  );
  app.get('/{*path}', async (request, response) => {
    if (path.extname(request.path) !== '') throw new AppError('not-found', `There is no ${request.path.slice(0, 100)}.`);
    // an address of the demo crew's from before it had a world of its own
    if (await isOfDemoAlone(worlds, request.originalUrl).catch(() => false)) {
      response.redirect(`${DEMO}${request.originalUrl}`);
      return;
    }
    response.set('Cache-Control', 'no-cache').sendFile(path.join(webDir, 'index.html'));
  });
}

/** Whether an address names something that only the demo crew has. Throws while the database is away. */
async function isOfDemoAlone({ own, demo }: Worlds, address: string): Promise<boolean> {
  const [id] = UUID.exec(address) ?? [];
  if (id === undefined || address.startsWith(`${DEMO}/`)) return false;
  // what is printed on a tag may be in capitals
  const hasIt = async ({ items }: Services): Promise<boolean> => {
    const found = await Promise.all(Object.values(items).map((service) => service.has(id.toLowerCase())));
    return found.includes(true);
  };
  return !(await hasIt(own)) && hasIt(demo);
}

function logRequests(log: Logger): express.RequestHandler {
  return (request, response, next) => {
    const started = performance.now();
    response.on('finish', () => {
      const { method, originalUrl } = request;
      log.info({ method, url: originalUrl, status: response.statusCode, ms: Math.round(performance.now() - started) }, 'request');
    });
    next();
  };
}

function sendProblem(log: Logger): ErrorRequestHandler {
  return (thrown, request, response, next) => {
    const error = toAppError(thrown);
    const level = error.code === 'internal' ? 'error' : problemOf(error).status >= 500 ? 'warn' : 'debug';
    log[level]({ err: thrown as unknown, method: request.method, url: request.originalUrl }, error.code);
    if (response.headersSent) {
      next(thrown);
      return;
    }
    const problem = problemOf(error);
    if (problem.status === 503) response.set('Retry-After', '2');
    if (problem.status === 429 && !response.get('Retry-After')) response.set('Retry-After', '60');
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}
