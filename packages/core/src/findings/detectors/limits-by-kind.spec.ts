import { build, camera, dummy, judge, pack, usbCamera, wire } from '../../../testing/rig-builder';
import type { Built } from '../../../testing/rig-builder';
import { assess } from '../../answer/assess';

/** 24 W from four cells: 1.43 A full, 2.0 A at the cut-off of 12 V. */
const fed = (
  lead: Parameters<typeof wire>[0] = {},
  input: Parameters<typeof camera>[2] = {},
  port: Parameters<typeof pack>[1] = {},
): Built =>
  build({ pack: pack({}, port), lead: wire({ maxA: 10, ...lead }), camera: camera({}, 24, input) }, [['pack.out', 'camera.in', 'lead']]);
const found = ({ rig, gear }: Built) => assess(rig, gear).findings;
const told = (built: Built) => judge(built).findings.find(({ code }) => code.startsWith('over-current'));
/** Until the battery stops it, whatever may be told of the way there. */
const minutes = (built: Built) => judge(built).sources[0]!.run.minutes;
const throughout = minutes(fed());

describe('what a limit does', () => {
  it.each([
    ['a port of the battery trips', fed({}, {}, { maxA: 1.7 }), 'over-current-late', 'caution', 'It trips there.'],
    ['a fuse blows', fed({ fuseA: 1.7 }), 'over-current-late', 'caution', 'The fuse blows.'],
  ])('%s, and the run ends there', (_name, built, code, verdict, says) => {
    expect(minutes(built)).toBeLessThan(0.9 * throughout);
    expect(told(built)).toMatchObject({ code, verdict });
    expect(told(built)!.sentence).toContain(says);
  });

  it.each([
    ['wire gets hot', fed({ maxA: 1.7 }), 'over-current-late', 'stop', 'the lead gets hot'],
    ['wire gets hot from the first minute', fed({ maxA: 1 }), 'over-current', 'stop', 'the lead gets hot'],
    ['an input’s rating, passed by 5 %', fed({}, { maxA: 1.9 }), 'over-current-late', 'caution', 'its maker answers for no more'],
    ['an input’s rating, passed by 18 %', fed({}, { maxA: 1.7 }), 'over-current-late', 'stop', 'its maker answers for no more'],
  ])('%s: nothing ends the run', (_name, built, code, verdict, says) => {
    expect(minutes(built)).toBeCloseTo(throughout, 6);
    expect(told(built)).toMatchObject({ code, verdict });
    expect(told(built)!.sentence).toContain(says);
  });

  it('a regulated output lets its voltage fall', () => {
    const built = build(
      { pack: pack(), adapter: dummy({ output: { connector: { type: 'bay', family: 'S' }, voltageV: 8, maxA: 1 }, ratedW: 30 }), camera: usbCamera(10) },
      [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']],
    ); // prettier-ignore
    expect(told(built)!.sentence).toContain('Its voltage falls there');
  });

  it('is met when it is just met', () => {
    const { endA, startA } = found(fed()).flatMap((one) => (one.code === 'current-fits' ? [one.facts] : []))[0]!;
    for (const within of [fed({ maxA: endA }), fed({}, { maxA: endA })]) expect(told(within)).toBeUndefined();
    expect(told(fed({ maxA: endA / 1.01 }))).toMatchObject({ code: 'over-current-late' });
    expect(told(fed({ maxA: startA / 1.01 }))).toMatchObject({ code: 'over-current' });
  });

  it('that ends nothing is said to be passed at the minute at which a port of as many amps would trip', () => {
    const late = (built: Built) => {
      const [afterMin] = found(built).flatMap((one) =>
        one.code === 'over-current-late' && one.facts.at === 'lead' ? [one.facts.afterMin] : [],
      );
      return afterMin!;
    };
    expect(late(fed({ maxA: 1.7 }))).toBeCloseTo(late(fed({}, {}, { maxA: 1.7 })), 2);
  });
});

describe('a peak above a rating', () => {
  const peaking = (peakW: number, peakMs: number | undefined, lead: Parameters<typeof wire>[0]): Built =>
    build({ pack: pack(), lead: wire({ maxA: 10, ...lead }), camera: camera({ peakW, ...(peakMs && { peakMs }) }, 10) }, [
      ['pack.out', 'camera.in', 'lead'],
    ]);
  const codes = (built: Built) => judge(built).findings.filter(({ verdict }) => verdict !== 'good').map(({ code }) => code); // prettier-ignore

  it.each([
    ['is borne for ten seconds at twice the rating', peaking(40, 10_000, { maxA: 2 }), []],
    ['is not borne for longer', peaking(40, 11_000, { maxA: 2 }), ['peak-over-rating']],
    ['nor at more than twice', peaking(60, 100, { maxA: 2 }), ['peak-over-rating']],
    ['nor where nobody says how long it is', peaking(40, undefined, { maxA: 2 }), ['peak-over-rating']],
    ['within the rating it is nothing', peaking(20, undefined, { maxA: 2 }), []],
    ['a fuse forgives a tenth of a second, no more', peaking(40, 200, { fuseA: 2 }), ['peak-stops']],
  ])('%s', (_name, built, expected) => {
    expect(codes(built).filter((code) => code.startsWith('peak'))).toEqual(expected);
  });
});
