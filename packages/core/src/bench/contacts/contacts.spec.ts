import { spoken } from '../../../testing/spoken';
import { CHEMISTRIES } from '../../tables/chemistries';
import { sayCommonly, sayDifference, WAYS_ON } from '../../words/en/bench/contact-words';
import type { Contact, SheetOf } from '../sheet/sheet-shape';
import { compareContacts, mayGoIn, verdictOfContacts } from './compare';
import type { BayWindow } from './compare';
import { judgeTaps } from './taps';
import fc from 'fast-check';

const WINDOW: BayWindow = { minV: 6.3, maxV: 8.6 };
const PLUS: Contact = { name: '1', role: 'plus', original: { openV: 8.2, loadedV: 8.0 }, substitute: { openV: 8.0, loadedV: 7.9 } };
const TEMPERATURE: Contact = {
  name: '2',
  role: 'temperature',
  original: { openV: 0, ohms: 10_000 },
  substitute: { openV: 0, ohms: 10_000 },
};
const DATA: Contact = { name: '3', role: 'data', original: { openV: 3.1, over: true }, substitute: { openV: 3.1, over: true } };
const MINUS: Contact = { name: '4', role: 'minus' };
const sheet = (...contacts: Contact[]): SheetOf<'contacts'> => ({ kind: 'contacts', at: '2026-01-10', name: 'Adapter M', contacts });
const judged = (contact: Contact, window = WINDOW): string => {
  const [one] = compareContacts(sheet(contact, MINUS), window);
  return `${one!.code} ${one!.verdict}`;
};
const plus = (substitute: Contact['substitute'], original = PLUS.original): Contact => ({ ...PLUS, original, substitute });
const temperature = (substitute: Contact['substitute'], original = TEMPERATURE.original): Contact => ({
  ...TEMPERATURE,
  original,
  substitute,
});
const data = (substitute: Contact['substitute'], original = DATA.original): Contact => ({ ...DATA, original, substitute });

describe('contacts compared', () => {
  it('are the same where every reading is', () => {
    const differences = compareContacts(sheet(PLUS, TEMPERATURE, DATA, MINUS), WINDOW);
    expect(differences.map(({ code }) => code)).toEqual(['same', 'same', 'same', 'same']);
    expect([verdictOfContacts(differences), mayGoIn(differences.map(({ code }) => code))]).toEqual(['good', true]);
  });

  it.each<[string, Contact, string]>([
    ['plus and minus exchanged', plus({ openV: -8 }), 'exchanged stop'],
    ['nothing there', plus({ openV: 0.01 }), 'nothing-there stop'],
    ['1 % over what the camera stands', plus({ openV: 8.6 * 1.01, loadedV: 8.5 }), 'too-high stop'],
    ['1 % under it', plus({ openV: 8.6 * 0.99, loadedV: 8.4 }), 'same good'],
    ['1 % under what it needs', plus({ openV: 6.3 * 0.99 }), 'too-low stop'],
    ['1 % over it', plus({ openV: 6.3 * 1.01, loadedV: 6.32 }), 'same good'],
    ['sagging below what it needs', plus({ openV: 7.5, loadedV: 6.2 }), 'sags stop'],
    ['sagging more than a sound one', plus({ openV: 8, loadedV: 7 }), 'sags caution'],
    ['not tried under load', plus({ openV: 8 }), 'not-measured unknown'],
    ['not measured', plus(undefined), 'not-measured unknown'],
    ['a third contact live that is dead on the original', temperature({ openV: 5, ohms: 10_000 }), 'live stop'],
    ['live, the original not measured', temperature({ openV: 5 }, {}), 'live unknown'],
    ['a temperature contact open', temperature({ openV: 0, over: true }), 'open caution'],
    ['held to minus', temperature({ openV: 0, ohms: 5 }), 'shorted caution'],
    ['a few ohms where the original is open', data({ openV: 3.1, ohms: 20 }), 'shorted caution'],
    ['a colder thermistor', temperature({ openV: 0, ohms: 13_000 }), 'same good'],
    ['another thermistor', temperature({ openV: 0, ohms: 47_000 }), 'other-ohms caution'],
    ['a data contact dead', data({ openV: 0, over: true }), 'dead caution'],
    ['a data contact pulled higher', data({ openV: 5, over: true }), 'other-volts stop'],
    ['a data contact lower', data({ openV: 1.5, over: true }), 'other-volts caution'],
    ['ohms not read', temperature({ openV: 0 }), 'not-measured unknown'],
  ])('%s', (_what, contact, wanted) => expect(judged(contact)).toBe(wanted));

  it('a minus that stands above minus is live', () => {
    expect(compareContacts(sheet(PLUS, { ...MINUS, substitute: { openV: 8 } }), WINDOW)[1]!.verdict).toBe('stop');
  });

  it('law: what the window does not cover is never good, and every difference is told with what it commonly does', () => {
    const reading = fc.record({ openV: fc.double({ min: -20, max: 20, noNaN: true }), loadedV: fc.double({ min: -20, max: 20, noNaN: true }), ohms: fc.double({ min: 0, max: 1e5, noNaN: true }) }); // prettier-ignore
    fc.assert(
      fc.property(
        reading,
        reading,
        fc.constantFrom('plus', 'temperature', 'data', 'other') as fc.Arbitrary<Contact['role']>,
        (original, substitute, role) => {
          const contact: Contact = { name: 'x', role, original, substitute };
          const [open] = compareContacts(sheet(contact, MINUS), { minV: undefined, maxV: undefined });
          if (role === 'plus') expect(open!.verdict).not.toBe('good');
          const [one] = compareContacts(sheet(contact, MINUS), WINDOW);
          if (role === 'plus' && (substitute.openV > 8.6 || substitute.openV < 0)) expect(one!.verdict).toBe('stop');
          expect(sayDifference(one!)).not.toMatch(/undefined|NaN/);
          expect(sayCommonly(one!) === '').toBe(one!.code === 'same');
        },
      ),
      { numRuns: 500, seed: 16 },
    );
  });

  it('never tells how to go round what a camera protects itself with', () => {
    const said = [...WAYS_ON, ...compareContacts(sheet(temperature({ openV: 0, over: true }), MINUS), WINDOW).flatMap((one) => [sayDifference(one), sayCommonly(one)])].join(' '); // prettier-ignore
    expect(said).not.toMatch(/resistor|bridge|short(en)? it|fool|bypass|simulate|tape over/i);
  });
});

describe('the groups of a pack', () => {
  it('are even, weak, high, too low, overcharged or reversed', () => {
    const codes = (volts: readonly number[], loaded = false) => judgeTaps('li-ion', volts, loaded).groups.map(({ code }) => code);
    expect(codes([4.1, 4.1, 4.11, 4.09])).toEqual(['even', 'even', 'even', 'even']);
    expect(codes([3.84, 3.84, 3.5, 3.84])).toEqual(['even', 'even', 'weak', 'even']);
    expect(codes([3.75, 3.75, 3.98])).toEqual(['even', 'even', 'high']);
    expect(codes([3.7, 3.7, 2.4])).toEqual(['even', 'even', 'deep']);
    // under load a group may sag below its cut-off and come back: it is weak, not discharged for good
    expect(codes([3.7, 3.7, 2.4], true)).toEqual(['even', 'even', 'weak']);
    expect(codes([4.18, 4.18, 4.4])).toEqual(['even', 'even', 'over']);
    expect(codes([3.7, -3.7, 0.01])).toEqual(['even', 'reversed', 'nothing-there']);
    expect(spoken(judgeTaps('li-ion', [3.84, 3.84, 3.5]).says)).toContain('Group 3 is weak');
    expect(judgeTaps('li-ion', [3.84, 3.84]).verdict).toBe('good');
  });

  it('law: an even pack is good at any charge of any chemistry; one group well below is never', () => {
    const chemistry = fc.constantFrom(...(Object.keys(CHEMISTRIES) as (keyof typeof CHEMISTRIES)[]));
    fc.assert(
      fc.property(chemistry, fc.double({ min: 0.05, max: 1, noNaN: true }), fc.integer({ min: 3, max: 12 }), (of, share, groups) => {
        const { cutoffCellV, fullCellV } = CHEMISTRIES[of];
        const volts = cutoffCellV + share * (fullCellV - cutoffCellV);
        const even = Array.from({ length: groups }, () => volts);
        expect(judgeTaps(of, even).verdict).toBe('good');
        const { withinV } = judgeTaps(of, even);
        expect(judgeTaps(of, [...even.slice(1), volts - 1.01 * withinV]).verdict).not.toBe('good');
        expect(judgeTaps(of, [...even.slice(1), volts - 0.99 * withinV]).groups.at(-1)!.code).not.toBe('weak');
      }),
      { numRuns: 300, seed: 7 },
    );
  });
});
