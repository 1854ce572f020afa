import type { MeterColumns } from '../src/measure/log/recording';
import type { Trace } from '../src/measure/trace/trace';

/** A way in which a logger, its software or a spreadsheet writes a recording. */
export interface FileForm {
  readonly name: string;
  readonly write: (trace: Trace) => string | Uint8Array<ArrayBuffer>;
  /** What the first lines cannot say, as a person would answer. */
  readonly said?: Partial<MeterColumns>;
  /** How far watts may be off by what is written, as a share. */
  readonly within?: number;
  /** Times are written to so many seconds. */
  readonly timeS?: number;
}

const VOLTS = 7.4;
/** 7 January 2026, 23:58: recordings pass midnight. */
const BEGAN_S = Date.UTC(2026, 0, 7, 23, 58) / 1000;
const DAY_S = 86_400;
const SERIAL_1970 = 25_569;

const comma = (text: string): string => text.replace('.', ',');
const two = (value: number): string => String(value).padStart(2, '0');
const quoted = (text: string): string => `"${text}"`;

interface Sample {
  readonly s: number;
  readonly w: number;
  readonly a: number;
  readonly date: Date;
  /** `58:03.500` of the clock, without hours. */
  readonly seconds: string;
}

function samplesOf({ timeS, powerW }: Trace): readonly Sample[] {
  return [...timeS].map((s, index) => {
    const date = new Date(Math.round((BEGAN_S + s) * 1000));
    return {
      s,
      w: powerW[index]!,
      a: powerW[index]! / VOLTS,
      date,
      seconds: `${two(date.getUTCSeconds())}.${String(date.getUTCMilliseconds()).padStart(3, '0')}`,
    };
  });
}

/** Lines from a head and a row for each sample. */
function table(head: readonly string[], row: (sample: Sample, index: number) => string, newline = '\r\n') {
  return (trace: Trace): string => [...head, ...samplesOf(trace).map(row), ''].join(newline);
}

const clock = ({ date, seconds }: Sample): string => `${two(date.getUTCHours())}:${two(date.getUTCMinutes())}:${seconds}`;
const clock12 = ({ date, seconds }: Sample): string => {
  const hours = date.getUTCHours();
  return `${hours % 12 === 0 ? 12 : hours % 12}:${two(date.getUTCMinutes())}:${seconds} ${hours < 12 ? 'AM' : 'PM'}`;
};
const german = ({ date }: Sample): string => `${two(date.getUTCDate())}.${two(date.getUTCMonth() + 1)}.${date.getUTCFullYear()}`;
const american = ({ date }: Sample): string => `${date.getUTCMonth() + 1}/${date.getUTCDate()}/${date.getUTCFullYear()}`;
const MONTHS = ['Jan', 'Feb', 'Mär', 'Apr', 'Mai', 'Jun', 'Jul', 'Aug', 'Sep', 'Okt', 'Nov', 'Dez'];
const named = ({ date }: Sample): string => `${date.getUTCDate()}. ${MONTHS[date.getUTCMonth()]} ${date.getUTCFullYear()}`;

function utf16(text: string, bigEndian: boolean): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(2 * text.length + 2);
  const view = new DataView(bytes.buffer);
  const marked = `\ufeff${text}`;
  for (let at = 0; at < marked.length; at++) view.setUint16(2 * at, marked.charCodeAt(at), !bigEndian);
  return bytes;
}

/** Energy so far, in watt-hours, of samples that stand until the next. */
function counter(trace: Trace): readonly number[] {
  let wh = 0;
  return [...trace.timeS].map((s, index) => {
    if (index > 0) wh += (trace.powerW[index - 1]! * (s - trace.timeS[index - 1]!)) / 3600;
    return wh;
  });
}

/** Every form that the reading promises, by what is odd about it. */
export const FILE_FORMS: readonly FileForm[] = [
  {
    name: 'plain',
    write: table(['time_s,voltage_V,current_A,power_W'], ({ s, w, a }) => [s.toFixed(3), VOLTS, a.toFixed(4), w.toFixed(4)].join(',')),
  },
  {
    name: 'semicolons, decimal commas',
    write: table(['Zeit [s];Spannung [V];Strom [A]'], ({ s, a }) => [s.toFixed(3), '7.40', a.toFixed(4)].map(comma).join(';')),
  },
  {
    name: 'decimal commas in quotes',
    write: table(['"Time (s)","Volt (V)","Curr (mA)"'], ({ s, a }) =>
      [s.toFixed(3), '7.40', (a * 1000).toFixed(1)].map(comma).map(quoted).join(','),
    ),
  },
  {
    name: 'tabs, a head of 200 lines',
    write: table(
      [...Array.from({ length: 199 }, (_, line) => `Note ${line}: serial ${line * 17}, made by nobody`), 'Elapsed (ms)\tOutput power (mW)'],
      ({ s, w }) => `${(s * 1000).toFixed(0)}\t${(w * 1000).toFixed(1)}`,
    ),
  },
  {
    name: 'blanks',
    write: table(
      ['#  t[s]      U[V]     I[A]'],
      ({ s, a }) => `  ${s.toFixed(3).padStart(9)}   ${VOLTS.toFixed(3)}  ${a.toFixed(5).padStart(9)}  `,
      '\n',
    ),
  },
  {
    name: 'thousands apart by commas',
    write: table(
      ['Time,Power (mW)'],
      ({ s, w }) => `${s.toFixed(3)},"${(w * 1000).toLocaleString('en-US', { minimumFractionDigits: 2, maximumFractionDigits: 2 })}"`,
    ),
  },
  {
    name: 'thousands apart by points',
    write: table(
      ['Zeit;Leistung (mW)'],
      ({ s, w }) => `${comma(s.toFixed(3))};${(w * 1000).toLocaleString('de-DE', { minimumFractionDigits: 2, maximumFractionDigits: 2 })}`,
    ),
  },
  {
    name: 'names in quotes with commas in them',
    write: table(['"Time, elapsed (s)","Power, output (W)","Power, limit (W)"'], ({ s, w }) => `${s.toFixed(3)},${w.toFixed(4)},60`),
  },
  {
    name: 'units in the cells',
    write: table(['Time;Voltage;Current'], ({ s, a }) => `${comma(s.toFixed(3))} s;7,40 V;${comma((a * 1000).toFixed(1))} mA`),
  },
  { name: 'CR alone', write: table(['time;watts'], ({ s, w }) => `${s.toFixed(3)};${w.toFixed(4)}`, '\r') },
  {
    name: 'UTF-16',
    write: (trace) => utf16(table(['Zeit;Leistung [W]'], ({ s, w }) => `${comma(s.toFixed(3))};${comma(w.toFixed(4))}`)(trace), false),
  },
  {
    name: 'UTF-16, the other way round',
    write: (trace) => utf16(table(['Zeit;Leistung [W]'], ({ s, w }) => `${comma(s.toFixed(3))};${comma(w.toFixed(4))}`)(trace), true),
  },
  {
    name: 'comments between',
    write: table(
      ['// logger', 'time,watts'],
      (sample, index) => `${index % 40 === 39 ? '# marked by hand\r\n' : ''}${sample.s.toFixed(3)},${sample.w.toFixed(4)}`,
    ),
  },
  {
    name: 'two lines over the columns',
    write: table(['Messprotokoll', '', 'Datum;Uhrzeit;Spannung;Strom', ';;V;A'], (sample) =>
      [german(sample), comma(clock(sample)), '7,40', comma(sample.a.toFixed(4))].join(';'),
    ),
  },
  {
    name: 'date and clock in one column',
    write: table(['Zeitpunkt;Leistung (W)'], (sample) => `${german(sample)} ${comma(clock(sample))};${comma(sample.w.toFixed(4))}`),
  },
  {
    name: 'the month first, AM and PM',
    write: table(['Timestamp,Power (W)'], (sample) => `${american(sample)} ${clock12(sample)},${sample.w.toFixed(4)}`),
    said: { timeForm: 'date-month' },
  },
  { name: 'names of months', write: table(['Datum;P (W)'], (sample) => `${named(sample)} ${clock(sample)};${comma(sample.w.toFixed(4))}`) },
  { name: 'ISO with a zone', write: table(['timestamp,power'], ({ date, w }) => `${date.toISOString()},${w.toFixed(4)}`) },
  { name: 'a clock without a date, past midnight', write: table(['Time,P(W)'], (sample) => `${clock(sample)},${sample.w.toFixed(4)}`) },
  {
    name: 'minutes and seconds',
    write: table(
      ['Elapsed;W'],
      ({ s, w }) =>
        `${Math.floor(s / 60)}:${two(Math.floor(s % 60))}.${String(Math.round((s % 1) * 1000) % 1000).padStart(3, '0')};${w.toFixed(4)}`,
    ),
    timeS: 1,
  },
  { name: 'seconds since 1970', write: table(['epoch,watts'], ({ s, w }) => `${(BEGAN_S + s).toFixed(3)},${w.toFixed(4)}`) },
  { name: 'milliseconds since 1970', write: table(['time,watts'], ({ date, w }) => `${date.getTime()},${w.toFixed(4)}`) },
  {
    name: 'days of a spreadsheet',
    write: table(['Time,Watts'], ({ s, w }) => `${((BEGAN_S + s) / DAY_S + SERIAL_1970).toFixed(9)},${w.toFixed(4)}`),
  },
  {
    name: 'the newest first',
    write: (trace) =>
      [
        'time,watts',
        ...samplesOf(trace)
          .map(({ s, w }) => `${s.toFixed(3)},${w.toFixed(4)}`)
          .reverse(),
      ].join('\n'),
  },
  { name: 'only watts', write: table(['W'], ({ w }) => w.toFixed(4)), timeS: Infinity },
  { name: 'only amps', write: table(['t (s),I (A)'], ({ s, a }) => `${s.toFixed(3)},${a.toFixed(5)}`), said: { voltageV: VOLTS } },
  {
    name: 'a counter of watt-hours',
    write: (trace) => {
      const wh = counter(trace);
      return table(['time_s,Energy (mWh)'], ({ s }, index) => `${s.toFixed(3)},${(wh[index]! * 1000).toFixed(5)}`)(trace);
    },
    within: 0.02,
  },
  {
    name: 'a counter of milliamp-hours',
    write: (trace) => {
      const wh = counter(trace);
      return table(['Zeit;Spannung (V);Ladung (mAh)'], ({ s }, index) =>
        [s.toFixed(3), '7.40', ((wh[index]! / VOLTS) * 1000).toFixed(5)].map(comma).join(';'),
      )(trace);
    },
    within: 0.02,
  },
  {
    name: 'what was set beside what was measured',
    write: table(
      ['Time (s),Set Voltage (V),Set Current (A),Voltage Limit (V),Output Voltage (V),Output Current (A),Max Current (A)'],
      ({ s, a }) => [s.toFixed(3), '12.0', '5.0', '15', VOLTS, a.toFixed(5), '4.4'].join(','),
    ),
  },
  {
    name: 'over the range now and then',
    write: table(
      ['time,watts'],
      ({ s, w }, index) =>
        `${s.toFixed(3)},${index % 97 === 96 ? ['9.9E37', 'OL', '----', 'inf', '9.91E+37'][((index / 97) % 5) | 0] : w.toFixed(4)}`,
    ),
  },
  {
    name: 'the sign the wrong way',
    write: table(['time,current_mA,voltage_V'], ({ s, a }) => `${s.toFixed(3)},${(-a * 1000).toFixed(2)},${VOLTS}`),
    said: { turned: true },
  },
  { name: 'one wild time', write: table(['time,watts'], ({ s, w }, index) => `${(index === 57 ? 4e9 : s).toFixed(3)},${w.toFixed(4)}`) },
  {
    name: 'a clock that jumps by days',
    write: table(['time;watts'], (sample, index) =>
      `${german(sample)} ${clock(sample)};${comma(sample.w.toFixed(4))}`.replace(/^0[78]/, (day) => (index > 80 ? '19' : day)),
    ),
    timeS: Infinity,
  },
  { name: 'a head parted otherwise', write: table(['Time (s), Power (W)'], ({ s, w }) => `${s.toFixed(3)};${w.toFixed(4)}`) },
  {
    name: 'blanks, names of several words',
    write: table(
      ['Run 7   10 20 30', 'Time (s)  Bus voltage (V)  Current draw (A)', '--------  ---------------  ----------------'],
      ({ s, a }) => `${s.toFixed(3)}  ${VOLTS}  ${a.toFixed(5)}`,
    ),
  },
  {
    name: 'a sign at the end of every row',
    write: table(
      ['sep=;', 'Kanal;1;2;', 't / s;U / V;I / mA'],
      ({ s, a }) => `${comma(s.toFixed(3))};7,4;${comma((a * 1000).toFixed(2))};`,
    ),
  },
  {
    name: 'row numbers, and their pace in the head',
    write: (trace) =>
      table(
        [`Sample interval: ${trace.timeS[1]! - trace.timeS[0]!} s`, 'No.,Shunt voltage (mV),Bus voltage (V),Current (mA)'],
        ({ a }, index) => `${index + 1},${(a * 100).toFixed(2)},${VOLTS},${(a * 1000).toFixed(2)}`,
      )(trace),
    timeS: Infinity,
  },
  {
    name: 'a date, a clock and seconds since the beginning',
    write: table(['Date,Time of day,Elapsed (s),Watts'], (sample) =>
      [american(sample), clock(sample).slice(0, 8), sample.s.toFixed(3), sample.w.toFixed(4)].join(','),
    ),
    said: {},
    timeS: 1.1,
  },
];
