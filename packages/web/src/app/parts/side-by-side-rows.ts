import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** One line of a comparison: what each column comes to, and which are best there. */
export interface SideBySideRow {
  readonly title: string;
  readonly cells: readonly { readonly text: string; readonly best: boolean }[];
  /** All the same: told, but not stressed. */
  readonly same: boolean;
}

/** The lines of a comparison, the best of each marked. */
@Component({
  selector: 'tbody[appSideBySideRows]',
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
  styleUrl: './side-by-side-rows.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SideBySideRows {
  readonly rows = input.required<readonly SideBySideRow[]>({ alias: 'appSideBySideRows' });
}
