import { Pipe } from '@angular/core';
import type { PipeTransform } from '@angular/core';
import { formatQuantity } from '@viaggio/core/units';
import type { Unit } from '@viaggio/core/units';

/** `95 | quantity: 'Wh'`; a missing figure reads “unknown”. */
@Pipe({ name: 'quantity' })
export class QuantityPipe implements PipeTransform {
  /** Templates turn `undefined` into `null` on the way through `?.`: both are a missing figure. */
  transform(value: number | undefined | null, unit: Unit): string {
    return value === undefined || value === null ? 'unknown' : formatQuantity(value, unit);
  }
}
