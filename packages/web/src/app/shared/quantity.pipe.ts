import { Pipe } from '@angular/core';
import type { PipeTransform } from '@angular/core';
import { formatQuantity } from '@viaggio/core';
import type { Unit } from '@viaggio/core';

/** `95 | quantity: 'Wh'`; a missing figure reads “unknown”. */
@Pipe({ name: 'quantity' })
export class QuantityPipe implements PipeTransform {
  transform(value: number | undefined, unit: Unit): string {
    return value === undefined ? 'unknown' : formatQuantity(value, unit);
  }
}
