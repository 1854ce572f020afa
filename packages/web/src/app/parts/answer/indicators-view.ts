import type { Reading } from '@viaggio/core/answer';
import type { ToldIndicator } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { QuantityPipe } from '../../basics/quantity.pipe';

const WORDS: Readonly<Record<ToldIndicator['believable'], string>> = {
  yes: 'can be believed',
  roughly: 'roughly right',
  no: 'not to be believed',
  unknown: 'not known',
};

/** What each gauge will show from which minute on, beside the truth, and whether it can be believed. */
@Component({
  selector: 'app-indicators-view',
  imports: [QuantityPipe],
  template: `
    <ul class="list-unstyled mb-0">
      @for (one of indicators(); track one.where) {
        <li>
          <strong>{{ one.where }}</strong>&ngsp;<span class="provenance">{{ words[one.believable] }}</span> {{ one.why }}
          @if (few(one.readings); as readings) {
            @if (readings.length > 0) {
              <table class="readings">
                <tbody>
                  <tr>
                    <th scope="row">after</th>
                    @for (reading of readings; track reading.minute) {
                      <td>{{ reading.minute | quantity: 'min' }}</td>
                    }
                  </tr>
                  <tr>
                    <th scope="row">it shows</th>
                    @for (reading of readings; track reading.minute) {
                      <td>{{ reading.shown }}</td>
                    }
                  </tr>
                  <tr>
                    <th scope="row">left are</th>
                    @for (reading of readings; track reading.minute) {
                      <td>{{ reading.charge | quantity: 'fraction' }}</td>
                    }
                  </tr>
                </tbody>
              </table>
            }
          }
        </li>
      }
    </ul>
  `,
  styles: `
    li {
      padding: 0.35rem 0;
      border-top: 1px solid var(--bs-border-color);
      overflow-x: auto;
    }
    .readings {
      font-size: 0.85rem;
      font-variant-numeric: tabular-nums;
    }
    th {
      font-weight: 400;
      color: var(--bs-secondary-color);
    }
    th,
    td {
      padding-right: 1rem;
      white-space: nowrap;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class IndicatorsView {
  readonly indicators = input.required<readonly ToldIndicator[]>();
  protected readonly words = WORDS;

  /** A gauge of a hundred steps is told at six of them. */
  protected few(readings: readonly Reading[]): readonly Reading[] {
    const most = 6;
    if (readings.length <= most) return readings;
    return Array.from({ length: most }, (_, place) => readings[Math.round((place * (readings.length - 1)) / (most - 1))]!);
  }
}
