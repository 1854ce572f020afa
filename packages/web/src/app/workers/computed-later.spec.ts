import { TestBed } from '@angular/core/testing';
import { signal } from '@angular/core';
import { computedLater, valueOf } from './computed-later';
import { CoreWorkers } from './core-workers';
import type { AsyncCore } from './core-workers';

/** Calls that are answered when the test says so. */
class Pending {
  readonly asked: number[] = [];
  private readonly answers: ((value: number) => void)[] = [];
  readonly call = (_core: AsyncCore, input: number): Promise<number> => {
    this.asked.push(input);
    return new Promise((resolve) => this.answers.push(resolve));
  };
  async answer(value: number): Promise<void> {
    this.answers.shift()!(value);
    await jest.advanceTimersByTimeAsync(0);
  }
}

const input = signal<number | undefined>(undefined);
let pending: Pending;
let later: ReturnType<typeof computedLater<number, number>>;
async function set(value: number | undefined): Promise<void> {
  input.set(value);
  TestBed.tick();
  await jest.advanceTimersByTimeAsync(0);
}

beforeEach(() => {
  jest.useFakeTimers();
  input.set(undefined);
  pending = new Pending();
  TestBed.configureTestingModule({ providers: [{ provide: CoreWorkers, useValue: { core: () => ({}) } }] });
  later = TestBed.runInInjectionContext(() => computedLater('outlook', input, pending.call));
  TestBed.tick();
});
afterEach(() => jest.useRealTimers());

describe('what a worker works out', () => {
  it('is asked for when there is something to ask, and told when it is there', async () => {
    expect(later()).toEqual({ is: 'idle' });
    await set(1);
    expect(later()).toEqual({ is: 'working', value: undefined });
    await pending.answer(10);
    expect(later()).toEqual({ is: 'done', value: 10 });
  });

  it('keeps the last answer in sight while the next is made', async () => {
    await set(1);
    await pending.answer(10);
    await set(2);
    expect(later()).toEqual({ is: 'working', value: 10 });
    expect(valueOf(later())).toBe(10);
  });

  it('never calls the answer to an earlier question the answer, not even before the next is asked', async () => {
    await set(1);
    await pending.answer(10);
    input.set(2);
    expect(later()).toEqual({ is: 'working', value: 10 });
    input.set(undefined);
    expect(later()).toEqual({ is: 'idle' });
  });

  it('asks one at a time, and of what came meanwhile only the newest', async () => {
    await set(1);
    await set(2);
    await set(3);
    expect(pending.asked).toEqual([1]);
    await pending.answer(10);
    expect(pending.asked).toEqual([1, 3]);
    expect(later().is).toBe('working'); // the answer to 1 is stale
    await pending.answer(30);
    expect(later()).toEqual({ is: 'done', value: 30 });
  });

  it('does not take the answer to an older question for that to a newer one that is still resting', async () => {
    const resting = TestBed.runInInjectionContext(() => computedLater('outlook', input, pending.call, { restMs: 100 }));
    TestBed.tick();
    await set(1);
    await jest.advanceTimersByTimeAsync(100);
    await pending.answer(0); // of the one without a rest
    await set(2);
    await pending.answer(10);
    expect(resting()).toEqual({ is: 'working', value: undefined });
  });

  it('drops an answer that nobody waits for any more', async () => {
    await set(1);
    await set(undefined);
    await pending.answer(10);
    expect(later()).toEqual({ is: 'idle' });
  });

  it('says when it failed, and tries the next', async () => {
    const failing = TestBed.runInInjectionContext(() => computedLater('outlook', input, () => Promise.reject(new Error('no'))));
    TestBed.tick();
    await set(1);
    expect(failing()).toEqual({ is: 'failed', message: 'no' });
  });
});
