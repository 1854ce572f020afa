import { forecastShape } from '@viaggio/core/day';
import type { Forecast, ForecastAsk } from '@viaggio/core/day';
import { AppError } from '../errors';
import { validate } from '../validation/validate';
import { SimulatedForecast } from './simulated-forecast';

export interface ForecastState {
  readonly state: 'off' | 'on';
  readonly simulated: boolean;
  readonly address: string | undefined;
}

const TIMEOUT_MS = 8000;
const MOST_BYTES = 1_000_000;

/** The forecast service that is asked: the owner's own, or the simulated one once somebody turned it on. Off otherwise. */
export class Forecasts {
  private simulated: { readonly service: SimulatedForecast; readonly address: string } | undefined;

  constructor(private readonly own: string | undefined) {}

  state(): ForecastState {
    const address = this.own ?? this.simulated?.address;
    return { state: address === undefined ? 'off' : 'on', simulated: this.own === undefined, address };
  }

  /** Turns the simulated one on or off; one of the owner's own stays on. */
  async turn(on: boolean): Promise<ForecastState> {
    if (on && this.own === undefined && !this.simulated) {
      const service = new SimulatedForecast();
      this.simulated = { service, address: await service.listen() };
    }
    if (!on) await this.end();
    return this.state();
  }

  /** Throws `forecast-off`, or `forecast-away` where the service is not there or talks nonsense. */
  async ask({ latitudeDeg, longitudeDeg, from, days }: ForecastAsk): Promise<Forecast> {
    const { address } = this.state();
    if (address === undefined) throw new AppError('forecast-off', 'No forecast service is on.');
    const url = new URL(address);
    for (const [name, value] of Object.entries({ latitude: latitudeDeg, longitude: longitudeDeg, from, days }))
      url.searchParams.set(name, String(value));
    const body = await read(url);
    const found = validate(forecastShape, body);
    if (!found.ok) throw new AppError('forecast-away', `It talks nonsense: ${found.issues[0]!.message}`);
    return found.value;
  }

  async end(): Promise<void> {
    const { simulated } = this;
    this.simulated = undefined;
    await simulated?.service.close();
  }
}

/** Stops reading where it is too much, not after all of it. */
async function readText(response: Response, tooMuch: () => AppError): Promise<string> {
  const pieces: Uint8Array[] = [];
  let length = 0;
  for await (const piece of (response.body ?? []) as AsyncIterable<Uint8Array>) {
    length += piece.length;
    if (length > MOST_BYTES) throw tooMuch();
    pieces.push(piece);
  }
  return new TextDecoder().decode(Buffer.concat(pieces));
}

async function read(url: URL): Promise<unknown> {
  const away = (why: string): AppError => new AppError('forecast-away', `${url.host}: ${why}`);
  let text: string;
  try {
    // sent elsewhere it is not followed: that could be this machine
    const response = await fetch(url, {
      signal: AbortSignal.timeout(TIMEOUT_MS),
      headers: { Accept: 'application/json' },
      redirect: 'manual',
    });
    if (response.status >= 300 && response.status < 400) throw away('it sends elsewhere, which is not followed.');
    if (!response.ok) throw away(`it answered with status ${response.status}.`);
    text = await readText(response, () => away('more than 1 MB came.'));
  } catch (error) {
    if (error instanceof AppError) throw error;
    throw away(error instanceof Error && error.name === 'TimeoutError' ? `no answer in ${TIMEOUT_MS / 1000} s.` : 'no connection.');
  }
  try {
    return JSON.parse(text);
  } catch {
    throw away('what came is not JSON.');
  }
}
