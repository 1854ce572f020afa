import { spoken } from '../../../testing/spoken';
import { labelOfPicture } from './recognised';
import type { RecognisedWord } from './recognised';

/** Lines as a recogniser gives them, every word sure of itself. */
const read = (...lines: readonly string[]): readonly RecognisedWord[] =>
  lines.flatMap((line, at) =>
    line.split(' ').map((text, place) => ({ text, confidence: 93, line: at, box: { x0: place * 50, y0: at * 30, x1: place * 50 + 40, y1: at * 30 + 20 } })),
  ); // prettier-ignore

describe('a label that was read from a picture', () => {
  it('that holds together is not doubted: volts, amp-hours and watt-hours confirm each other', () => {
    const { label, doubts, text } = labelOfPicture([read('HOLMVIK 95', '14.4V 6600mAh 95Wh', 'Li-ion')]);
    expect(text).toBe('14.4 V 6600mAh 95Wh');
    expect(label.reads).toMatchObject({ voltageV: 14.4, capacityAh: 6.6, energyWh: 95 });
    expect(doubts).toEqual([]);
  });

  it('has letters that stand for digits mended, and units that were misread', () => {
    expect(labelOfPicture([read('7.2V 2O4OmAh l4.7Wn')]).label.reads).toMatchObject({ voltageV: 7.2, capacityAh: 2.04, energyWh: 14.7 });
    expect(labelOfPicture([read('14 .4 v 66OO rnAh')]).label.reads).toMatchObject({ voltageV: 14.4, capacityAh: 6.6 });
  });

  it('keeps a unit that stands by itself, however unsure the recogniser is of it', () => {
    const [number, unit] = read('14.4 V', '49 Wh');
    const words = [number!, { ...unit!, confidence: 20 }, ...read('14.4 V', '49 Wh').slice(2)];
    expect(labelOfPicture([words, words]).label.reads).toMatchObject({ voltageV: 14.4, energyWh: 49 });
    expect(labelOfPicture([read('14.4 Vv'), read('14.4 Vv')]).label.reads.voltageV).toBe(14.4);
  });

  it('doubts a number whose unit was not read; beside a word it is a name', () => {
    const lost = labelOfPicture([read('14.4', '49 Wh'), read('14.4', '49 Wh')]);
    expect(lost.doubts.map(spoken)).toEqual(['“14.4” has no unit that was read: look at it.']);
    expect(labelOfPicture([read('HOLMVIK 49', '49 Wh'), read('HOLMVIK 49', '49 Wh')]).doubts).toEqual([]);
  });

  it('leaves names alone: they are no figures', () => {
    const { text } = labelOfPicture([read('LODD 5200', 'Rechargeable pack, model 7', '7.2V 5200mAh')]);
    expect(text).toBe('7.2 V 5200mAh');
  });

  it.each([
    ['what was not read the same twice', [read('7.2V 2040mAh'), read('7.2V 2840mAh')], /“2840 mAh” was not read the same twice/],
    ['what nothing confirms and was read once', [read('7.2V 2040mAh')], /“2040 mAh” was not read the same twice/],
    ['a point that was missed', [read('144V 6600mAh'), read('144V 6600mAh')], /144 V is no usual pack/],
    ['figures that disagree', [read('7.2V 2040mAh 147Wh'), read('7.2V 2040mAh 147Wh')], /is not 147 Wh/],
    ['a figure that only one reading has', [read('14.4V 95Wh'), read('14.4V 95Wh 8A')], /“8 A” was not read the same twice/],
    ['nothing', [read('Rechargeable')], /No figure was found/],
  ])('is doubted for %s', (_what, readings, says) => {
    expect(labelOfPicture(readings).doubts.map(spoken).join(' ')).toMatch(says);
  });

  it('marks the words that are doubted, where they stand', () => {
    const { words } = labelOfPicture([read('7.2V 2040mAh'), read('7.2V 2840mAh')]);
    expect(words.filter(({ doubtful }) => doubtful).map(({ text }) => text)).toEqual(['2040mAh']);
  });

  it('takes the reading that holds together best', () => {
    const { label, doubts } = labelOfPicture([read('72V 2040mAh 14.7Wh'), read('7.2V 2040mAh 14.7Wh')]);
    expect(label.reads.voltageV).toBe(7.2);
    expect(doubts).toEqual([]);
  });

  it('of no reading at all says that nothing was read', () => {
    expect(labelOfPicture([])).toMatchObject({ text: '', doubts: [{ code: 'nothing-read' }] });
  });
});
