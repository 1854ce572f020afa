import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MeterFileReader, meterColumnsShape } from '@viaggio/core';
import type { ColumnRole, MeterColumns } from '@viaggio/core';
import { SelectField } from '../../../fields/select-field';
import { choicesOf } from '../../../fields/choices-of';

const SHOWN = 8;
/** From what is written to the unit that is kept, by what a column holds. */
const SCALES: Readonly<Record<ColumnRole, readonly (readonly [number, string])[]>> = {
  time: [[1, 's'], [0.001, 'ms'], [1e-6, 'µs'], [60, 'min'], [3600, 'h']],
  voltage: [[1, 'V'], [0.001, 'mV']],
  current: [[1, 'A'], [0.001, 'mA'], [1e-6, 'µA']],
  power: [[1, 'W'], [0.001, 'mW']],
  none: [],
}; // prettier-ignore

/** How a meter's file is understood, over its first rows: every guess can be corrected, and is seen to work. */
@Component({
  selector: 'app-columns-editor',
  imports: [SelectField],
  template: `
    <div class="pair settings">
      <div>
        <app-select-field
          label="{{ fields.delimiter.title }}"
          [choices]="delimiters"
          [value]="columns().delimiter"
          (picked)="setDelimiter($event)"
        />
      </div>
      <div>
        <app-select-field
          label="{{ fields.decimal.title }}"
          [choices]="decimals"
          [value]="columns().decimal"
          (picked)="put({ decimal: $event })"
        />
      </div>
      <div>
        <app-select-field
          label="{{ fields.timeForm.title }}"
          [choices]="timeForms"
          [value]="columns().timeForm"
          (picked)="put({ timeForm: $event })"
        />
      </div>
      <div>
        <label class="form-label" for="columns-header">{{ fields.headerLines.title }}</label>
        <input
          #box
          class="form-control"
          id="columns-header"
          type="number"
          min="0"
          max="1000"
          [value]="columns().headerLines"
          (input)="setHeader(box.valueAsNumber)"
        />
      </div>
    </div>
    <div class="table-responsive mt-2">
      <table class="table table-sm">
        <thead>
          <tr>
            @for (column of columns().columns; track $index; let index = $index) {
              <th scope="col">
                <span class="name">{{ column.name || 'column ' + (index + 1) }}</span>
                <app-select-field
                  [label]="'What ' + (column.name || 'column ' + (index + 1)) + ' holds'"
                  [bare]="true"
                  [small]="true"
                  (picked)="setRole(index, $event)"
                >
                  @for (role of roles; track role[0]) {
                    <option [value]="role[0]" [selected]="role[0] === column.role">{{ role[1] }}</option>
                  }
                </app-select-field>
                @if (scales[column.role].length > 0 && !(column.role === 'time' && columns().timeForm !== 'number')) {
                  <app-select-field
                    [label]="'Unit of ' + (column.name || 'column ' + (index + 1))"
                    class="mt-1"
                    [bare]="true"
                    [small]="true"
                    (picked)="setScale(index, $event)"
                  >
                    @for (scale of scales[column.role]; track scale[0]) {
                      <option [value]="scale[0]" [selected]="scale[0] === column.scale">{{ scale[1] }}</option>
                    }
                  </app-select-field>
                }
              </th>
            }
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track $index) {
            <tr>
              @for (cell of row; track $index; let index = $index) {
                <td [class.unused]="columns().columns[index]?.role === 'none'">{{ cell }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
    <p class="small mb-0" role="status">{{ understood() }}</p>
  `,
  styles: `
    .settings {
      max-width: 52rem;
    }
    th {
      min-width: 8rem;
      vertical-align: top;
    }
    .name {
      display: block;
      font-weight: 400;
    }
    td {
      font-variant-numeric: tabular-nums;
      white-space: nowrap;
    }
    .unused {
      color: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ColumnsEditor {
  readonly columns = input.required<MeterColumns>();
  /** The file's first lines. */
  readonly sample = input.required<string>();
  readonly columnsChange = output<MeterColumns>();
  protected readonly fields = meterColumnsShape.fields;
  protected readonly delimiters = choicesOf(meterColumnsShape.fields.delimiter.options);
  protected readonly decimals = choicesOf(meterColumnsShape.fields.decimal.options);
  protected readonly timeForms = choicesOf(meterColumnsShape.fields.timeForm.options);
  protected readonly roles = Object.entries(meterColumnsShape.fields.columns.item.fields.role.options);
  protected readonly scales = SCALES;
  private readonly lines = computed(() => this.sample().replace(/^\ufeff/, '').split(/\r\n|\n|\r/)); // prettier-ignore
  protected readonly rows = computed(() => {
    const { headerLines, delimiter } = this.columns();
    return this.lines().slice(headerLines, headerLines + SHOWN).filter((line) => line.trim() !== '').map((line) => line.split(delimiter)); // prettier-ignore
  });
  /** What the first rows come to: a wrong decimal or unit is seen at once. */
  protected readonly understood = computed(() => {
    const reader = new MeterFileReader(this.columns());
    const { headerLines } = this.columns();
    // the last line may be cut off
    reader.push(`${this.lines().slice(0, headerLines + 200).slice(0, -1).join('\n')}\n`); // prettier-ignore
    const { rows, timeS, powerW, remarks } = reader.finish();
    if (rows < 2) return 'No two rows can be read like this.';
    const mean = powerW.reduce((sum, watts) => sum + watts, 0) / rows;
    const step = (timeS[rows - 1]! - timeS[0]!) / (rows - 1);
    const bad = remarks.find(({ code }) => code === 'bad-row');
    return `The first ${rows} rows: one every ${Number(step.toPrecision(3))} s, ${Number(mean.toPrecision(3))} W on average${bad ? `; ${bad.count} cannot be read` : ''}.`;
  });

  protected put(changes: Partial<MeterColumns>): void {
    this.columnsChange.emit({ ...this.columns(), ...changes });
  }

  protected setHeader(headerLines: number): void {
    if (Number.isInteger(headerLines) && headerLines >= 0 && headerLines <= 1000) this.put({ headerLines });
  }

  /** Other signs part other columns: their count follows from the first row of figures, what each holds is said anew. */
  protected setDelimiter(delimiter: MeterColumns['delimiter']): void {
    const { headerLines, columns } = this.columns();
    const count = (this.lines()[headerLines] ?? '').split(delimiter).length;
    const names = (this.lines()[headerLines - 1] ?? '').split(delimiter);
    const next = Array.from({ length: Math.min(count, 100) }, (_, index) => ({
      name: (names[index] ?? '').trim().slice(0, 120),
      role: columns[index]?.role ?? ('none' as const),
      scale: columns[index]?.scale ?? 1,
    }));
    this.put({ delimiter, columns: next });
  }

  /** One column of each: another one that held the same holds nothing of use any more. */
  protected setRole(index: number, role: ColumnRole): void {
    const columns = this.columns().columns.map((column, place) => {
      if (place === index) return { ...column, role, scale: 1 };
      return role !== 'none' && column.role === role ? { ...column, role: 'none' as const, scale: 1 } : column;
    });
    this.put({ columns });
  }

  protected setScale(index: number, scale: string): void {
    this.put({ columns: this.columns().columns.map((column, place) => (place === index ? { ...column, scale: Number(scale) } : column)) });
  }
}
