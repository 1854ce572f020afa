import { segmentsOf } from './segments';

async function run(text: string, piece = 1000): Promise<{ code: number; out: string; errors: readonly string[] }> {
  const lines: string[] = [];
  const errors: string[] = [];
  async function* pieces(): AsyncGenerator<string> {
    for (let at = 0; at < text.length; at += piece) yield await Promise.resolve(text.slice(at, at + piece));
  }
  const code = await segmentsOf(pieces(), { out: (line) => lines.push(line), err: (line) => errors.push(line) });
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

  it('says what it could not read', async () => {
    expect(await run('nothing here')).toMatchObject({ code: 1, out: '' });
    expect((await run('')).errors[0]).toContain('expected rows of figures');
  });
});
