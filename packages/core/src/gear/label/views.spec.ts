import { readBatteryLabel, readPortLabel, readProfiles } from './views';

describe('readBatteryLabel', () => {
  it.each([
    ['7.2 V 2040 mAh', 14.688, 7.2],
    ['7,2V 2040mAh', 14.688, 7.2],
    ['DC 7.2V⎓ 2040mAh 14.7Wh Li-ion', 14.7, 7.2],
    ['95Wh', 95, undefined],
    ['14.4V / 6.6Ah / 95Wh', 95, 14.4],
    ['3.7 V, 20,000 mAh', 74, 3.7],
    ['3.7V 20 000 mAh (74 Wh)', 74, 3.7],
    ['Rated capacity: 26800mAh 3.6V', 96.48, 3.6],
  ])('“%s”', (text, energyWh, nominalV) => {
    const read = readBatteryLabel(text);
    expect(read.ok && read.value.energyWh).toBeCloseTo(energyWh, 9);
    expect(read.ok && read.value.nominalV).toBe(nominalV);
  });

  it.each([
    ['2040 mAh', 'capacity-without-voltage'],
    ['7.2 V', 'energy-missing'],
    ['7.2 V 2040 mAh 20 Wh', 'label-disagrees'],
    ['', 'empty'],
    ['strong', 'not-a-label'],
    ['95 Wh 99 Wh', 'figure-twice'],
    ['-7.2 V 2040 mAh', 'not-positive'],
    ['0 Wh', 'not-positive'],
  ])('refuses “%s”: %s', (text, code) => {
    const read = readBatteryLabel(text);
    expect(!read.ok && read.issue.code).toBe(code);
  });

  it('lets a label be off by the 5 % of rounding, and asks beyond', () => {
    expect(readBatteryLabel('7.2 V 2000 mAh 15.1 Wh').ok).toBe(true); // 14.4, 4.6 % off
    expect(readBatteryLabel('7.2 V 2000 mAh 15.2 Wh').ok).toBe(false); // 5.3 % off
  });

  it('says whether the watt-hours were printed or worked out', () => {
    const [worked, printed] = [readBatteryLabel('7.2 V 2 Ah'), readBatteryLabel('7.2 V 2 Ah 14.4 Wh')];
    expect(worked.ok && worked.value.energyComputed).toBe(true);
    expect(printed.ok && printed.value.energyComputed).toBe(false);
  });
});

describe('port labels', () => {
  it.each([
    ['5V 3A', 5, 3],
    ['5V⎓2.4A', 5, 2.4],
    ['Output: 12 V 36 W', 12, 3],
    ['9V/2A', 9, 2],
  ])('“%s”', (text, voltageV, currentA) => expect(readPortLabel(text)).toEqual({ ok: true, value: { voltageV, currentA } }));

  it.each([
    ['5V', 'port-incomplete'],
    ['3A', 'port-incomplete'],
    ['0V 3A', 'not-positive'],
    ['USB', 'port-incomplete'],
  ])('refuses “%s”: %s', (text, code) => {
    const read = readPortLabel(text);
    expect(!read.ok && read.issue.code).toBe(code);
  });

  it('reads a list of profiles, decimal commas within', () => {
    const read = readProfiles('5V 3A / 9V 3A / 12V 2,25A');
    expect(read.ok && read.value).toEqual([
      { voltageV: 5, currentA: 3 },
      { voltageV: 9, currentA: 3 },
      { voltageV: 12, currentA: 2.25 },
    ]);
    const two = readProfiles('5V 3A, 9V 2A');
    expect(two.ok && two.value).toHaveLength(2);
    expect(readProfiles(' ; ').ok).toBe(false);
    expect(readProfiles('5V 3A / 9V').ok).toBe(false);
  });
});
