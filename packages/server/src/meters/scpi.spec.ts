import { errorOf, headerPattern, numberOf } from './scpi';

describe('SCPI headers', () => {
  it.each(['MEASure:VOLTage:DC?', 'MEAS:VOLT:DC?', 'meas:volt?', ':MEASURE:VOLT?', 'Measure:Voltage:dc?'])(
    '%s asks for volts',
    (command) => {
      expect(headerPattern('MEASure:VOLTage[:DC]?').test(command)).toBe(true);
    },
  );
  it.each(['MEAS:VOLT', 'MEASU:VOLT?', 'MEAS:CURR?', 'MEAS:VOLT:AC?', 'XMEAS:VOLT?'])('%s does not', (command) => {
    expect(headerPattern('MEASure:VOLTage[:DC]?').test(command)).toBe(false);
  });
  it('take the common commands', () => {
    expect(headerPattern('*IDN?').test('*idn?')).toBe(true);
    expect(headerPattern('*CLS').test('*CLS?')).toBe(false);
  });
});

describe('answers of a meter', () => {
  it.each<[string, number | undefined]>([
    ['1.661200E+01', 16.612],
    ['-0.5', -0.5],
    [' 12 ', 12],
    ['.25', 0.25],
    ['9.91E37', undefined], // not a number
    ['-9.9E37', undefined], // minus infinity
    ['#%&/?!', undefined],
    ['12 V', undefined],
    ['', undefined],
  ])('%j is %s', (answer, value) => expect(numberOf(answer)).toBe(value));

  it('tell errors by code and words', () => {
    expect(errorOf('-113,"Undefined header"')).toEqual({ code: -113, says: 'Undefined header' });
    expect(errorOf('0,"No error"')).toEqual({ code: 0, says: 'No error' });
    expect(errorOf('16.6')).toBeUndefined();
  });
});
