import { budgetsOfLabel, outputsOfLabel } from './ports-of-label';
import { readLabel } from './read-label';

const of = (text: string, ofPack = false) => outputsOfLabel(readLabel(text), { ofPack });

describe('ports by their label', () => {
  it('are USB where 5 V are printed, bare ends at other volts, never 5 V for what is printed as more', () => {
    expect(of('OUT 5V 2.4A')).toMatchObject([{ gives: 'fixed', connector: { type: 'usb-a' }, voltageV: 5, maxA: 2.4 }]);
    expect(of('OUT 12V 3A')).toMatchObject([{ gives: 'fixed', connector: { type: 'bare' }, voltageV: 12, maxA: 3 }]);
  });

  it('of a pack that prints only its own figures are none', () => {
    expect(of('OUT 14.4V 10A max', true)).toEqual([]);
    expect(of('IN 12V 3A')).toEqual([]);
  });

  it('of a pack hand its own volts on, which are more than the nominal ones when it is full', () => {
    for (const port of of('OUT1 14.4V 10A, OUT2 14.4V 5A', true)) {
      expect(port).toMatchObject({ gives: 'pack', connector: { type: 'bare' } });
      expect(port).not.toHaveProperty('voltageV');
    }
  });

  it('keep a range as one', () => {
    const [port] = of('DC OUT 11-17V 5A');
    expect(port).toMatchObject({ gives: 'fixed', minV: 11, maxV: 17, maxA: 5 });
  });

  it('share what is printed for all of them', () => {
    expect(budgetsOfLabel(readLabel('USB-C1 65W, USB-C2 30W, total 65W'))).toMatchObject({ budgets: [{ maxW: 65 }] });
    expect(budgetsOfLabel(readLabel('USB-C1 65W'))).toEqual({});
  });
});
