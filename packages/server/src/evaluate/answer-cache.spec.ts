import { AnswerCache } from './answer-cache';

const bytes = (length: number, fill = 0) => new Uint8Array(length).fill(fill);

describe('answers that were given before', () => {
  it('are given again for the same question only, and made once', async () => {
    const cache = new AnswerCache();
    let made = 0;
    const ask = (fill: number) => cache.of(bytes(4, fill), () => Promise.resolve(bytes(1, ++made)));
    expect([...(await ask(1)), ...(await ask(2)), ...(await ask(1))]).toEqual([1, 2, 1]);
  });

  it('make room, the one that was not asked for longest first', async () => {
    const cache = new AnswerCache(10);
    let made = 0;
    const ask = (fill: number, length = 4) => cache.of(bytes(4, fill), () => Promise.resolve(bytes(length, ++made)));
    await ask(1);
    await ask(2);
    await ask(1); // asked for again
    await ask(3);
    expect([(await ask(1))[0], (await ask(2))[0]]).toEqual([1, 4]);
    await ask(9, 11); // larger than all there is
    expect((await ask(9, 11))[0]).toBe(6);
  });

  it('do not hold what failed', async () => {
    const cache = new AnswerCache();
    await expect(cache.of(bytes(1), () => Promise.reject(new Error('no')))).rejects.toThrow('no');
    expect(await cache.of(bytes(1), () => Promise.resolve(bytes(1, 7)))).toEqual(bytes(1, 7));
  });
});
