import { spoken } from '../../../testing/spoken';
import { sayMisleading } from '../../words/en/gear/misleading-words';
import { labelMeaning, misleadingPairs } from './label-meaning';
import type { LabelMeaning } from './label-meaning';

const port = { title: '5 V port', efficiency: 0.86, outputV: 5 };
function meaning(text: string, options?: Parameters<typeof labelMeaning>[1]): LabelMeaning {
  const read = labelMeaning(text, options);
  if (!read.ok) throw new Error(read.issue.message);
  return read.value;
}

describe('what a label means', () => {
  it('counts a bank’s mAh at its cells, and what leaves its port at 5 V', () => {
    const bank = meaning('20 000 mAh', { kind: 'bank', through: port });
    expect(bank.packWh).toBeCloseTo(74, 9);
    expect(bank.useWh).toBeCloseTo(63.64, 9);
    expect(bank.useAh).toBeCloseTo(12.728, 9);
    expect(bank.steps.map(spoken)).toEqual([
      'a bank counts its mAh at its cells: 3.7 V, assumed',
      '3.7 V × 20 Ah = 74 Wh',
      '5 V port: × 86 % = 63.6 Wh',
      '÷ 5 V = 12.73 Ah there',
    ]);
  });

  it('believes the volts that are printed, even on a bank', () => {
    expect(meaning('3.6 V 20 000 mAh', { kind: 'bank' })).toMatchObject({ nominalV: 3.6, packWh: 72 });
    expect(meaning('13000mAh 5V 3A', { kind: 'bank' })).toMatchObject({ nominalV: 3.7, packWh: 48.1 });
    expect(meaning('74Wh', { kind: 'bank' }).steps.map(spoken)).toEqual(['74 Wh printed']);
  });

  it('adds up a stack of AA cells', () => {
    const stack = meaning('1900 mAh', { kind: 'nimh', cells: 8 });
    expect(stack.packWh).toBeCloseTo(18.24, 9);
    expect(spoken(stack.steps[0])).toBe('8 × 1.2 V = 9.6 V');
    expect(meaning('2500 mAh', { kind: 'alkaline', cells: 4 }).packWh).toBeCloseTo(15, 9);
  });

  it('makes a four-cell pack’s mAh worth twice a two-cell pack’s', () => {
    expect(meaning('14.4 V 5000 mAh').packWh / meaning('7.2 V 5000 mAh').packWh).toBeCloseTo(2, 9);
  });

  it.each([
    ['2040 mAh', 'capacity-without-voltage'],
    ['7.2 V 2040 mAh 20 Wh', 'label-disagrees'],
    ['7.2 V', 'energy-missing'],
    ['bla', 'not-a-label'],
    ['', 'empty'],
  ])('asks about %s: %s', (text, code) => {
    const read = labelMeaning(text);
    expect(read).toMatchObject({ ok: false, issue: { code } });
  });
});

describe('labels side by side', () => {
  it('say why the bank with the bigger mAh is the smaller battery', () => {
    const bank = { name: 'Bank', meaning: meaning('20 000 mAh', { kind: 'bank', through: port }) };
    const mount = { name: 'V-mount', meaning: meaning('14.4 V 6600 mAh') };
    const small = { name: 'Camera', meaning: meaning('7.2 V 2040 mAh') };
    expect(misleadingPairs([small, bank, mount]).map(sayMisleading)).toEqual([
      'Bank: 20\u202f000 mAh at 3.7 V is 74 Wh, 63.6 Wh where it is used; V-mount: 6600 mAh at 14.4 V is 95 Wh. The bigger mAh is the smaller battery.',
    ]);
    expect(misleadingPairs([bank, small])).toEqual([]);
  });
});
