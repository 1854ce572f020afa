import type { Forecast } from '@viaggio/core/day';
import { createServer } from 'node:http';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';

const DAY_MS = 24 * 3600 * 1000;
/** What it answers at the most. */
const MOST_DAYS = 40;
/** Yearly mean at the equator and what a degree of latitude takes from it; a maritime year and day. */
const MEAN_C = 27;
const PER_DEGREE_C = 0.38;
const YEAR_C = 7;
const DAY_SWING_C = 2.5;
/** Weather of some days, up and down. */
const SPELL_C = 4;

/**
 * A weather service that is not there: an HTTP server on loopback that answers `GET /hourly?latitude=&longitude=&from=&days=`
 * with temperatures hour by hour, the same for the same question.
 */
export class SimulatedForecast {
  private readonly server: Server = createServer((request, response) => {
    const url = new URL(request.url ?? '/', 'http://127.0.0.1');
    const answer = url.pathname === '/hourly' ? answerTo(url.searchParams) : undefined;
    response.writeHead(answer ? 200 : 400, { 'Content-Type': 'application/json' });
    response.end(JSON.stringify(answer ?? { error: 'expected /hourly?latitude=57&longitude=8&from=2026-01-12&days=2' }));
  });

  /** Listens; returns its address. */
  listen(): Promise<string> {
    return new Promise((resolve, reject) => {
      this.server.once('error', reject);
      this.server.listen(0, '127.0.0.1', () => resolve(`http://127.0.0.1:${(this.server.address() as AddressInfo).port}/hourly`));
    });
  }

  close(): Promise<void> {
    this.server.closeAllConnections();
    return new Promise((resolve) => this.server.close(() => resolve()));
  }
}

function answerTo(query: URLSearchParams): Forecast | undefined {
  const number = (name: string): number => (query.get(name) === null ? NaN : Number(query.get(name)));
  const [latitude, longitude, days] = [number('latitude'), number('longitude'), number('days')];
  const startMs = Date.parse(`${query.get('from') ?? ''}T00:00Z`);
  if (![latitude, longitude, startMs].every(Number.isFinite) || !(days >= 1 && days <= MOST_DAYS)) return undefined;
  const hours = Array.from({ length: Math.ceil(days) * 24 }, (_, hour) => {
    const atMs = startMs + hour * 3600 * 1000;
    return {
      at: new Date(atMs).toISOString().replace(':00.000Z', 'Z'),
      temperatureC: Math.round(10 * temperature(atMs, latitude, longitude)) / 10,
    };
  });
  return { source: 'Simulated forecast', hours };
}

function temperature(atMs: number, latitude: number, longitude: number): number {
  const day = atMs / DAY_MS;
  const local = day + longitude / 360;
  const south = latitude < 0 ? Math.PI : 0;
  const year = Math.cos((2 * Math.PI * ((day % 365.25) - 200)) / 365.25 + south);
  const noon = Math.cos(2 * Math.PI * (local - 14 / 24));
  const share = Math.min(1, Math.abs(latitude) / 60);
  return MEAN_C - PER_DEGREE_C * Math.abs(latitude) + YEAR_C * share * year + DAY_SWING_C * noon + SPELL_C * spell(local, latitude);
}

/** Between -1 and 1, smooth from day to day, the same for the same place and time. */
function spell(day: number, latitude: number): number {
  const whole = Math.floor(day);
  const at = day - whole;
  const ease = at * at * (3 - 2 * at);
  return (1 - ease) * noise(whole, latitude) + ease * noise(whole + 1, latitude);
}

function noise(day: number, latitude: number): number {
  const wave = Math.sin(day * 12.9898 + Math.round(latitude) * 78.233) * 43758.5453;
  return 2 * (wave - Math.floor(wave)) - 1;
}
