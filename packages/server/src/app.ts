import { ITEM_KINDS, PLAN_KINDS, unkeepable } from '@viaggio/core';
import compression from 'compression';
import express from 'express';
import staticGzip from 'express-static-gzip';
import type { ErrorRequestHandler, Express, NextFunction, Request, Response } from 'express';
import helmet from 'helmet';
import path from 'node:path';
import type { Logger } from 'pino';
import swaggerUi from 'swagger-ui-express';
import { openApi } from './api-docs/openapi';
import type { Database } from './db/database';
import { changesOperations } from './changes/changes-operations';
import { demoOperations } from './demo/demo-operations';
import { DemoService } from './demo/demo-service';
import { AppError, problemOf, toAppError } from './errors';
import { healthOperations } from './health/health-operations';
import { itemOperations } from './items/item-operations';
import { itemServices } from './items/kinds';
import type { ItemServices } from './items/kinds';
import type { Operation } from './operation';
import { evaluateOperations } from './evaluate/evaluate-operations';
import { LiveRecordings } from './meters/live-recordings';
import { meterOperations } from './meters/meter-operations';
import { Meters } from './meters/meters';
import type { MeterAddress } from './meters/meters';
import { forecastOperations } from './forecast/forecast-operations';
import { Forecasts } from './forecast/forecasts';
import { photoOperations } from './photos/photo-operations';
import { PhotoService } from './photos/photo-service';
import { RecordingDataService } from './recordings/recording-data-service';
import { recordingOperations } from './recordings/recording-operations';
import { printOperations } from './prints/print-operations';
import { planOperations } from './plan/plan-operations';
import { requireReferences } from './plan/references';
import { routerOf } from './router';
import type { Inspect } from './router';
import { sameOriginOnly } from './same-origin';

export interface Services {
  readonly items: ItemServices;
  readonly recordings: RecordingDataService;
  readonly photos: PhotoService;
  readonly meters: Meters;
  readonly live: LiveRecordings;
  readonly demo: DemoService;
  readonly forecasts: Forecasts;
}

/** `allowed`: the meters that the installation's owner lets be polled; `forecastUrl`: a weather service of theirs. */
export function servicesOf(database: Database, allowed: readonly MeterAddress[] = [], forecastUrl?: string): Services {
  const items = itemServices(database);
  const meters = new Meters(allowed, items);
  const recordings = new RecordingDataService(database);
  return {
    items,
    recordings,
    photos: new PhotoService(database),
    meters,
    live: new LiveRecordings(database, items, recordings, meters),
    demo: new DemoService(database, items, recordings),
    forecasts: new Forecasts(forecastUrl),
  };
}

/** Everything the API does, in the order of the documentation. */
export function operationsOf(
  database: Database,
  { items, recordings, photos, meters, live, demo, forecasts }: Services,
): readonly Operation[] {
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
    ...planOperations(database, items),
    ...printOperations(items),
    ...evaluateOperations(),
    ...demoOperations(demo),
  ];
}

export interface AppOptions {
  readonly webDir?: string | undefined;
  /** False when it is served to other machines on purpose. */
  readonly loopbackOnly?: boolean;
  readonly services?: Services;
  readonly inspect?: Inspect;
}

export function createApp(
  database: Database,
  log: Logger,
  { webDir, loopbackOnly = true, services = servicesOf(database), inspect }: AppOptions = {},
): Express {
  const app = express();
  const operations = operationsOf(database, services);
  const document = openApi(operations);
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
      strictTransportSecurity: false, // plain HTTP on loopback
    }),
  );
  app.use(compression());
  app.use('/api', sameOriginOnly(loopbackOnly), (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  app.get('/api/openapi.json', (_request, response) => void response.json(document));
  app.use(
    '/api/docs',
    swaggerUi.serve,
    swaggerUi.setup(undefined, { swaggerOptions: { url: '/api/openapi.json' }, customSiteTitle: 'Viaggio API' }),
  );
  app.use(express.json({ limit: '1mb', strict: false }));
  app.use(plainBodiesOnly);
  app.use(routerOf(operations, inspect));
  app.use('/api', (request) => {
    throw new AppError('not-found', `There is no ${request.originalUrl.slice(0, 100)}.`);
  });
  if (webDir !== undefined) serveWeb(app, webDir);
  app.use(sendProblem(log));
  return app;
}

/** Bodies are plain data of a bounded depth: nothing that is kept can make an export fail. Texts are told by their fields. */
function plainBodiesOnly({ body }: Request, _response: Response, next: NextFunction): void {
  if (typeof body !== 'object' || body === null || Buffer.isBuffer(body)) {
    next();
    return;
  }
  const found = unkeepable(body);
  if (found && !found.expected.startsWith('text'))
    throw new AppError('malformed-request', `${found.path === '' ? 'The body' : found.path}: expected ${found.expected}.`);
  next();
}

/** The built pages; any other address is a view of the one-page application. */
function serveWeb(app: Express, webDir: string): void {
  // all but these bear their content or version in their names
  app.use('/help-pictures', express.static(path.join(webDir, 'help-pictures'), { index: false, maxAge: '1h' }));
  // what was compressed when it was built is sent as it lies there
  app.use(
    staticGzip(webDir, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: { index: false, maxAge: '1y', immutable: true },
    }),
  );
  app.get('/{*path}', (request, response) => {
    if (path.extname(request.path) !== '') throw new AppError('not-found', `There is no ${request.path.slice(0, 100)}.`);
    response.set('Cache-Control', 'no-cache').sendFile(path.join(webDir, 'index.html'));
  });
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
    const level = error.code === 'internal' ? 'error' : error.code === 'database-away' ? 'warn' : 'debug';
    log[level]({ err: thrown as unknown, method: request.method, url: request.originalUrl }, error.message);
    if (response.headersSent) {
      next(thrown);
      return;
    }
    const problem = problemOf(error);
    if (problem.status === 503) response.set('Retry-After', '2');
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}
