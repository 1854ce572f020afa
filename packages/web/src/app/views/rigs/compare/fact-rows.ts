import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Fact } from './facts';

/** The lines of a comparison, the best of each marked. */
@Component({
  selector: 'tbody[appFactRows]',
  template: `
    @for (row of rows(); track row.title) {
      <tr [class.same]="row.same">
        <th scope="row">{{ row.title }}</th>
        @for (cell of row.cells; track $index) {
          <td [class.best]="cell.best">
            {{ cell.text }}
            @if (cell.best) {
              <span class="visually-hidden">(best)</span>
            }
          </td>
        }
      </tr>
    }
  `,
  styleUrl: './fact-rows.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FactRows {
  readonly rows = input.required<readonly Fact[]>({ alias: 'appFactRows' });
}
