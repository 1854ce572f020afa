import { firstValueFrom, of, throwError } from 'rxjs';
import { loadAfterFlush, rememberFlushed } from './flushed';

const lists = (revision: number) => ({ gear: [], rigs: [{ id: 'r', revision }], days: [], log: [], recordings: [] });

describe('loading after leaving in the middle of an edit', () => {
  beforeEach(() => {
    sessionStorage.clear();
    jest.useFakeTimers();
  });
  afterEach(() => jest.useRealTimers());

  /** Loads one state after the other; how often it was asked. */
  async function load(states: readonly number[]): Promise<{ asked: number; revision: number }> {
    let asked = 0;
    const loaded = firstValueFrom(loadAfterFlush(() => of(lists(states[Math.min(asked++, states.length - 1)]!))));
    await jest.advanceTimersByTimeAsync(5000);
    return { asked, revision: (await loaded).rigs[0]!.revision };
  }

  it('asks once when nothing was sent', async () => expect(await load([3])).toEqual({ asked: 1, revision: 3 }));

  it('asks again until what was sent has arrived, and only after that leaving', async () => {
    rememberFlushed([{ kind: 'rigs', id: 'r', revision: 4 }]);
    expect(await load([3, 3, 4])).toEqual({ asked: 3, revision: 4 });
    expect(await load([3])).toEqual({ asked: 1, revision: 3 });
  });

  it('takes what is there when it never arrives, and an item that is gone is not waited for', async () => {
    rememberFlushed([{ kind: 'rigs', id: 'r', revision: 9 }]);
    expect(await load([3])).toEqual({ asked: 11, revision: 3 });
    rememberFlushed([{ kind: 'rigs', id: 'gone', revision: 9 }]);
    expect((await load([3])).asked).toBe(1);
  });

  it('hands on what else goes wrong', async () => {
    rememberFlushed([{ kind: 'rigs', id: 'r', revision: 4 }]);
    await expect(firstValueFrom(loadAfterFlush(() => throwError(() => new Error('away'))))).rejects.toThrow('away');
  });
});
