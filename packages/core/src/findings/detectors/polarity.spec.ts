import { build, camera, DTAP, dummy, judge, pack, splitter, wire } from '../../../testing/rig-builder';
import type { Built } from '../../../testing/rig-builder';
import type { Connector } from '../../gear/connector';
import type { Verdict } from '../verdict';

type Type = Connector['type'];
type Polarity = Connector['polarity'];

const plug = (type: Type, polarity?: Polarity): Connector => ({
  type,
  ...(type === 'barrel' && { outerMm: 5.5, innerMm: 2.1 }),
  ...(polarity && { polarity }),
});

/** A pack of one polarity, a lead, a camera of another; or straight, where there is no lead. */
const fed = (from: Connector, to: Connector, lead?: { near?: Connector; far?: Connector; crossed?: boolean }): Built =>
  build(
    {
      pack: { ...pack(), outputs: [{ gives: 'pack', id: 'out', name: 'Out', connector: from, maxA: 8, lead: lead === undefined }] },
      lead: wire({ ends: { source: lead?.near ?? plug(from.type), load: lead?.far ?? plug(to.type) }, crossed: lead?.crossed }),
      camera: camera({}, 10, { connector: to }),
    },
    [['pack.out', 'camera.in', ...(lead ? (['lead'] as const) : [])] as never],
  );

const polarityOf = (built: Built): Verdict | 'note' | undefined =>
  judge(built).findings.find(({ code }) => code.startsWith('polarity'))?.verdict;

const PINNED: readonly Type[] = ['xlr4', 'circular2', 'xt60', 'd-tap'];
const [PLUS, MINUS] = ['pin-1-positive', 'pin-1-negative'] as const;

describe.each(PINNED)('plus on pin 1 of %s', (type) => {
  it.each([
    ['straight into its like', fed(plug(type, PLUS), plug(type, PLUS)), undefined],
    ['straight into its opposite', fed(plug(type, PLUS), plug(type, MINUS)), 'stop'],
    ['by a plain lead into its like', fed(plug(type, PLUS), plug(type, PLUS), {}), undefined],
    ['by a plain lead into its opposite', fed(plug(type, PLUS), plug(type, MINUS), {}), 'stop'],
    ['by a lead said to be plain into its opposite', fed(plug(type, MINUS), plug(type, PLUS), { crossed: false }), 'stop'],
    ['by the crossed lead made for it', fed(plug(type, PLUS), plug(type, MINUS), { crossed: true }), undefined],
    ['by a crossed lead into its like', fed(plug(type, PLUS), plug(type, PLUS), { crossed: true }), 'stop'],
    ['by a lead whose ends say that they are crossed', fed(plug(type, PLUS), plug(type, MINUS), { near: plug(type, PLUS), far: plug(type, MINUS) }), undefined],
    ['by one that says so and is marked crossed', fed(plug(type, PLUS), plug(type, MINUS), { near: plug(type, PLUS), far: plug(type, MINUS), crossed: true }), undefined],
    ['into a lead that wants it the other way', fed(plug(type, PLUS), plug(type, PLUS), { near: plug(type, MINUS), far: plug(type, PLUS) }), 'stop'],
  ] as const)('%s', (_what, built, expected) => expect(polarityOf(built)).toBe(expected)); // prettier-ignore

  it('is followed through a splitter that is nothing but wire, to each device', () => {
    const on = (into: Polarity, hubInput: Connector = plug(type)): Built =>
      build(
        {
          pack: { ...pack(), outputs: [{ gives: 'pack', id: 'out', name: 'Out', connector: plug(type, PLUS), maxA: 8, lead: true }] },
          hub: {
            ...splitter(),
            inputs: [{ takes: 'window', id: 'in', name: 'In', connector: hubInput, minV: 6, maxV: 20 }],
            outputs: ['p1', 'p2'].map((id) => ({ gives: 'pack' as const, id, name: id, connector: plug(type), maxA: 5, lead: true })),
          },
          camera: camera({}, 10, { connector: plug(type, into) }),
        },
        [['pack.out', 'hub.in'], ['hub.p1', 'camera.in']],
      ); // prettier-ignore
    expect(polarityOf(on(PLUS))).toBeUndefined();
    expect(polarityOf(on(MINUS))).toBe('stop');
    // one that says where it wants it is where it is told, and only there
    const told = judge(on(MINUS, plug(type, MINUS))).findings.filter(({ code }) => code.startsWith('polarity'));
    expect(told).toMatchObject([{ verdict: 'stop', part: 'Splitter' }]);
  });
});

describe('what nobody says of plus', () => {
  it.each([
    ['four-pin XLR: pin 4, as is usual', fed(plug('xlr4'), plug('xlr4', MINUS), {}), undefined],
    ['four-pin XLR into a thing that departs from that', fed(plug('xlr4'), plug('xlr4', PLUS), {}), 'stop'],
    ['D-tap and XT60: as marked', fed(plug('d-tap'), plug('d-tap', 'as-marked'), {}), undefined],
    ['a two-pin plug differs by maker', fed(plug('circular2'), plug('circular2', PLUS), {}), 'unknown'],
    ['a barrel’s centre is usual, and never taken for it', fed(plug('barrel', 'centre-positive'), plug('barrel'), { near: plug('barrel', 'centre-positive'), far: plug('barrel', 'centre-positive') }), 'unknown'],
    ['a lead from one kind to another that does not say', fed(DTAP, plug('barrel', 'centre-positive'), {}), 'unknown'],
    ['one that does', fed(DTAP, plug('barrel', 'centre-positive'), { far: plug('barrel', 'centre-positive') }), undefined],
    ['the same, crossed inside', fed(DTAP, plug('barrel', 'centre-positive'), { far: plug('barrel', 'centre-positive'), crossed: true }), 'stop'],
  ] as const)('%s', (_what, built, expected) => expect(polarityOf(built)).toBe(expected)); // prettier-ignore

  it('does not outlast a converter: what comes out of one is its own', () => {
    const built = build(
      {
        pack: { ...pack(), outputs: [{ gives: 'pack', id: 'out', name: 'Out', connector: plug('xlr4', PLUS), maxA: 8, lead: true }] },
        adapter: dummy({ input: { connector: plug('xlr4', PLUS), minV: 11, maxV: 17 } }),
        camera: camera({}, 10, { connector: { type: 'bay', family: 'S' }, minV: 6, maxV: 8.6 }),
      },
      [['pack.out', 'adapter.in'], ['adapter.out', 'camera.in']],
    ); // prettier-ignore
    expect(polarityOf(built)).toBeUndefined();
  });
});
