import { TestBed } from '@angular/core/testing';
import { Recogniser } from './recogniser';

const page = (...lines: readonly string[]) => ({
  data: {
    blocks: [
      {
        paragraphs: [
          {
            lines: lines.map((line) => ({
              words: line.split(' ').map((text) => ({ text, confidence: 94, bbox: { x0: 0, y0: 0, x1: 40, y1: 20 } })),
            })),
          },
        ],
      },
    ],
  },
});
const mockRecognize = jest.fn();
const mockTerminate = jest.fn(() => Promise.resolve());
const mockCreate = jest.fn();
jest.mock('tesseract.js', () => ({ __esModule: true, default: { createWorker: (...args: unknown[]) => mockCreate(...args) as unknown } }));
jest.mock('./prepare', () => {
  const prepared = { shown: { toDataURL: () => 'data:,' }, plain: {}, lit: { width: 100, height: 50 } };
  return { preparedFrom: () => prepared, turnedBy: () => Promise.resolve({ close: () => undefined }) };
});

let recogniser: Recogniser;
const PICTURE = new Blob(['x']);
const read = () => recogniser.read(PICTURE, () => undefined);

beforeEach(() => {
  jest.resetAllMocks();
  mockTerminate.mockResolvedValue(undefined);
  mockCreate.mockResolvedValue({ recognize: mockRecognize, terminate: mockTerminate });
  globalThis.createImageBitmap = jest.fn(() => Promise.resolve({ close: () => undefined })) as never;
  recogniser = TestBed.inject(Recogniser);
});
afterEach(() => jest.useRealTimers());

describe('the recogniser', () => {
  it('reads a picture twice, on files that are served from here', async () => {
    mockRecognize.mockResolvedValue(page('14.4V 6600mAh 95Wh'));
    const { label } = await read();
    expect(mockRecognize).toHaveBeenCalledTimes(2);
    expect(label.label.reads).toMatchObject({ voltageV: 14.4, capacityAh: 6.6, energyWh: 95 });
    const [, , { workerPath, corePath, langPath }] = mockCreate.mock.calls[0] as [string, number, Record<string, string>];
    for (const path of [workerPath, corePath, langPath]) expect(path).toMatch(/^\/ocr-7/);
  });

  it('turns a picture in which it is sure of nothing, and keeps the side on which it stands upright', async () => {
    const unsure = page('|');
    mockRecognize.mockResolvedValueOnce(unsure).mockResolvedValueOnce(unsure).mockResolvedValueOnce(page('7.2V 2040mAh 14.7Wh')).mockResolvedValueOnce(unsure).mockResolvedValue(page('7.2V 2040mAh 14.7Wh')); // prettier-ignore
    expect((await read()).label.label.reads.energyWh).toBe(14.7);
    expect(mockRecognize).toHaveBeenCalledTimes(5);
  });

  it('that is cancelled ends at once, and ends no picture after it', async () => {
    jest.useFakeTimers();
    mockRecognize.mockReturnValue(new Promise(() => undefined));
    const first = read();
    const ended = expect(first).rejects.toThrow('cancelled');
    await jest.advanceTimersByTimeAsync(10);
    await recogniser.cancel();
    await ended;
    mockRecognize
      .mockResolvedValueOnce(page('14.4V 95Wh'))
      .mockReturnValueOnce(new Promise((resolve) => setTimeout(() => resolve(page('14.4V 95Wh')), 59_000)));
    await jest.advanceTimersByTimeAsync(5000);
    const second = read();
    await jest.advanceTimersByTimeAsync(59_500);
    expect((await second).label.label.reads.energyWh).toBe(95);
    expect(mockTerminate).toHaveBeenCalledTimes(1);
  });

  it('gives a picture up that takes a minute, and says what to do', async () => {
    jest.useFakeTimers();
    mockRecognize.mockReturnValue(new Promise(() => undefined));
    const ended = expect(read()).rejects.toThrow('it takes too long. Come nearer');
    await jest.advanceTimersByTimeAsync(61_000);
    await ended;
    expect(mockTerminate).toHaveBeenCalledTimes(1);
  });

  it('that could not be started is tried again with the next picture', async () => {
    mockCreate.mockRejectedValueOnce(new Error('no room'));
    await expect(read()).rejects.toThrow('no room');
    mockRecognize.mockResolvedValue(page('95Wh'));
    expect((await read()).label.label.reads.energyWh).toBe(95);
  });
});
