import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { Parsed } from '@viaggio/core/units';
import { FieldFrame, fieldId, told } from './field-frame';

/** Takes what is printed on a thing, word for word, and says what it understood. */
@Component({
  selector: 'app-label-field',
  imports: [FieldFrame],
  template: `
    <app-field-frame [typed]="true" [label]="label()" [for]="id" [bare]="bare()" [error]="error()" [says]="understood()">
      <input
        #box
        class="form-control"
        autocomplete="off"
        spellcheck="false"
        [id]="id"
        [placeholder]="placeholder()"
        [value]="text()"
        [attr.aria-label]="bare() ? label() : null"
        [class.is-invalid]="error() !== undefined"
        [attr.aria-invalid]="error() !== undefined"
        [attr.aria-describedby]="id + '-says'"
        (input)="type(box.value)"
        (blur)="leave()"
      />
    </app-field-frame>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LabelField<T> {
  readonly label = input.required<string>();
  readonly placeholder = input('');
  /** What it holds already, as it would be typed. */
  readonly holds = input('');
  /** The label is said, not shown. */
  readonly bare = input(false);
  readonly read = input.required<(text: string) => Parsed<T>>();
  /** Puts into words what was understood. */
  readonly say = input.required<(value: T) => string>();
  readonly understoodAs = output<T>();
  /** It was emptied: what was understood before counts no more. */
  readonly cleared = output();
  /** Whether what stands in it cannot be read: nothing is to be saved then. */
  readonly refused = output<boolean>();

  protected readonly id = fieldId('label');
  /** What is being typed; undefined while the field shows what it holds. */
  private readonly typed = signal<string | undefined>(undefined);
  protected readonly text = computed(() => this.typed() ?? this.holds());
  private readonly parsed = computed(() => (this.text().trim() === '' ? undefined : this.read()(this.text())));
  protected readonly error = computed(() => {
    const parsed = this.parsed();
    return parsed && !parsed.ok ? told(parsed.issue) : undefined;
  });
  protected readonly understood = computed(() => {
    const parsed = this.parsed();
    return parsed?.ok && this.typed() !== undefined ? `Read as ${this.say()(parsed.value)}.` : '';
  });

  protected type(text: string): void {
    this.typed.set(text);
    const parsed = this.parsed();
    this.refused.emit(parsed?.ok === false);
    if (parsed?.ok) this.understoodAs.emit(parsed.value);
    else if (!parsed) this.cleared.emit();
  }

  /** Where it holds something, what was sound is shown as that; a label stays as it was typed. */
  protected leave(): void {
    if (this.holds() !== '' && this.error() === undefined) this.typed.set(undefined);
  }
}
