import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { ToldFigure } from '@viaggio/core/words';
import { QuantityPipe } from '../../basics/quantity.pipe';

/** What the answer rests on: every figure, where it is from, and how it came about. */
@Component({
  selector: 'app-figures-table',
  imports: [QuantityPipe],
  template: `
    <div class="table-responsive">
      <table class="table table-sm mb-0">
        <thead>
          <tr>
            <th scope="col">Figure</th>
            <th scope="col">Value</th>
            <th scope="col">From</th>
            <th scope="col">How</th>
          </tr>
        </thead>
        <tbody>
          @for (figure of figures(); track $index) {
            <tr>
              <th scope="row">
                {{ figure.name }} <span class="fw-normal text-body-secondary">({{ figure.part }})</span>
              </th>
              <td class="text-nowrap">
                {{ figure.value | quantity: figure.unit }}
                @if (figure.range; as range) {
                  <span class="d-block small text-body-secondary text-wrap"
                    >{{ range.low | quantity: figure.unit }} to {{ range.high | quantity: figure.unit }}</span
                  >
                }
              </td>
              <td>
                <span class="provenance">{{ figure.from }}</span>
              </td>
              <td>{{ figure.formula }}</td>
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FiguresTable {
  readonly figures = input.required<readonly ToldFigure[]>();
}
