import { Injectable, Pipe, effect, inject, signal } from '@angular/core';
import type { PipeTransform } from '@angular/core';
import { formatNumber } from '@viaggio/core';

const KEY = 'viaggio.currency';
export const LONGEST_CURRENCY = 4;

/** What prices are in, on this device only: prices are kept as bare numbers of one currency. */
@Injectable({ providedIn: 'root' })
export class Currency {
  /** `€`, `SEK`; empty while it is not entered. */
  readonly symbol = signal(localStorage.getItem(KEY) ?? '');

  constructor() {
    effect(() => localStorage.setItem(KEY, this.symbol()));
  }

  set(symbol: string): void {
    this.symbol.set(symbol.trim().slice(0, LONGEST_CURRENCY));
  }

  /** `180 €`; a missing one reads “unknown”. */
  say(price: number | undefined | null): string {
    if (price === undefined || price === null) return 'unknown';
    return `${formatNumber(price, 'price')} ${this.symbol()}`.trimEnd();
  }
}

/** `row.price | price`: in the person's currency. */
@Pipe({ name: 'price', pure: false })
export class PricePipe implements PipeTransform {
  private readonly currency = inject(Currency);

  transform(price: number | undefined | null): string {
    return this.currency.say(price);
  }
}
