import { segmentsOf } from './segments';

async function run(text: string | Buffer, piece = 1000, as = ''): Promise<{ code: number; out: string; errors: readonly string[] }> {
  const lines: string[] = [];
  const errors: string[] = [];
  const bytes = typeof text === 'string' ? Buffer.from(text) : text;
  async function* pieces(): AsyncGenerator<Buffer> {
    for (let at = 0; at < bytes.length; at += piece) yield await Promise.resolve(bytes.subarray(at, at + piece));
  }
  const code = await segmentsOf(pieces(), as, { out: (line) => lines.push(line), err: (line) => errors.push(line) });
  return { code, out: lines.join('\n'), errors };
}

/** A camera that idles, records and idles again; the meter gives milliamps, and a decimal comma. */
const RECORDING = [
  'Zeit;Strom [mA];Spannung [V]',
  ...Array.from({ length: 900 }, (_, second) => {
    const milliamps = (second >= 300 && second < 700 ? 1500 : 600) + ((second * 37) % 21) - 10;
    return `${second},0;${milliamps};8,0`;
  }),
].join('\r\n');

describe('viaggio segments', () => {
  it.each([50, 1_000_000])('tells the steady segments of a recording, read in pieces of %i', async (piece) => {
    const { code, out } = await run(RECORDING, piece);
    expect(code).toBe(0);
    const { rows, remarks, segments } = JSON.parse(out) as {
      rows: number;
      remarks: unknown[];
      segments: { fromS: number; toS: number; meanW: number }[];
    };
    expect([rows, remarks]).toEqual([900, []]);
    expect(segments.map(({ fromS, toS }) => [fromS, toS])).toEqual([[0, 300], [300, 700], [700, 900]]); // prettier-ignore
    expect(segments[1]!.meanW).toBeCloseTo(12, 1);
  });

  it('is told what the file does not say, and says what it took', async () => {
    const amps = ['Zeit [s];Soll-Strom [A];Strom [A]', ...Array.from({ length: 60 }, (_, second) => `${second};2,0;-1,5`)].join('\r\n');
    const alone = await run(amps);
    expect([alone.code, alone.errors[0]]).toEqual([1, 'amps alone: say the volts (--as volts=7.4)']);
    const half = await run(amps, 1000, 'volts=8');
    expect(half.errors).toEqual([
      'current: “Strom [A]” was taken, not “Soll-Strom [A]”',
      'most of it is below zero: the lead was the other way round? (--as turned)',
    ]);
    const { code, out, errors } = await run(amps, 1000, 'volts=8, turned');
    expect([code, errors.length]).toEqual([0, 1]);
    expect((JSON.parse(out) as { segments: { meanW: number }[] }).segments.map(({ meanW }) => meanW)).toEqual([12]);
    expect((await run(amps, 1000, 'volts=-8')).errors[0]).toMatch(/^--as: expected turned, volts=7.4.*; got “volts=-8”$/);
    expect((await run(amps, 1000, 'toString')).code).toBe(2);
  });

  it('says that a clock jumped, and keeps the gap when it is told to', async () => {
    const day = (index: number) => (index < 60 ? '2026-01-07' : '2026-03-09');
    const jumping = [
      'time;watts',
      ...Array.from({ length: 120 }, (_, index) => `${day(index)} 10:0${Math.floor((index % 60) / 10)}:0${index % 10};8`),
    ].join('\n');
    const closed = await run(jumping);
    expect(closed.errors).toEqual(['the clock jumped by days; the time between was left out (--as jumps=kept)']);
    const kept = await run(jumping, 1000, 'jumps=kept');
    const end = ({ out }: typeof kept) => (JSON.parse(out) as { segments: { toS: number }[] }).segments.at(-1)!.toS;
    expect(end(kept)).toBeGreaterThan(60 * 86_400);
    expect(end(closed)).toBeLessThan(86_400);
    expect(kept.errors).toEqual([]);
  });

  it('reads what spreadsheets save as Unicode text', async () => {
    const { code, out } = await run(Buffer.from(`\ufeff${RECORDING}`, 'utf16le'), 777);
    expect([code, (JSON.parse(out) as { rows: number }).rows]).toEqual([0, 900]);
  });

  it('says what it could not read', async () => {
    expect(await run('nothing here')).toMatchObject({ code: 1, out: '' });
    expect((await run('')).errors[0]).toContain('expected rows of figures');
  });
});
