import { ChangeDetectionStrategy, Component, Injectable, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NgbDateParserFormatter, NgbInputDatepicker } from '@ng-bootstrap/ng-bootstrap/datepicker';
import type { NgbDateStruct } from '@ng-bootstrap/ng-bootstrap/datepicker';
import { formatDate, isoDate, readDate } from '@viaggio/core/units';
import { Icon } from '../basics/icon';
import { localDate } from '../device/dates';
import { Preferences } from '../device/preferences';
import { FieldFrame, fieldId, told } from './field-frame';

/** The calendar reads and writes dates as the person does. */
@Injectable()
class PersonsDates extends NgbDateParserFormatter {
  parse(typed: string): NgbDateStruct | null {
    const read = readDate(typed, localDate(new Date()));
    return read.ok ? structOf(read.value) : null;
  }

  format(date: NgbDateStruct | null): string {
    return date ? formatDate(isoOf(date), { weekday: false }) : '';
  }
}

/** A calendar day, typed as the person writes dates, or picked from a calendar. What is no date stays, marked, and is not passed on. */
@Component({
  selector: 'app-date-field',
  imports: [FieldFrame, FormsModule, Icon, NgbInputDatepicker],
  providers: [{ provide: NgbDateParserFormatter, useClass: PersonsDates }],
  template: `
    <app-field-frame [typed]="true" [label]="label()" [for]="id" [error]="error()" [says]="hint()">
      <div class="input-group">
        <input
          #box
          #calendar="ngbDatepicker"
          class="form-control"
          autocomplete="off"
          ngbDatepicker
          [id]="id"
          [placeholder]="example"
          [firstDayOfWeek]="preferences.all().weekStart"
          [class.is-invalid]="error() !== undefined"
          [attr.aria-invalid]="error() !== undefined"
          [attr.aria-describedby]="id + '-says'"
          [ngModel]="struct()"
          (input)="typed.set(box.value)"
          (change)="leave(box.value)"
          (dateSelect)="pick($event)"
        />
        <button type="button" class="btn btn-outline-secondary" [attr.aria-label]="'Calendar: ' + label()" (click)="calendar.toggle()">
          <app-icon name="days" />
        </button>
      </div>
    </app-field-frame>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DateField {
  readonly label = input.required<string>();
  /** `2026-11-27`. */
  readonly value = input<string | undefined>();
  readonly hint = input('');
  readonly optional = input(false);
  readonly valueChange = output<string | undefined>();
  protected readonly preferences = inject(Preferences);
  protected readonly id = fieldId('date');
  protected readonly example = formatDate('2026-01-13', { weekday: false });
  protected readonly typed = signal<string | undefined>(undefined);
  protected readonly struct = computed(() => (this.value() === undefined ? null : structOf(this.value()!)));
  private readonly read = computed(() => {
    const typed = this.typed();
    return typed === undefined || (typed.trim() === '' && this.optional()) ? undefined : readDate(typed, localDate(new Date()));
  });
  protected readonly error = computed(() => {
    const read = this.read();
    return read && !read.ok ? told(read.issue) : undefined;
  });

  protected leave(text: string): void {
    this.typed.set(text);
    const read = this.read();
    if (read && !read.ok) return;
    this.typed.set(undefined);
    this.valueChange.emit(read?.value);
  }

  protected pick(date: NgbDateStruct): void {
    this.typed.set(undefined);
    this.valueChange.emit(isoOf(date));
  }
}

function structOf(iso: string): NgbDateStruct {
  const [year = 1, month = 1, day = 1] = iso.split('-').map(Number);
  return { year, month, day };
}

function isoOf({ year, month, day }: NgbDateStruct): string {
  return isoDate(year, month, day);
}
