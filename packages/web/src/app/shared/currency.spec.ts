import { TestBed } from '@angular/core/testing';
import { Currency } from './currency';

describe('the currency of prices', () => {
  it('stands behind them once it is said, is kept on this device, and makes no price of none', () => {
    localStorage.clear();
    const currency = TestBed.inject(Currency);
    expect(currency.say(180)).toBe('180');
    currency.set(' € ');
    TestBed.tick();
    expect(currency.say(2.5)).toBe('2.5 €');
    expect(currency.say(undefined)).toBe('unknown');
    expect(localStorage.getItem('viaggio.currency')).toBe('€');
    currency.set('');
    TestBed.tick();
    expect(currency.say(0)).toBe('0');
  });
});
