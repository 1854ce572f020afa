import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { dayShape, weatherFromForecast, withPlace } from '@viaggio/core/day';
import type { Place } from '@viaggio/core/day';
import { formatQuantity } from '@viaggio/core/units';
import type { Changes, Issue } from '@viaggio/core/units';
import { firstValueFrom } from 'rxjs';
import type { Problem } from '../../../api/api';
import { FileDrop } from '../../../basics/file-drop';
import { ProblemNote } from '../../../basics/problem-note';
import { QuantityField } from '../../../fields/quantity-field';
import { DaySheet } from '../sheet/day-sheet';
import { ForecastApi } from './forecast-api';
import type { ForecastService } from './forecast-api';
import { time } from '../../../parts/timeline/say-moment';
import { CoreWorkers } from '../../../workers/core-workers';

const PLACE = dayShape.fields.places.of.item.fields;

/** How cold it gets hour by hour: from a forecast service, off unless wanted, or from a file; a typed temperature always goes. */
@Component({
  selector: 'app-weather-setup',
  imports: [FileDrop, ProblemNote, QuantityField],
  template: `
    <p class="small mb-2">
      A temperature can always be typed, for the day, a place or a block. By the hour it comes from a file, or from a forecast service:
      @if (service(); as one) {
        @if (one.state === 'off') {
          that is off.
          <button type="button" class="btn btn-sm btn-outline-secondary" (click)="turn(true)">Turn on the simulated one</button>
        } @else if (one.simulated) {
          the simulated one is on; its weather is made up.
          <button type="button" class="btn btn-sm btn-outline-secondary" (click)="turn(false)">Turn it off</button>
        } @else {
          this installation’s own is on.
        }
      } @else {
        …
      }
    </p>
    @if (problem(); as failed) {
      <app-problem-note [problem]="failed" />
    }
    @for (one of rows(); track one.place.id) {
      <div class="line">
        <strong>{{ one.place.name }}</strong>
        <app-quantity-field
          [label]="'Latitude of ' + one.place.name"
          [shape]="fields.latitudeDeg.of"
          [optional]="true"
          [value]="one.place.latitudeDeg"
          (valueChange)="set(one.place.id, { latitudeDeg: $event }, 'latitude')"
        />
        <app-quantity-field
          [label]="'Longitude of ' + one.place.name"
          [shape]="fields.longitudeDeg.of"
          [optional]="true"
          [value]="one.place.longitudeDeg"
          (valueChange)="set(one.place.id, { longitudeDeg: $event }, 'longitude')"
        />
        <span class="says">{{ one.says }}</span>
        @if (service()?.state === 'on') {
          <button type="button" class="btn btn-sm btn-outline-secondary" [disabled]="!one.canAsk || asking()" (click)="ask(one.place)">
            Ask for {{ one.place.name }}
          </button>
        }
        <button
          type="button"
          class="btn btn-sm btn-outline-secondary"
          [attr.aria-expanded]="reading() === one.place.id"
          (click)="toggle(one.place.id)"
        >
          From a file
        </button>
        @if (one.place.weather) {
          <button
            type="button"
            class="btn btn-sm btn-outline-danger"
            [attr.aria-label]="'Remove the weather of ' + one.place.name"
            (click)="set(one.place.id, { weather: undefined }, 'weather')"
          >
            Remove
          </button>
        }
      </div>
      @if (reading() === one.place.id) {
        <p class="small mb-1">
          A table (.csv) with the columns time and temperature: <code>2026-01-12 06:00, -4</code>. A column temperatureF is in Fahrenheit.
        </p>
        <app-file-drop accept=".csv,text/csv" (chosen)="read(one.place.id, $event)" />
        @for (fault of faults(); track $index) {
          <p class="mb-1 small verdict-caution">
            {{ fault.message }} <small>{{ fault.path }}</small>
          </p>
        }
      }
    } @empty {
      <p class="small text-body-secondary">Name a place above, and its weather can be said here.</p>
    }
  `,
  styles: `
    .line {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      align-items: center;
      padding: 0.25rem 0;
      border-bottom: 1px solid var(--bs-border-color);
    }
    .line > strong {
      flex: 0 0 9rem;
    }
    .line > app-quantity-field {
      flex: 0 1 9rem;
    }
    .says {
      flex: 1 1 12rem;
      font-size: 0.85rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeatherSetup {
  private readonly sheet = inject(DaySheet);
  private readonly api = inject(ForecastApi);
  private readonly workers = inject(CoreWorkers);
  protected readonly fields = PLACE;
  protected readonly service = signal<ForecastService | undefined>(undefined);
  protected readonly problem = signal<Problem | undefined>(undefined);
  protected readonly asking = signal(false);
  /** The place for which a file is being chosen. */
  protected readonly reading = signal<string | undefined>(undefined);
  protected readonly faults = signal<readonly Issue[]>([]);

  protected readonly rows = computed(() =>
    (this.sheet.day()?.places ?? []).map((place) => ({
      place,
      says: this.saysOf(place),
      canAsk: place.latitudeDeg !== undefined && place.longitudeDeg !== undefined,
    })),
  );

  constructor() {
    void this.act(async () => this.service.set(await firstValueFrom(this.api.service())));
  }

  private saysOf({ weather, temperatureC }: Place): string {
    const day = this.sheet.day()!;
    if (!weather) return temperatureC === undefined ? 'not entered' : `${formatQuantity(temperatureC, 'C')}, typed`;
    if (weather.date !== day.date) return `▲ ${weather.source}: for a plan from ${weather.date}, so it does not count. Ask again.`;
    const coldest = weather.hours.reduce((one, other) => (other.temperatureC < one.temperatureC ? other : one), weather.hours[0]!);
    const warmest = Math.max(...weather.hours.map((hour) => hour.temperatureC));
    return `${weather.source}: ${formatQuantity(coldest.temperatureC, 'C')} at ${time(day, coldest.atMin)} is the coldest, ${formatQuantity(warmest, 'C')} the warmest`;
  }

  protected turn(on: boolean): void {
    void this.act(async () => this.service.set(await firstValueFrom(this.api.turn(on))));
  }

  protected ask({ id, latitudeDeg, longitudeDeg }: Place): void {
    const { date, days } = this.sheet.day()!;
    this.asking.set(true);
    // a day more on each side: it answers in UTC
    const from = new Date(Date.parse(date) - 24 * 3600 * 1000).toISOString().slice(0, 10);
    void this.act(async () => {
      const forecast = await firstValueFrom(
        this.api.ask({ latitudeDeg: latitudeDeg!, longitudeDeg: longitudeDeg!, from, days: Math.min(33, days + 3) }),
      );
      this.set(id, { weather: weatherFromForecast(forecast, this.sheet.day()!) }, 'forecast');
    }).finally(() => this.asking.set(false));
  }

  protected toggle(id: string): void {
    this.faults.set([]);
    this.reading.update((open) => (open === id ? undefined : id));
  }

  protected async read(id: string, file: File): Promise<void> {
    const text = await file.text();
    const { weather, issues } = await this.workers.core('table').readWeather(text, this.sheet.day()!, file.name.slice(0, 120));
    this.faults.set(issues);
    if (weather) this.set(id, { weather }, 'weather file');
    if (weather && issues.length === 0) this.reading.set(undefined);
  }

  protected set(id: string, changes: Changes<Place>, field: string): void {
    this.sheet.edit((day) => withPlace(day, id, changes), `place ${id} ${field}`);
  }

  private async act(what: () => Promise<void>): Promise<void> {
    this.problem.set(undefined);
    try {
      await what();
    } catch (error) {
      this.problem.set(error as Problem);
    }
  }
}
