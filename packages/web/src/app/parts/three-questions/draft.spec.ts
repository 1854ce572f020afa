import { assess } from '@viaggio/core/answer';
import {
  adapterFits,
  cableFits,
  FEED_KINDS,
  forBay,
  gearIdsOf,
  GENERIC_ADAPTERS,
  GENERIC_BATTERIES,
  GENERIC_CABLES,
  GENERIC_DEVICES,
  inputFor,
  outputFor,
} from '@viaggio/core/gear';
import type { FeedKind, Gear } from '@viaggio/core/gear';
import { draftParts, draftPlan, draftRig } from './draft';
import type { Draft, DraftPart } from './draft';

const part = <G extends Gear>(id: string, body: G, isNew = true): DraftPart<G> => ({ id, body, isNew, choice: '' });

function draftFor(feed: FeedKind): Draft {
  const device = GENERIC_DEVICES.find((one) => inputFor(feed, one))!;
  const input = inputFor(feed, device)!;
  const battery = GENERIC_BATTERIES.find(
    (one) => outputFor(feed, one) && (feed !== 'in-camera' || one.outputs[0]!.connector.family === input.connector.family),
  )!;
  const output = outputFor(feed, battery)!;
  const adapter = GENERIC_ADAPTERS.map((one) => forBay(one, input.connector.family)).find((one) => adapterFits(one, output, input));
  const cable = GENERIC_CABLES.find((one) => cableFits(one, output, input));
  return {
    feed,
    device: part('d', device),
    battery: part('b', battery),
    ...(adapter && { adapter: part('a', adapter) }),
    ...(cable && { cable: part('c', cable) }),
    conditions: { wantedMin: 60 },
  };
}

describe('a draft', () => {
  it.each(Object.keys(FEED_KINDS) as FeedKind[])('by %s becomes a rig that can be judged', (feed) => {
    const draft = draftFor(feed);
    const rig = draftRig(draft)!;
    expect(rig).toMatchObject({ devices: [{ gearId: 'd' }], wantedMin: 60 });
    expect([rig.links[0]!.from.gearId, rig.links.at(-1)!.to.gearId]).toEqual(['b', 'd']);
    expect([gearIdsOf(rig).includes('a'), gearIdsOf(rig).includes('c')]).toEqual([
      FEED_KINDS[feed].needs === 'adapter',
      FEED_KINDS[feed].needs === 'cable',
    ]);
    const answer = assess(rig, new Map(draftParts(draft).map(({ id, body }) => [id, body])));
    expect(answer.findings.filter(({ aspect, verdict }) => aspect === 'connector' && verdict !== 'good')).toEqual([]);
  });

  it('is no rig until every question is answered', () => {
    const { device, battery, adapter: _adapter, ...rest } = draftFor('v-mount');
    expect(draftRig({ conditions: {} })).toBeUndefined();
    expect(draftRig({ ...rest, ...(device && { device }) })).toBeUndefined();
    expect(draftRig({ ...rest, ...(device && { device }), ...(battery && { battery }) })).toBeUndefined(); // the adapter is missing
    expect(draftPlan({ conditions: {} }, 'r')).toBeUndefined();
  });

  it('sends only what is not in the kit yet, and only what the rig uses', () => {
    const draft = draftFor('v-mount');
    const kitBattery = { ...draft, battery: part('kit', draft.battery!.body, false), cable: part('unused', GENERIC_CABLES[0]!) };
    const plan = draftPlan(kitBattery, 'r')!;
    expect(plan.gear.map(({ id }) => id)).toEqual(['d', 'a']);
    expect(plan.rigs).toMatchObject([{ id: 'r', body: { links: [{ from: { gearId: 'kit' } }, { to: { gearId: 'd' } }] } }]);
  });
});
