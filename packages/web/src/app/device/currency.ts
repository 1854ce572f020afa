import { Injectable, Pipe, inject } from '@angular/core';
import type { PipeTransform } from '@angular/core';
import { formatNumber } from '@viaggio/core/units';
import { Preferences } from './preferences';

/** Prices in the person's currency. */
@Injectable({ providedIn: 'root' })
export class Currency {
  readonly symbol = inject(Preferences).currency;

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
