import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { missingFields } from '@viaggio/core/units';
import type { Issue, Shape } from '@viaggio/core/units';
import { ShapeField } from './shape-field';

/**
 * A form for anything that a shape describes: every figure, port and limit that a thing may have. Faulty or incomplete
 * typing stays here and says what is missing; only what the shape accepts is passed on.
 */
@Component({
  selector: 'app-shape-form',
  imports: [ShapeField],
  template: `
    <app-shape-field [shape]="shape()" [value]="draft()" [omit]="omit()" (valueChange)="take($event)" />
    @if (missing().length > 0) {
      <p class="small text-danger-emphasis mb-0" role="status">Not saved yet: {{ told() }}.</p>
    }
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShapeForm<T> {
  readonly shape = input.required<Shape>();
  readonly value = input.required<T>();
  /** Fields of the outermost object that are typed elsewhere. */
  readonly omit = input<readonly string[]>([]);
  readonly valueChange = output<T>();
  protected readonly draft = linkedSignal<unknown>(() => this.value());
  protected readonly missing = computed((): readonly Issue[] => missingFields(this.shape(), this.draft()));
  protected readonly told = computed(() =>
    this.missing()
      .slice(0, 4)
      .map(({ path, expected }) => `${placeOf(path)} needs ${expected}`)
      .join('; '),
  );

  protected take(value: unknown): void {
    this.draft.set(value);
    if (this.missing().length === 0) this.valueChange.emit(value as T);
  }
}

/** `/outputs/0/name` as `outputs 1, name`. */
function placeOf(path: string): string {
  const keys = path.slice(1).split('/');
  return keys
    .map((key) => (/^\d+$/.test(key) ? String(Number(key) + 1) : key))
    .join(' ')
    .replace(/ (\d+) /g, ' $1, ');
}
