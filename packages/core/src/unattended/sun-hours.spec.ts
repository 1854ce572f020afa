import { extraterrestrialMJ, peakSunHours } from './sun-hours';

describe('sun above the air', () => {
  it('is that of the published example: 20° south on 3 September', () => {
    expect(extraterrestrialMJ(-20, 246)).toBeCloseTo(32.2, 1);
  });

  it('is nothing in the polar night and much in the polar day', () => {
    expect(extraterrestrialMJ(66, 349)).toBeLessThan(0.6);
    expect(extraterrestrialMJ(80, 349)).toBe(0);
    expect(extraterrestrialMJ(80, 172)).toBeGreaterThan(40);
  });
});

describe('peak-sun hours', () => {
  it('are turned round by half a year on the other half of the globe, but for the distance of the sun', () => {
    for (let month = 1; month <= 12; month++) {
      const opposite = ((month + 5) % 12) + 1;
      const ratio = peakSunHours(45, month) / peakSunHours(-45, opposite);
      expect(ratio).toBeGreaterThan(0.88);
      expect(ratio).toBeLessThan(1.13);
    }
  });

  it('are least in December in the north', () => {
    const hours = Array.from({ length: 12 }, (_, index) => peakSunHours(57, index + 1));
    expect(Math.min(...hours)).toBe(hours[11]);
  });
});
