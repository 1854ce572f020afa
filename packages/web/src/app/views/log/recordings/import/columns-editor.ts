import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { fieldsOf, linesOf, meterColumnsShape, MeterFileReader, RowReader, usualStepS } from '@viaggio/core/measure';
import type { ColumnDoubt, ColumnRole, MeterColumns } from '@viaggio/core/measure';
import { formatQuantity } from '@viaggio/core/units';
import { QuantityField } from '../../../../fields/quantity-field';
import { remarkOf } from '../../../../parts/log-labels';
import { SelectField } from '../../../../fields/select-field';
import { choicesOf } from '../../../../fields/choices-of';

const SHOWN = 8;
/** From what is written to the unit that is kept, by what a column holds. */
const SCALES: Readonly<Record<ColumnRole, readonly (readonly [number, string])[]>> = {
  time: [
    [1, 's'],
    [0.001, 'ms'],
    [1e-6, 'µs'],
    [1e-9, 'ns'],
    [60, 'min'],
    [3600, 'h'],
    [86_400, 'days'],
  ],
  date: [],
  voltage: [
    [1, 'V'],
    [0.001, 'mV'],
    [1000, 'kV'],
  ],
  current: [
    [1, 'A'],
    [0.001, 'mA'],
    [1e-6, 'µA'],
  ],
  power: [
    [1, 'W'],
    [0.001, 'mW'],
    [1000, 'kW'],
  ],
  energy: [
    [1, 'Wh'],
    [0.001, 'mWh'],
    [1000, 'kWh'],
    [1 / 3600, 'J'],
    [1 / 3.6, 'kJ'],
  ],
  charge: [
    [1, 'Ah'],
    [0.001, 'mAh'],
  ],
  none: [],
};

/** What a person is asked, and what each answer makes of it. */
interface Question {
  readonly asks: string;
  readonly answers: readonly (readonly [says: string, change: Partial<MeterColumns>])[];
}

/** How a meter's file is understood, over its first rows: every guess can be corrected, and is seen to work. */
@Component({
  selector: 'app-columns-editor',
  imports: [QuantityField, SelectField],
  template: `
    @for (question of questions(); track question.asks) {
      <div class="question" role="group" [attr.aria-label]="question.asks">
        <span>{{ question.asks }}</span>
        @for (answer of question.answers; track answer[0]) {
          <button type="button" class="btn btn-sm btn-primary" (click)="put(answer[1])">{{ answer[0] }}</button>
        }
      </div>
    }
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
      @if (needsVolts()) {
        <app-quantity-field [shape]="fields.voltageV.of" [value]="columns().voltageV" (valueChange)="setFigure('voltageV', $event)" />
      }
      @if (needsStep()) {
        <app-quantity-field [shape]="fields.stepS.of" [value]="columns().stepS ?? 1" (valueChange)="setFigure('stepS', $event)" />
      }
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
            <th scope="col">Read as</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track $index) {
            <tr>
              @for (cell of row.cells; track $index; let index = $index) {
                <td [class.unused]="columns().columns[index]?.role === 'none'">{{ cell }}</td>
              }
              <td class="read" [class.verdict-caution]="!row.isRead">{{ row.says }}</td>
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
    .question {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      align-items: center;
      margin-bottom: 0.75rem;
    }
    .read {
      border-left: 1px solid var(--bs-border-color);
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
  /** The last of them may not be whole. */
  readonly isCut = input(false);
  /** What the first lines do not say. */
  readonly doubts = input<readonly ColumnDoubt[]>([]);
  readonly columnsChange = output<MeterColumns>();
  protected readonly fields = meterColumnsShape.fields;
  protected readonly delimiters = choicesOf(meterColumnsShape.fields.delimiter.options);
  protected readonly decimals = choicesOf(meterColumnsShape.fields.decimal.options);
  protected readonly timeForms = choicesOf(meterColumnsShape.fields.timeForm.options);
  protected readonly roles = Object.entries(meterColumnsShape.fields.columns.item.fields.role.options);
  protected readonly scales = SCALES;
  private readonly lines = computed(() => linesOf(this.sample()));
  /** The first rows, and what each comes to: a wrong decimal or unit is seen at once. */
  protected readonly rows = computed(() => {
    const columns = this.columns();
    const reader = new RowReader(columns);
    return this.lines()
      .slice(columns.headerLines)
      .filter((line) => line.trim() !== '')
      .slice(0, SHOWN)
      .map((line) => {
        const isRead = reader.read(line);
        return { cells: fieldsOf(line, columns.delimiter), isRead, says: isRead ? this.valueOf(reader) : faultOf(reader) };
      });
  });
  private readonly reading = computed(() => {
    const reader = new MeterFileReader(this.columns());
    const lines = this.lines();
    reader.push(`${(this.isCut() ? lines.slice(0, -1) : lines).join('\n')}\n`);
    return reader.finish();
  });
  /** What the first rows come to. */
  protected readonly understood = computed(() => {
    const { rows, timeS, powerW, remarks } = this.reading();
    if (rows < 2) return 'No two rows can be read like this.';
    const mean = powerW.reduce((sum, watts) => sum + watts, 0) / rows;
    const step = usualStepS({ timeS, powerW });
    const odd = remarks
      .filter(({ code }) => code !== 'no-time')
      .map((remark) => `; ${remarkOf(remark)}`)
      .join('');
    return `The first ${rows} rows: one every ${Number(step.toPrecision(3))} s, ${Number(mean.toPrecision(3))} W on average${odd}.`;
  });
  /** What the first lines do not say; nothing else goes on before it is answered. */
  protected readonly questions = computed((): readonly Question[] => {
    const asked = this.doubts().flatMap((doubt) => QUESTIONS[doubt]?.(this.firstTime()) ?? []);
    return this.reading().isTurnedRound ? [...asked, this.columns().turned ? TURN_BACK : TURN] : asked;
  });
  private readonly firstTime = computed(() => {
    const { columns, headerLines, delimiter } = this.columns();
    const at = (role: ColumnRole): number => columns.findIndex((column) => column.role === role);
    const line = this.lines()
      .slice(headerLines)
      .find((one) => one.trim() !== '');
    return fieldsOf(line ?? '', delimiter)[at('date') < 0 ? at('time') : at('date')] ?? '';
  });
  private readonly roleSet = computed(() => new Set(this.columns().columns.map(({ role }) => role)));
  protected readonly needsVolts = computed(() => {
    const roles = this.roleSet();
    return !roles.has('power') && !roles.has('voltage') && (roles.has('current') || (roles.has('charge') && !roles.has('energy')));
  });
  protected readonly needsStep = computed(() => !this.roleSet().has('time') && !this.roleSet().has('date'));

  protected setFigure(field: 'voltageV' | 'stepS', value: number | undefined): void {
    const { [field]: _before, ...rest } = this.columns();
    this.columnsChange.emit(value === undefined ? rest : { ...rest, [field]: value });
  }

  protected put(changes: Partial<MeterColumns>): void {
    this.columnsChange.emit({ ...this.columns(), ...changes });
  }

  protected setHeader(headerLines: number): void {
    if (Number.isInteger(headerLines) && headerLines >= 0 && headerLines <= 1000) this.put({ headerLines });
  }

  /** Other signs part other columns: their count follows from the first row of figures, what each holds is said anew. */
  protected setDelimiter(delimiter: MeterColumns['delimiter']): void {
    const { headerLines, columns } = this.columns();
    const count = fieldsOf(this.lines()[headerLines] ?? '', delimiter).length;
    const names = fieldsOf(this.lines()[headerLines - 1] ?? '', delimiter);
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

  private valueOf({ value, counts }: RowReader): string {
    return formatQuantity(this.columns().turned ? -value : value, counts ? 'Wh' : 'W');
  }

  protected setScale(index: number, scale: string): void {
    this.put({ columns: this.columns().columns.map((column, place) => (place === index ? { ...column, scale: Number(scale) } : column)) });
  }
}

const QUESTIONS: Readonly<Partial<Record<ColumnDoubt, (first: string) => readonly Question[]>>> = {
  'day-or-month': (first) => [
    {
      asks: `“${first}”: which comes first?`,
      answers: [
        ['The day', { timeForm: 'date' }],
        ['The month', { timeForm: 'date-month' }],
      ],
    },
  ],
  'minutes-or-hours': (first) => [
    {
      asks: `“${first}”: what does it stand for?`,
      answers: [
        ['Minutes and seconds', { timeForm: 'clock' }],
        ['Hours and minutes', { timeForm: 'clock-hours' }],
      ],
    },
  ],
};
const TURN: Question = {
  asks: 'Most of it is below zero: the lead was the other way round?',
  answers: [['Turn the sign', { turned: true }]],
};

const TURN_BACK: Question = { asks: TURN.asks, answers: [['Turn the sign', { turned: false }]] };

function faultOf({ fault }: RowReader): string {
  if (!fault) return 'no time';
  if (fault.isGap) return 'no reading';
  return fault.column === undefined ? 'no watts' : `“${fault.got.slice(0, 20)}” is no figure`;
}
