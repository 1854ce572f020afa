import { slotsFromBytes } from '@viaggio/core/measure';
import type { MeterColumns } from '@viaggio/core/measure';
import { readRecording } from './read-recording';

describe('a file in the worker', () => {
  /** As a browser has it; jsdom's own cannot be read. */
  const blobOf = (text: string): Blob => {
    const bytes = new TextEncoder().encode(text);
    const slice = (from: number, to: number) => ({ arrayBuffer: () => Promise.resolve(bytes.slice(from, to).buffer) });
    return { size: bytes.length, slice } as unknown as Blob;
  };
  const columns: MeterColumns = { delimiter: ',', decimal: '.', headerLines: 1, timeForm: 'number', columns: [{ name: 't', role: 'time', scale: 1 }, { name: 'W', role: 'power', scale: 1 }] }; // prettier-ignore

  it('is read with progress to its end', async () => {
    const shares: number[] = [];
    const text = ['t,W', ...Array.from({ length: 600 }, (_, index) => `${index},${index < 300 ? 5 : 9}`)].join('\n');
    const read = await readRecording(blobOf(text), columns, (share) => shares.push(share));
    expect(read).toMatchObject({ rows: 600, seconds: 599, remarks: [] });
    expect(read.segments.map(({ meanW }) => meanW)).toEqual([5, 9]);
    expect(slotsFromBytes(read.slots)!.meanW).toHaveLength(600);
    expect(shares.at(-1)).toBe(1);
  });

  it('of which no row can be read is refused', async () => {
    await expect(readRecording(blobOf('t,W\nx,y\n'), columns, () => undefined)).rejects.toThrow('No row could be read');
  });
});
