import { bank, build, camera, judge, pack, splitter, usbCamera, usbWire, wire } from '../../../testing/rig-builder';
import type { Built } from '../../../testing/rig-builder';
import { drawnRig } from '../drawn/drawn-rig';
import type { CurrentLimit } from './conductor';
import { resolveDrawn } from './resolve-rig';

/** Of each lead what limits its current, the least first. */
function limitsOf({ rig, gear }: Built): readonly (readonly string[])[] {
  const say = ({ by, maxA }: CurrentLimit): string => `${by} ${maxA}`;
  return resolveDrawn(drawnRig(rig, gear)).connections.map(({ limits }) => limits.map(say));
}

const stops = (built: Built): readonly string[] => judge(built).findings.flatMap(({ code, verdict }) => (verdict === 'stop' ? [code] : []));

describe('what limits the current of a lead', () => {
  it('is everything on its way that says so, the least first: port, its fuse, lead, its fuse, input', () => {
    const parts = { pack: pack({}, { maxA: 8, fuseA: 7 }), lead: wire({ maxA: 10, fuseA: 5 }), camera: camera({}, 10, { maxA: 6 }) };
    expect(limitsOf(build(parts, [['pack.out', 'camera.in', 'lead']]))).toEqual([
      ['cable-fuse 5', 'input 6', 'port-fuse 7', 'port 8', 'cable 10'],
    ]);
  });

  it('is a splitter’s own fuse on what feeds it', () => {
    const parts = { pack: pack(), in: wire(), splitter: splitter(1, { fuseA: 4 }), camera: camera() };
    const built = build(parts, [['pack.out', 'splitter.in', 'in'], ['splitter.p1', 'camera.in']]); // prettier-ignore
    expect(limitsOf(built)[0]![0]).toBe('part-fuse 4');
  });

  it('is what was agreed where something was, and no port’s amps', () => {
    const parts = { bank: bank({ ratingW: 45 }), lead: usbWire({ maxA: 3 }), camera: usbCamera() };
    const [limits] = limitsOf(build(parts, [['bank.out', 'camera.usb', 'lead']]));
    expect(limits!.map((one) => one.split(' ')[0]).sort()).toEqual(['cable', 'contract']);
  });

  it.each([
    ['the port’s fuse', { maxA: 20, fuseA: 2 }, {}],
    ['the port', { maxA: 2 }, {}],
    ['the lead’s fuse', { maxA: 20 }, { fuseA: 2 }],
  ])('stops a rig that draws more than %s lets through', (_name, port, lead) => {
    const parts = { pack: pack({ energyWh: 300 }, port), lead: wire({ maxA: 20, ...lead }), camera: camera({}, 60) };
    expect(stops(build(parts, [['pack.out', 'camera.in', 'lead']]))).not.toEqual([]);
    const less = { ...parts, camera: camera({}, 15) };
    expect(stops(build(less, [['pack.out', 'camera.in', 'lead']]))).toEqual([]);
  });
});
