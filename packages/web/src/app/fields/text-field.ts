import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { describe, issue } from '@viaggio/core/units';
import type { TextShape } from '@viaggio/core/units';
import { FieldFrame, fieldId, told } from './field-frame';

/** A short text checked against its shape; passed on only while it is sound. */
@Component({
  selector: 'app-text-field',
  imports: [FieldFrame],
  template: `
    <app-field-frame [typed]="true" [label]="label() ?? shape().title" [for]="id" [error]="error()">
      <input
        #box
        class="form-control"
        autocomplete="off"
        [id]="id"
        [value]="typed() ?? value() ?? ''"
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
export class TextField {
  readonly shape = input.required<TextShape>();
  readonly value = input<string | undefined>();
  readonly label = input<string>();
  readonly optional = input(false);
  readonly valueChange = output<string | undefined>();

  protected readonly id = fieldId('text');
  protected readonly typed = signal<string | undefined>(undefined);
  protected readonly error = computed(() => {
    const typed = this.typed();
    if (typed === undefined || this.isSound(typed)) return undefined;
    return told(issue('', 'bad-text', describe(this.shape()), typed));
  });

  protected type(text: string): void {
    this.typed.set(text);
    if (this.isSound(text)) this.valueChange.emit(text.trim() === '' ? undefined : text.trim());
  }

  protected leave(): void {
    if (this.error() === undefined) this.typed.set(undefined);
  }

  private isSound(text: string): boolean {
    const trimmed = text.trim();
    return trimmed === '' ? this.optional() : trimmed.length <= this.shape().maxLength;
  }
}
