import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { NgbPopover } from '@ng-bootstrap/ng-bootstrap/popover';
import { termOf } from './glossary';

/** Beside a label that is a word of the field: a press says what it means. Nothing where the label needs no explaining. */
@Component({
  selector: 'app-term-hint',
  imports: [NgbPopover],
  template: `
    @if (term(); as one) {
      <button
        type="button"
        class="term"
        [ngbPopover]="one.means"
        [popoverTitle]="one.term"
        container="body"
        placement="bottom-start bottom-end top-start auto"
      >
        <span class="visually-hidden">What “{{ one.term }}” means</span><span aria-hidden="true">?</span>
      </button>
    }
  `,
  styles: `
    .term {
      width: 1.5rem;
      height: 1.5rem;
      padding: 0;
      margin: -0.3rem 0;
      font-size: 0.75rem;
      font-weight: 400;
      line-height: 1;
      color: var(--bs-secondary-color);
      background: none;
      border: 0;
    }
    .term [aria-hidden] {
      display: inline-block;
      width: 1.1rem;
      line-height: 1rem;
      border: 1px solid var(--bs-border-color);
      border-radius: 50%;
    }
    /* as large as a thumb needs it, without moving the line */
    @media (max-width: 640px) {
      .term {
        width: 2.75rem;
        height: 2.75rem;
        margin: -0.8rem -0.4rem;
      }
    }
    @media print {
      .term {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TermHint {
  /** What the field or heading is called. */
  readonly label = input.required<string>();
  protected readonly term = computed(() => termOf(this.label()));
}
