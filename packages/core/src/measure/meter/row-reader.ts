import type { MeterColumns } from '../log';
import { isMarker, RowFields } from './row-fields';
import { canShow } from './shown';
import { clockSeconds, DateReader } from './times';
import type { ColumnRole } from './units';

/** Why a row gives nothing. */
export interface RowFault {
  /** A gap: the meter said that it had no reading. Otherwise what stands there is not understood. */
  readonly isGap: boolean;
  /** The column, by its name or its place; undefined where none holds what is needed. */
  readonly column: string | undefined;
  readonly got: string;
}

const FOUND_LENGTH = 120;

/**
 * Reads rows of a meter's table one by one: `read` says whether a row holds what is needed, then `seconds` and `value` are
 * of it, else `fault`. `value` is watts, or watt-hours so far where only a counter is there.
 */
export class RowReader {
  seconds = 0;
  value = 0;
  fault: RowFault | undefined;
  /** `value` is a counter. */
  readonly counts: boolean;
  readonly hasTime: boolean;
  private readonly fields: RowFields;
  private readonly dates: DateReader;
  private readonly places: Readonly<Record<Exclude<ColumnRole, 'none'>, number>>;

  constructor(private readonly columns: MeterColumns) {
    const at = (role: ColumnRole): number => columns.columns.findIndex((column) => column.role === role);
    this.places = {
      time: at('time'),
      date: at('date'),
      voltage: at('voltage'),
      current: at('current'),
      power: at('power'),
      energy: at('energy'),
      charge: at('charge'),
    };
    const { time, date, power, current, energy, charge } = this.places;
    this.counts = power < 0 && (current < 0 || (energy >= 0 && this.volts < 0)) && (energy >= 0 || charge >= 0);
    this.hasTime = time >= 0 || date >= 0;
    this.fields = new RowFields(columns.delimiter, columns.decimal);
    this.dates = new DateReader(columns.timeForm === 'date-month' ? 'month' : 'day');
  }

  /** False: see `fault`. */
  read(line: string): boolean {
    this.fields.split(line);
    this.fault = undefined;
    this.value = this.counts ? this.counted() : this.watts();
    if (Number.isNaN(this.value)) {
      this.withoutTime();
      return false;
    }
    this.seconds = this.hasTime ? this.time() : 0;
    return !Number.isNaN(this.seconds);
  }

  /** A row without a time has no gap in it: it is none. */
  private withoutTime(): void {
    const gap = this.fault;
    if (!gap?.isGap || !this.hasTime) return;
    this.fault = undefined;
    if (!Number.isNaN(this.time())) this.fault = gap;
  }

  /** -1: an entered voltage stands for them, or nothing. */
  private get volts(): number {
    return this.places.voltage;
  }

  private watts(): number {
    const { power, current } = this.places;
    if (power >= 0) return this.figure(power);
    if (current < 0 || (this.volts < 0 && this.columns.voltageV === undefined)) return this.lacking();
    const powerW = this.figure(current) * this.voltage();
    return Number.isNaN(powerW) || canShow({ powerW }) ? powerW : this.refuse(current, true);
  }

  private counted(): number {
    const { energy, charge } = this.places;
    if (energy >= 0) return this.figure(energy);
    return this.volts < 0 && this.columns.voltageV === undefined ? this.lacking() : this.figure(charge) * this.voltage();
  }

  private voltage(): number {
    return this.volts < 0 ? this.columns.voltageV! : this.figure(this.volts);
  }

  private figure(place: number): number {
    const value = this.fields.number(place);
    if (Number.isNaN(value)) return this.refuse(place);
    const column = this.columns.columns[place]!;
    const figure = value * (this.fields.unitScale ?? column.scale);
    // what instruments write for “over the range” is a number too, and a glitch is one
    return isBeyond(column.role, figure) || Math.abs(value) >= 9e36 ? this.refuse(place, true) : figure;
  }

  private time(): number {
    const { time, date } = this.places;
    const { timeForm, columns } = this.columns;
    const isDated = timeForm === 'date' || timeForm === 'date-month';
    if (date >= 0 && isDated) {
      const day = this.dates.day(this.fields.text(date));
      if (Number.isNaN(day)) return this.refuse(date);
      if (time < 0) return day * 86_400;
      const clock = clockSeconds(this.fields.text(time), true);
      return Number.isNaN(clock) ? this.refuse(time) : day * 86_400 + clock;
    }
    const seconds =
      timeForm === 'number'
        ? this.fields.number(time) * (this.fields.unitScale ?? columns[time]?.scale ?? 1)
        : isDated
          ? this.dates.seconds(this.fields.text(time))
          : clockSeconds(this.fields.text(time), timeForm === 'clock-hours');
    return Number.isFinite(seconds) ? seconds : this.refuse(time);
  }

  private refuse(place: number, isBeyondRange = false): number {
    const text = this.fields.text(place);
    const { name } = this.columns.columns[place] ?? { name: '' };
    const isGap = (isBeyondRange || isMarker(text)) && place !== this.places.time && place !== this.places.date;
    this.fault ??= { isGap, column: name === '' ? `column ${place + 1}` : name, got: text.slice(0, FOUND_LENGTH) };
    return Number.NaN;
  }

  private lacking(): number {
    this.fault = { isGap: false, column: undefined, got: '' };
    return Number.NaN;
  }
}

/** Counters may have counted for years: only what is shown at a moment has a range. */
function isBeyond(role: ColumnRole, figure: number): boolean {
  if (role === 'voltage') return !canShow({ voltageV: figure });
  if (role === 'current') return !canShow({ currentA: figure });
  return role === 'power' && !canShow({ powerW: figure });
}
