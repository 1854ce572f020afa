import { ChangeDetectionStrategy, Component, DestroyRef, effect, inject, input } from '@angular/core';
import type { Issue } from '@viaggio/core/units';
import { TermHint } from '../basics/term-hint';
import { UnreadFields } from './unread-fields';

let lastId = 0;

/** An identifier for a field's own element; its message has the same with `-says`. */
export function fieldId(kind: string): string {
  return `${kind}-${++lastId}`;
}

/** What a person is told of typing that cannot be read. */
export function told({ expected, received }: Pick<Issue, 'expected' | 'received'>): string {
  return `Expected ${expected}; got ${received}.`;
}

/** What every field has around its own element: the label, where a figure is from, and below it an error or a hint. */
@Component({
  selector: 'app-field-frame',
  imports: [TermHint],
  host: { '[class.typed]': 'typed()' },
  template: `
    @if (!bare()) {
      <label class="form-label" [for]="for()"
        >{{ label() }}
        @if (from(); as provenance) {
          <span class="provenance">{{ provenance }}</span>
        }
      </label>
      <app-term-hint [label]="label()" />
    }
    <ng-content />
    @if (typed() || says()) {
      <div [id]="for() + '-says'" class="says" [class.text-danger-emphasis]="error() !== undefined" aria-live="polite">
        {{ error() ?? says() }}
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .says {
      overflow-wrap: anywhere;
      font-size: 0.8rem;
      color: var(--bs-secondary-color);
    }
    :host(.typed) .says {
      min-height: 1.2em;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FieldFrame {
  readonly label = input.required<string>();
  /** The identifier of the element between the tags. */
  readonly for = input.required<string>();
  readonly from = input<string>();
  readonly error = input<string>();
  readonly says = input<string | undefined>('');
  /** What is typed can be wrong: there is room for an error, so that nothing moves when it comes. */
  readonly typed = input(false);
  /** The label is said by the element itself, not shown: in a table, or beside a heading that says it. */
  readonly bare = input(false);

  constructor() {
    const unread = inject(UnreadFields, { optional: true });
    if (!unread) return;
    effect(() => unread.tell(this, this.error() === undefined ? undefined : this.label()));
    inject(DestroyRef).onDestroy(() => unread.tell(this, undefined));
  }
}
