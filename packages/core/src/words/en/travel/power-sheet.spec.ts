import { lowWaterTrip } from '../../../../testing/packed-world';
import { assess } from '../../../answer/assess';
import { LOW_WATER_DAY } from '../../../demo/low-water-day';
import { tellAnswer } from '../answer/tell-answer';
import { powerSheet } from './power-sheet';

const { gear, rigs, trip } = lowWaterTrip();
const day = LOW_WATER_DAY.body;

describe('the power sheet', () => {
  const sheet = powerSheet({ gear, rigs, day, trip });

  it('has a page for each rig of the day, with the answer that the rig’s page gives', () => {
    expect(sheet.rigs.map(({ rigId }) => rigId)).toEqual(day.rigIds);
    for (const page of sheet.rigs) {
      const answer = tellAnswer(assess(rigs.get(page.rigId)!, gear));
      expect(page.verdict).toBe(answer.verdict);
      expect(page.findings.map(({ says }) => says)).toEqual(answer.findings.filter(({ verdict }) => verdict !== 'good').slice(0, 5).map(({ sentence }) => sentence)); // prettier-ignore
      expect(page.connecting.length > 0).toBe(page.verdict !== 'stop');
    }
  });

  it('a rig that must not be powered says so, and no time', () => {
    expect(sheet.rigs.find(({ verdict }) => verdict === 'stop')!.runs).toContain('Do not power it like this.');
  });

  it('says where each battery is and where it goes, who to ask, what charges, and the cautions once', () => {
    const v3 = sheet.batteries.find(({ title }) => title.startsWith('V3'))!;
    expect(v3).toMatchObject({ holds: '147 Wh', charge: '15 %', goesInto: expect.stringContaining('Wheelhouse') });
    expect(sheet.people.map(({ name }) => name)).toEqual(['Ine', 'Tobb', 'Maren', 'Siv']);
    expect(sheet.charging!.rows.length).toBeGreaterThan(0);
    expect(new Set(sheet.cautions).size).toBe(sheet.cautions.length);
  });

  it('when a rig goes dark that day it is told before what the rig does by itself', () => {
    expect(sheet.rigs[0]!.runs).toMatch(/^On this day without power for .*By itself: Plan with/);
    expect(sheet.rigs[0]!.changes[0]).toMatchObject({ at: 'Tue 07:00' });
  });

  it('of one rig alone: its page, without a day', () => {
    const one = powerSheet({ gear, rigs, day: undefined, trip: undefined, rigIds: [day.rigIds[1]!] });
    expect(one).toMatchObject({ title: 'Deck', when: undefined, charging: undefined });
    expect(one.rigs).toHaveLength(1);
  });
});
