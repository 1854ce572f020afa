import type { Issue } from '../../issue';
import type { MeterColumns } from '../log';
import type { Trace } from '../trace';
import { wattsOfCounter } from './counted';
import { Growing } from './growing';
import { isComment, Lines } from './lines';
import { refusal } from './refusal';
import type { FileRemark, RemarkCode } from './remarks';
import { RowReader } from './row-reader';
import type { RowFault } from './row-reader';
import { straightened } from './rows-in-order';
import type { RawRows } from './rows-in-order';

/** A meter's file as it was read. */
export interface MeterFileReading extends Trace {
  readonly rows: number;
  readonly remarks: readonly FileRemark[];
  /** Most rows that drew or gave anything are below zero: the lead was the other way round. */
  readonly isTurnedRound: boolean;
  /** Day and time of the first row as the meter's clock had it (ISO 8601, no zone); undefined where it has no date. */
  readonly beganAt: string | undefined;
  /** Why no row was read; undefined where any was. */
  readonly issue: Issue | undefined;
}

/** Without times a row is taken for a second. */
const ASSUMED_STEP_S = 1;
/** Lines that are kept to be shown where nothing could be read. */
const SHOWN_LINES = 3;
/** Earlier times are no day that a meter recorded on: they count from when it was switched on. */
const FIRST_DAY_S = Date.UTC(1990, 0, 1) / 1000;

/**
 * Reads a meter's file piece by piece, so that a large one needs not be in memory as text: `push` each piece, then
 * `finish`. Rows that cannot be read are counted and left out, with the line and column of the first; readings over the
 * range are gaps; what is odd about the times is put straight (`straightened`) and told.
 *
 * Cost: about a microsecond a row; 40 bytes a row of memory.
 */
export class MeterFileReader {
  private readonly time = new Growing();
  private readonly values = new Growing();
  private readonly at = new Growing();
  private readonly found = new Map<RemarkCode, { readonly line: number; count: number; readonly fault: RowFault | undefined }>();
  private readonly first: string[] = [];
  private readonly row: RowReader;
  private readonly lines = new Lines((line) => this.take(line));
  private line = 0;

  constructor(private readonly columns: MeterColumns) {
    this.row = new RowReader(columns);
  }

  push(piece: string): void {
    this.lines.push(piece);
  }

  finish(): MeterFileReading {
    this.lines.finish();
    const { row, columns } = this;
    if (!row.hasTime && this.columns.stepS === undefined) this.remark('no-time', this.columns.headerLines + 1);
    const raw = { timeS: this.time.values(), values: this.values.values(), lines: this.at.values() };
    const straight = straightened(raw, columns, (code, line) => this.remark(code, line));
    const { timeS, watts } = row.counts ? this.counted(straight, raw.lines) : { timeS: straight.timeS, watts: straight.values };
    let [below, above] = [0, 0];
    for (const value of watts) {
      if (value < 0) below++;
      else if (value > 0) above++;
    }
    const powerW = columns.turned ? watts.map((value) => -value) : watts;
    return {
      timeS,
      powerW,
      rows: timeS.length,
      remarks: [...this.found].map(([code, { line, count, fault }]): FileRemark => ({
        code,
        line,
        count,
        ...(fault?.column !== undefined && { column: fault.column, got: fault.got }),
      })),
      isTurnedRound: columns.turned ? above > below : below > above,
      beganAt: timeS.length > 0 && timeS[0]! > FIRST_DAY_S ? new Date(timeS[0]! * 1000).toISOString().slice(0, 19) : undefined,
      issue: timeS.length === 0 ? this.refusal() : undefined,
    };
  }

  /** Without the rows of which a counter tells nothing. */
  private counted(
    { timeS, values }: Omit<RawRows, 'lines'>,
    lines: Float64Array,
  ): { readonly timeS: Float64Array; readonly watts: Float64Array } {
    const watts = wattsOfCounter(timeS, values, (at) => this.remark('counter-back', lines[at]!));
    return { timeS: timeS.filter((_, at) => !Number.isNaN(watts[at])), watts: watts.filter((one) => !Number.isNaN(one)) };
  }

  private take(text: string): void {
    this.line++;
    if (this.line <= this.columns.headerLines + SHOWN_LINES && this.first.length < SHOWN_LINES && text.trim() !== '') this.first.push(text);
    if (this.line <= this.columns.headerLines || text === '' || text.trim() === '') return;
    const { row } = this;
    if (!row.read(text)) {
      if (!isComment(text)) this.remark(row.fault?.isGap ? 'overflow' : 'bad-row', this.line, row.fault);
      return;
    }
    const seconds = row.hasTime ? row.seconds : this.time.length * (this.columns.stepS ?? ASSUMED_STEP_S);
    this.time.add(seconds);
    this.values.add(row.value);
    this.at.add(this.line);
  }

  private remark(code: RemarkCode, line: number, fault?: RowFault): void {
    const known = this.found.get(code);
    if (known) known.count++;
    else this.found.set(code, { line, count: 1, fault });
  }

  /** Never an empty success: what was looked for, where, and how the file begins. */
  private refusal(): Issue {
    const [code, first] = [...this.found].find(([, { fault }]) => fault !== undefined) ?? [];
    const name = first?.fault?.column;
    const place = first && {
      line: first.line,
      column: name === undefined ? 'its columns' : `“${name}”`,
      expected: name === undefined ? 'watts, volts with amps, or a counter' : code === 'overflow' ? 'a reading' : 'a figure',
      got: name === undefined ? 'none of them' : first.fault!.got,
    };
    return refusal(name === undefined && first ? 'no-power' : 'no-rows', 'No row could be read.', place, this.first);
  }
}
