import { assess } from '../answer/assess';
import { LOW_WATER } from '../demo/low-water';
import type { Rig } from '../rig/drawn/rig';
import { SAFE_MARGIN } from '../tables/loads';
import { tell } from '../words/en/findings/tell';
import { ballastG, centreOfMass, counterweightG, momentNm, tipping } from './mechanics';
import type { PlacedMass } from './mechanics';
import { partsToPlace, rigBalance } from './rig-balance';
import fc from 'fast-check';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const demo = (name: string): Rig => LOW_WATER.rigs.find(({ body }) => body.name === name)!.body;
const CINEMA = demo('Cinema camera day');
const masses = fc.array(
  fc.record({
    massG: fc.integer({ min: 1, max: 5000 }),
    alongMm: fc.integer({ min: -500, max: 500 }),
    heightMm: fc.integer({ min: -300, max: 300 }),
  }),
  { minLength: 1, maxLength: 8 },
);

describe('the centre of mass', () => {
  it('of a kilogram 60 mm forward and half of one 120 mm back is over the middle', () => {
    const centre = centreOfMass([
      { massG: 1000, alongMm: 60, heightMm: 10 },
      { massG: 500, alongMm: -120, heightMm: 40 },
    ])!;
    expect(centre).toEqual({ massG: 1500, alongMm: 0, heightMm: 20 });
    expect(momentNm(centre)).toBe(0);
    expect(momentNm({ massG: 2000, alongMm: 100, heightMm: 0 })).toBeCloseTo(1.96133, 5);
    expect(centreOfMass([])).toBeUndefined();
  });

  it('lies between the outermost masses and does not mind their order', () => {
    fc.assert(
      fc.property(masses, (list) => {
        const centre = centreOfMass(list)!;
        const along = list.map(({ alongMm }) => alongMm);
        expect(centre.alongMm).toBeGreaterThanOrEqual(Math.min(...along) - 1e-9);
        expect(centre.alongMm).toBeLessThanOrEqual(Math.max(...along) + 1e-9);
        expect(centreOfMass([...list].reverse())!.alongMm).toBeCloseTo(centre.alongMm, 9);
      }),
    );
  });

  it('is brought over the middle by the counterweight, on the other side', () => {
    fc.assert(
      fc.property(masses, fc.integer({ min: 50, max: 800 }), (list, hangsAt) => {
        const centre = centreOfMass(list)!;
        const weight: PlacedMass = { massG: counterweightG(centre, hangsAt), alongMm: -Math.sign(centre.alongMm) * hangsAt, heightMm: 0 };
        expect(centreOfMass([...list, weight])!.alongMm).toBeCloseTo(0, 6);
      }),
    );
  });

  it('gets the margin asked for from ballast below the middle', () => {
    fc.assert(
      fc.property(masses, (list) => {
        const centre = centreOfMass(list)!;
        const reach = 150;
        const weight = ballastG(centre, reach, SAFE_MARGIN);
        const after = centreOfMass([...list, { massG: weight, alongMm: 0, heightMm: -500 }])!;
        expect(1 - Math.abs(after.alongMm) / reach).toBeGreaterThanOrEqual(SAFE_MARGIN - 1e-9);
      }),
    );
  });
});

describe('tipping', () => {
  const stance = { footFrontMm: 100, footBackMm: 300, plateHeightMm: 900 };
  it.each([
    [0, 'front', 100],
    [80, 'front', 20],
    [120, 'front', -20],
    [-250, 'back', 50],
    [-310, 'back', -10],
  ] as const)('with the centre %i mm forward it would go over the %s, %i mm away', (alongMm, edge, marginMm) => {
    expect(tipping({ massG: 3000, alongMm, heightMm: 100 }, stance)).toMatchObject({ edge, marginMm });
  });

  it('tells the angle only when the height is known', () => {
    expect(tipping({ massG: 3000, alongMm: 0, heightMm: 100 }, stance).angleDeg).toBeCloseTo(5.7106, 3);
    expect(tipping({ massG: 3000, alongMm: 0, heightMm: 100 }, { footFrontMm: 100, footBackMm: 100 }).angleDeg).toBeUndefined();
  });
});

describe('the balance of a rig', () => {
  const places = (change: (gearId: string, alongMm: number | undefined) => number | undefined): Rig => ({
    ...CINEMA,
    balance: {
      ...CINEMA.balance!,
      places: CINEMA.balance!.places.map((place) => {
        const alongMm = change(place.gearId, place.alongMm);
        const { alongMm: _along, ...rest } = place;
        return alongMm === undefined ? rest : { ...rest, alongMm };
      }),
    },
  });
  const codes = (rig: Rig, kit = gear) => assess(rig, kit).findings.filter(({ aspect }) => aspect === 'balance').map(({ code, verdict }) => [code, verdict]); // prettier-ignore

  it('is looked at only when somebody said what it stands on', () => {
    expect(rigBalance(demo('Stills'), gear)).toBeUndefined();
    expect(codes(demo('Stills'))).toEqual([]);
    expect(codes(CINEMA)).toEqual([['balance-fits', 'good']]);
  });

  it('warns with less than a fifth of the reach left, and stops beyond the feet', () => {
    const at = (forward: number) => places((id, alongMm) => (id === CINEMA.devices[0]!.gearId ? forward : alongMm));
    const { massG } = rigBalance(CINEMA, gear)!.centre!;
    const camera = gear.get(CINEMA.devices[0]!.gearId)!.massG!;
    const others = rigBalance(at(0), gear)!.centre!.alongMm * massG;
    const cameraAt = (share: number) => (420 * (1 - share) * massG - others) / camera;
    expect(codes(at(cameraAt(0.21)))).toEqual([['balance-fits', 'good']]);
    expect(codes(at(cameraAt(0.19)))).toEqual([['tips-easily', 'caution']]);
    expect(codes(at(cameraAt(-0.01)))).toEqual([['tips-over', 'stop']]);
    const finding = assess(at(cameraAt(-0.01)), gear).findings.find(({ code }) => code === 'tips-over');
    expect(finding && tell(finding).remedy).toMatch(/^Hang .* k?g behind to bring it over the middle/);
  });

  it('names what it does not know and never assumes a mass or a place', () => {
    const unplaced = places((id, alongMm) => (id === CINEMA.devices[0]!.gearId ? undefined : alongMm));
    expect(codes(unplaced)).toContainEqual(['balance-unknown', 'unknown']);
    expect(rigBalance(unplaced, gear)!.placed).toHaveLength(2);
    const camera = gear.get(CINEMA.devices[0]!.gearId)!;
    const { massG: _mass, ...weightless } = camera;
    const kit = new Map([...gear, [CINEMA.devices[0]!.gearId, weightless]]);
    expect(rigBalance(CINEMA, kit)!.missing).toEqual([{ gearId: CINEMA.devices[0]!.gearId, name: 'Havgall cinema camera', what: 'mass' }]);
    expect(codes(CINEMA, kit)).toContainEqual(['balance-unknown', 'unknown']);
  });

  it('tells no angle while the height of one part is not known, and all else as before', () => {
    const places = CINEMA.balance!.places.map((place, index) => (index === 0 ? { gearId: place.gearId, alongMm: place.alongMm! } : place));
    const [whole, flat] = [rigBalance(CINEMA, gear)!, rigBalance({ ...CINEMA, balance: { ...CINEMA.balance!, places } }, gear)!];
    expect([whole.heightUnknown, flat.heightUnknown]).toEqual([[], ['Havgall cinema camera']]);
    expect(whole.tipping!.angleDeg).toBeCloseTo(8.19, 2);
    expect(flat.tipping!.angleDeg).toBeUndefined();
    expect(flat.tipping!.marginMm).toBeCloseTo(whole.tipping!.marginMm, 9);
  });

  it('counts a battery in the pocket as nothing on a stabiliser, and one on it against the payload', () => {
    const deck = demo('Deck');
    const bank = deck.balance!.places.at(-1)!.gearId;
    expect(rigBalance(deck, gear)).toMatchObject({ centre: { massG: 490 }, elsewhere: [{ gearId: bank, massG: 210 }] });
    const aboard = { ...deck, balance: { ...deck.balance!, payloadG: 699, places: deck.balance!.places.map((place) => ({ gearId: place.gearId, alongMm: place.alongMm ?? 0 })) } }; // prettier-ignore
    expect(codes(aboard)).toEqual([['payload-passed', 'stop']]);
    expect(codes({ ...aboard, balance: { ...aboard.balance, payloadG: 707 } })).toEqual([['payload-near', 'caution']]);
    expect(codes({ ...aboard, balance: { ...aboard.balance, payloadG: 900 } })).toEqual([['balance-fits', 'good']]);
  });

  it('tells how far a spare of another mass shifts it; off the carriage it shifts nothing', () => {
    const rig = demo('Wheelhouse, everything on one V-mount');
    const [shift] = rigBalance(rig, gear)!.shifts;
    expect(shift).toMatchObject({ spare: 'V6: Holmvik 95', massG: -240 });
    expect(shift!.alongMm).toBeCloseTo(16.44, 2);
    const stabilised: Rig = { ...rig, balance: { ...rig.balance!, support: 'stabiliser' } };
    expect(codes(stabilised)).toEqual([['swap-shifts', 'caution']]);
    const battery = rig.batteries![0]!.gearId;
    const pocketed: Rig = { ...stabilised, balance: { ...stabilised.balance!, places: stabilised.balance!.places.map((place) => (place.gearId === battery ? { gearId: battery, elsewhere: true } : place)) } }; // prettier-ignore
    expect(rigBalance(pocketed, gear)!.shifts).toEqual([]);
  });

  it('does not ask for the place of a cable or of a supply, but weighs a cable that was placed', () => {
    const cinemaCable = CINEMA.links[1]!.cableId!;
    expect(partsToPlace(CINEMA, gear)).not.toContain(cinemaCable);
    const placed: Rig = { ...CINEMA, balance: { ...CINEMA.balance!, places: [...CINEMA.balance!.places, { gearId: cinemaCable, alongMm: 0 }] } }; // prettier-ignore
    expect(partsToPlace(placed, gear)).toContain(cinemaCable);
    expect(partsToPlace(demo('Galley, two cameras on mains'), gear).map((id) => gear.get(id)!.kind)).not.toContain('supply');
  });
});
