import { wattsOfCounter } from './counted';

const watts = (timeS: readonly number[], energyWh: readonly number[]) => {
  const back: number[] = [];
  return { watts: [...wattsOfCounter(Float64Array.from(timeS), Float64Array.from(energyWh), (at) => back.push(at))], back };
};

describe('watts of a counter', () => {
  it('that shows whole steps are those between its rises, and go on at its end', () => {
    // one watt-hour in four quarters of an hour, shown once it is full
    expect(watts([0, 900, 1800, 2700, 3600, 4500, 5400], [0, 0, 0, 0, 1, 1, 1]).watts).toEqual([1, 1, 1, 1, 1, 1, 1]);
  });

  it('that stands for longer than before are none', () => {
    expect(watts([0, 3600, 7200, 10_800], [0, 2, 2, 2]).watts).toEqual([2, 0, 0, 0]);
  });

  it('are not known where it went back, and are not called nothing', () => {
    expect(watts([0, 3600, 7200, 10_800], [5, 10, 1, 6])).toEqual({ watts: [5, Number.NaN, 5, 5], back: [2] });
  });
});
