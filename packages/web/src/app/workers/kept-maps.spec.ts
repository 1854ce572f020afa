import fc from 'fast-check';
import { KeepsMaps, TellsMaps } from './kept-maps';

const LIGHT = { name: 'Light' };
const CAMERA = { name: 'Camera' };

/** A worker gets copies. */
const copied = (value: unknown): unknown[] => JSON.parse(JSON.stringify(value)) as unknown[];

function sides(cross = copied) {
  const [tells, keeps] = [new TellsMaps(), new KeepsMaps()];
  const sent: unknown[][] = [];
  const call = (...args: unknown[]): readonly unknown[] => {
    const told = tells.args('call', args);
    sent.push(cross(told));
    return keeps.args(sent.at(-1)!);
  };
  return { call, sent, tells };
}

describe('maps that a worker keeps', () => {
  it('cross once: then only what changed does, and what did not is the same object', () => {
    const { call, sent } = sides();
    const [first] = call(new Map([['a', LIGHT], ['b', CAMERA]])) as [Map<string, unknown>]; // prettier-ignore
    const dimmed = { name: 'Light, dimmed' };
    const [second] = call(new Map([['a', dimmed], ['b', CAMERA]])) as [Map<string, unknown>]; // prettier-ignore
    expect(sent[1]).toEqual([{ told: 'call 0', anew: false, put: [['a', dimmed]], gone: [] }]);
    expect(second.get('b')).toBe(first.get('b'));
    expect([...second]).toEqual([['a', dimmed], ['b', CAMERA]]); // prettier-ignore
    const [third] = call(new Map([['a', dimmed], ['b', CAMERA]])) as [Map<string, unknown>]; // prettier-ignore
    expect(third).not.toBe(first);
    expect((call(new Map([...third])) as unknown[])[0]).toEqual(third);
  });

  it('are the same map where nothing changed at all, also as fields of an object', () => {
    const { call } = sides();
    const world = { day: { name: 'Low Water' }, gear: new Map([['a', LIGHT]]) };
    const [one] = call(world) as [typeof world];
    const [other] = call({ ...world, gear: new Map(world.gear) }) as [typeof world];
    expect(other).toEqual(world);
    expect(other.gear).toBe(one.gear);
  });

  it('leave everything else as it is', () => {
    const { call } = sides((value) => value as unknown[]);
    const others = [1, 'two', new Set(['three']), ['four'], undefined, { five: 5 }];
    expect(call(...others)).toEqual(others);
  });

  it('are told anew after a call that may not have arrived', () => {
    const { call, tells, sent } = sides();
    const gear = new Map([['a', LIGHT]]);
    call(gear);
    tells.forget();
    expect(call(gear)).toEqual([gear]);
    expect(sent[1]).toEqual([{ told: 'call 0', anew: true, put: [['a', LIGHT]], gone: [] }]);
  });

  it('law: whatever is put, changed and taken away, the worker has what the page has', () => {
    const bodies = fc.dictionary(fc.constantFrom('a', 'b', 'c', 'd'), fc.integer({ max: 3 }));
    fc.assert(
      fc.property(fc.array(bodies), (states) => {
        const { call } = sides();
        for (const state of states) {
          const map = new Map(Object.entries(state));
          expect(new Map((call(map) as [Map<string, number>])[0])).toEqual(map);
        }
      }),
    );
  });
});
