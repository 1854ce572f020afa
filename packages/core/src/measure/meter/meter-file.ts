import type { Trace } from '../trace';
import type { MeterColumns } from './meter-columns';
import { RowFields } from './row-fields';

/** What was odd about a file, told once with the line it was first seen on. */
export interface FileRemark {
  readonly code: 'bad-row' | 'clock-back' | 'gap' | 'no-time';
  readonly line: number;
  readonly count: number;
}

/** A meter's file as it was read. */
export interface MeterReading extends Trace {
  readonly rows: number;
  readonly remarks: readonly FileRemark[];
}

/** A pause of more than so many usual steps is a gap. */
const GAP_STEPS = 20;
/** Without times a row is taken for a second. */
const ASSUMED_STEP_S = 1;
const FIRST_SIZE = 4096;

/**
 * Reads a meter's file piece by piece, so that a large one needs not be in memory as text: `push` each piece, then
 * `finish`. Rows that cannot be read are counted and left out; a clock that jumps back or restarts goes on from where it
 * was, one usual step later; gaps stay gaps.
 *
 * Cost: about a microsecond a row; 16 bytes a row of memory.
 */
export class MeterFileReader {
  private readonly time: Growing = new Growing();
  private readonly power: Growing = new Growing();
  private readonly found = new Map<FileRemark['code'], { line: number; count: number }>();
  private readonly places: { readonly time: number; readonly voltage: number; readonly current: number; readonly power: number };
  private readonly fields: RowFields;
  private rest = '';
  private line = 0;
  private offsetS = 0;
  private lastS = Number.NaN;
  private stepS = 0;

  constructor(private readonly columns: MeterColumns) {
    const at = (role: string): number => columns.columns.findIndex((column) => column.role === role);
    this.places = { time: at('time'), voltage: at('voltage'), current: at('current'), power: at('power') };
    this.fields = new RowFields(columns.delimiter, columns.decimal);
  }

  push(piece: string): void {
    const text = this.rest + piece;
    let from = 0;
    for (let to = text.indexOf('\n'); to >= 0; to = text.indexOf('\n', from)) {
      this.row(text.charCodeAt(to - 1) === 13 ? text.slice(from, to - 1) : text.slice(from, to));
      from = to + 1;
    }
    this.rest = text.slice(from);
  }

  finish(): MeterReading {
    if (this.rest.trim() !== '') this.row(this.rest);
    this.rest = '';
    if (this.places.time < 0) this.remark('no-time');
    const remarks = [...this.found].map(([code, { line, count }]): FileRemark => ({ code, line, count }));
    return { timeS: this.time.values(), powerW: this.power.values(), rows: this.time.length, remarks };
  }

  private row(text: string): void {
    this.line++;
    if (this.line <= this.columns.headerLines || text === '' || text.trim() === '') return;
    const fields = this.fields;
    fields.split(text);
    const watts = this.watts(fields);
    const seconds = this.places.time < 0 ? this.time.length * ASSUMED_STEP_S : this.seconds(fields);
    if (!Number.isFinite(watts) || !Number.isFinite(seconds)) {
      this.remark('bad-row');
      return;
    }
    this.time.add(this.monotonic(seconds));
    this.power.add(watts);
  }

  private watts(fields: RowFields): number {
    const { power, voltage, current } = this.places;
    const { columns } = this.columns;
    if (power >= 0) return fields.number(power) * columns[power]!.scale;
    if (voltage < 0 || current < 0) return Number.NaN;
    return fields.number(voltage) * columns[voltage]!.scale * fields.number(current) * columns[current]!.scale;
  }

  private seconds(fields: RowFields): number {
    const { timeForm, columns } = this.columns;
    const { time } = this.places;
    if (timeForm === 'number') return fields.number(time) * columns[time]!.scale;
    return timeForm === 'clock' ? clockSeconds(fields.text(time)) : dateSeconds(fields.text(time));
  }

  /** A clock that goes back (midnight, a restart, a jump) is taken on from where it was. */
  private monotonic(seconds: number): number {
    const { lastS } = this;
    let at = seconds + this.offsetS;
    if (at < lastS) {
      this.remark('clock-back');
      this.offsetS += lastS - at + this.stepS;
      // the sum may round to a hair before it
      at = Math.max(lastS, seconds + this.offsetS);
    }
    const step = at - lastS;
    if (step > 0) {
      if (this.stepS > 0 && step > GAP_STEPS * this.stepS) this.remark('gap');
      else this.stepS = this.stepS === 0 ? step : this.stepS + 0.05 * (step - this.stepS);
    }
    this.lastS = at;
    return at;
  }

  private remark(code: FileRemark['code']): void {
    const known = this.found.get(code);
    if (known) known.count++;
    else this.found.set(code, { line: this.line, count: 1 });
  }
}

/** `1:02:03.5` as seconds; `62:03` as minutes and seconds. */
function clockSeconds(text: string): number {
  const parts = text.replace(',', '.').split(':').map(Number);
  if (parts.length < 2 || parts.length > 3 || parts.some((part) => !Number.isFinite(part))) return Number.NaN;
  return parts.reduce((sum, part) => sum * 60 + part, 0);
}

const DATE = /^(\d{1,4})[-/.](\d{1,2})[-/.](\d{1,4})(?:[ T]+(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?)?/;

/** A date and time as seconds; which zone does not matter, since only what passes between rows is used. */
function dateSeconds(text: string): number {
  const found = DATE.exec(text);
  if (!found) return Number.NaN;
  const [one, two, three, hours = 0, minutes = 0] = found.slice(1, 6).map(Number);
  const seconds = Number((found[6] ?? '0').replace(',', '.'));
  // a year stands first or last; with it last the day comes before the month
  const [year, month, day] = one! > 31 ? [one!, two!, three!] : [three! < 100 ? 2000 + three! : three!, two!, one!];
  return Date.UTC(year, month - 1, day, hours, minutes) / 1000 + seconds;
}

/** Numbers of which nobody knows how many there will be. */
class Growing {
  length = 0;
  private buffer = new Float64Array(FIRST_SIZE);

  add(value: number): void {
    if (this.length === this.buffer.length) {
      const larger = new Float64Array(this.buffer.length * 2);
      larger.set(this.buffer);
      this.buffer = larger;
    }
    this.buffer[this.length++] = value;
  }

  values(): Float64Array {
    return this.buffer.slice(0, this.length);
  }
}
