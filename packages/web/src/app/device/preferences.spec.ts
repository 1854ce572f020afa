import { TestBed } from '@angular/core/testing';
import { displayAs, displayNow, formatQuantity, USUAL_DISPLAY } from '@viaggio/core/units';
import { Currency } from './currency';
import { Preferences } from './preferences';

beforeEach(() => localStorage.clear());
afterEach(() => displayAs(USUAL_DISPLAY));

describe('preferences', () => {
  it('are told to core at once, and kept on this device', () => {
    const preferences = TestBed.inject(Preferences);
    preferences.set({ mass: 'oz', decimal: ',' });
    expect(formatQuantity(100, 'g')).toBe('3,5 oz');
    expect(JSON.parse(localStorage.getItem('viaggio.preferences')!)).toMatchObject({ mass: 'oz', decimal: ',', temperature: 'C' });
  });

  it('are read again as they were left, and what cannot stand there is as usual', () => {
    localStorage.setItem('viaggio.preferences', JSON.stringify({ mass: 'oz', temperature: 'kelvin', weekStart: 7, currency: 'SEK' }));
    expect(TestBed.inject(Preferences).all()).toMatchObject({ mass: 'oz', temperature: 'C', weekStart: 7, currency: 'SEK' });
    expect(displayNow().mass).toBe('oz');
  });

  it('tell the page how much room its lines have', () => {
    const preferences = TestBed.inject(Preferences);
    preferences.set({ density: 'dense' });
    TestBed.tick();
    expect(document.documentElement.getAttribute('data-density')).toBe('dense');
  });

  it('take over what a version before kept', () => {
    localStorage.setItem('viaggio.theme', 'dark');
    localStorage.setItem('viaggio.currency', '€');
    expect(TestBed.inject(Preferences).all()).toMatchObject({ theme: 'dark', currency: '€' });
  });

  it('that are spoilt are as none', () => {
    localStorage.setItem('viaggio.preferences', '{');
    expect(TestBed.inject(Preferences).all()).toMatchObject({ theme: 'system', mass: 'g' });
  });
});

describe('the currency of prices', () => {
  it('stands behind them once it is said, and makes no price of none', () => {
    const [currency, preferences] = [TestBed.inject(Currency), TestBed.inject(Preferences)];
    expect(currency.say(180)).toBe('180');
    preferences.set({ currency: ' € ' });
    expect(currency.say(2.5)).toBe('2.5 €');
    expect(currency.say(undefined)).toBe('unknown');
    preferences.set({ currency: '' });
    expect(currency.say(0)).toBe('0');
  });
});
