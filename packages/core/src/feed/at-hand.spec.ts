import { battery, CONTACTS, IN_CAMERA, rigOf } from '../../testing/rig-parts';
import { spoken } from '../../testing/spoken';
import { assess } from '../answer/assess';
import type { Battery, Gear } from '../gear/gear';
import { isFlat, isReady, whyNotAtHand } from '../gear/kit/at-hand';
import { sayRemedy } from '../words/en/feed/remedy-words';
import { findFeeds } from './find-feeds';
import { offersFor } from './offers';
import { RemedySearch } from './remedies';

const id = (place: number): string => `00000000-0000-4000-8000-0000000000${place}`;
const pack = (tag: string, changes: Partial<Battery> = {}): Battery => battery(CONTACTS, 2, 50, { tag, ...changes });
const { rig, gear } = rigOf({ ...IN_CAMERA, rig: { wantedMin: 500 } });
const cameraId = rig.devices[0]!.gearId;
const kit = new Map<string, Gear>([
  ...gear,
  [id(11), pack('charged', { charge: 0.9 })],
  [id(12), pack('flat', { charge: 0.05 })],
  [id(13), pack('lent', { away: 'lent' })],
  [id(14), pack('packed', { away: 'packed' })],
  [id(15), pack('unknown')],
]);

describe('what is not at hand', () => {
  it('is lent, lost, packed, broken or archived; flat is another matter, and unknown is neither', () => {
    expect(whyNotAtHand(pack('x'))).toBeUndefined();
    expect(whyNotAtHand(pack('x', { archived: true }))).toBe('archived');
    expect(isFlat(pack('x', { charge: 0.1 }))).toBe(true);
    expect(isFlat(pack('x'))).toBe(false);
    expect([isReady(pack('x')), isReady(pack('x', { charge: 0 })), isReady(pack('x', { away: 'lost' }))]).toEqual([true, false, false]);
  });

  it('feeds nothing; what is flat is offered as that, after what is charged', () => {
    const { feeds } = findFeeds({ ...rig, links: [] }, cameraId, new Map([...kit].filter(([one]) => one !== rig.links[0]!.from.gearId)));
    expect(feeds.map(({ title, flat }) => [title, flat])).toEqual([
      ['charged Battery', []],
      ['flat Battery', ['flat: Battery']],
    ]);
  });

  it('is told by hand: why not, and what must be charged first', () => {
    const { offers, refused } = offersFor({ ...rig, links: [] }, kit, { gearId: cameraId, portId: 'in' });
    expect(refused.filter(({ gearId }) => [id(13), id(14)].includes(gearId)).map(({ reason }) => spoken(reason) as string)).toEqual([
      'It is lent.',
      'It is packed.',
    ]);
    expect(offers.at(-1)).toMatchObject({ title: 'Contacts of flat: Battery', flat: true });
  });

  it('is no remedy', () => {
    const short = assess(rig, gear).findings.find(({ code }) => code === 'too-short')!;
    const offered = new RemedySearch(rig, kit).for(short).map(({ act }) => sayRemedy(act));
    expect(offered.length).toBeGreaterThan(0);
    for (const title of offered) expect(title).not.toMatch(/flat|lent|packed/);
  });
});
