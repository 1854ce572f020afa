import { assess } from '@viaggio/core/answer';
import type { Concern } from '@viaggio/core/answer';
import { checkSteps, judgeSteps } from '@viaggio/core/bench';
import { LOW_WATER } from '@viaggio/core/demo';
import type { Battery } from '@viaggio/core/gear';
import { healthHistory } from '@viaggio/core/measure';
import { said } from '@viaggio/core/units';
import { lineOf } from './concern-lines';

const demo = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const [someRig] = LOW_WATER.rigs;
const NOT_FED = assess({ ...someRig!.body, links: [] }, demo).findings[0]!;
const [wornId, worn] = [...demo].find(([, body]) => body.kind === 'battery')!;
const WORN = healthHistory(wornId, worn as Battery, { observations: [], recordings: [], gear: demo, rigs: new Map() }, '2026-01-20');
const [first] = checkSteps(someRig!.body, demo);
const STOPPED = judgeSteps([first!], new Map([[first!.id, 'OL' as const]]))[0]!;

const EVERY: readonly Concern[] = [
  { is: 'cannot-run', rigId: 'r', rig: 'Deck', finding: NOT_FED },
  { is: 'cannot-tell', rigId: 'r', rig: 'Deck', finding: NOT_FED },
  { is: 'too-short', rigId: 'r', rig: 'Deck', plannedMin: 54.5, wantedMin: 90 },
  { is: 'goes-dark', dayId: 'd', rig: 'Deck', blocks: ['Morning', 'Dusk'], minutes: 33.2, gap: said('dark', { device: 'Skuadon 60', why: 'gave-out' }) },
  { is: 'charge', gearId: 'v5', battery: 'V5: Holmvik 196', charge: 0.55, rigs: ['Deck'] },
  { is: 'retire', gearId: 'v4', battery: 'V4: Holmvik 49', when: 'now', history: WORN },
  { is: 'fly', flight: 'no', batteries: [{ gearId: 'v5', battery: 'V5', printedWh: 196 }, { gearId: 'p1', battery: 'P1', printedWh: 216 }] },
  { is: 'check-stopped', rigId: 'r', rig: 'Deck', checked: STOPPED },
  { is: 'check-again', rigId: 'r', rig: 'Deck', joints: 2 },
  { is: 'measure', gearId: 't', device: 'Tern Link', powerW: 7.5, from: 'guess' },
]; // prettier-ignore

describe('what needs somebody', () => {
  it.each(EVERY.map((concern) => [concern.is, concern] as const))('%s has a title, a reason, and a place to go', (_is, concern) => {
    const line = lineOf(concern);
    expect(line.title).not.toBe('');
    expect(line.says).toMatch(/\.$/);
    expect(line.path).toMatch(/^\//);
    expect(line.act).not.toBe('');
  });

  it('says its numbers: rounded up what is missing, watt-hours beside the limit they pass', () => {
    const said = EVERY.map((concern) => `${lineOf(concern).title} ${lineOf(concern).says}`);
    expect(said[2]).toBe('Deck is 36 min short Plan with 54 min of the 1 h 30 min asked for.');
    expect(said[3]).toBe('Deck has no power for 34 min Morning, Dusk: Skuadon 60 has no power: what feeds it has stopped.');
    expect(said[6]).toBe(
      'V5, P1 may not fly V5 196 Wh, P1 216 Wh. In a cabin at most 160 Wh, lead-acid 100 Wh: send by road, or hire there.',
    );
  });

  it('tells one battery from several, a guess from a maker’s figure, and what is not known from either', () => {
    const flies = (count: number, flight: 'approval' | 'unknown') =>
      lineOf({ is: 'fly', flight, batteries: [1, 2].slice(0, count).map((at) => ({ gearId: `${at}`, battery: `V${at}`, printedWh: flight === 'unknown' ? undefined : 147 })) }); // prettier-ignore
    expect(flies(1, 'approval').title).toBe('V1 flies only if the carrier agrees');
    expect(flies(2, 'approval').title).toBe('V1, V2 fly only if the carrier agrees');
    expect(flies(1, 'unknown').says).toBe('V1 unknown. Enter its watt-hours as printed.');
    const draw = (powerW: number | undefined, from: 'guess' | 'printed' | undefined) => lineOf({ is: 'measure', gearId: 't', device: 'Link', powerW, from }); // prettier-ignore
    expect(draw(7, 'guess').title).toBe('Link’s draw is a guess');
    expect(draw(7, 'printed').title).toBe('Link’s draw is the maker’s figure');
    expect(draw(undefined, undefined)).toMatchObject({ title: 'Link’s draw is unknown', verdict: 'caution' });
  });
});
