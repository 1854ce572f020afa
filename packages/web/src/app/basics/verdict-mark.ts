import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { FindingLevel } from '@viaggio/core/answer';

const WORDS: Readonly<Record<FindingLevel, string>> = { good: 'Good', note: 'Note', caution: 'Caution', stop: 'Stop', unknown: 'Unknown' };

/** A verdict, or a note, by shape, colour and word: a disc, a notched diamond, a barred square, an open ring; a short bar. */
@Component({
  selector: 'app-verdict-mark',
  template: `
    <svg viewBox="0 0 20 20" aria-hidden="true" focusable="false">
      @switch (verdict()) {
        @case ('good') {
          <circle cx="10" cy="10" r="8" />
        }
        @case ('note') {
          <rect x="2" y="8" width="16" height="4" />
        }
        @case ('caution') {
          <path d="M10 1 19 10 10 19 1 10Z M10 6v5" fill-rule="evenodd" />
          <path class="cut" d="M5.5 10h9" />
        }
        @case ('stop') {
          <rect x="2" y="2" width="16" height="16" />
          <path class="cut" d="M10 4v12" />
        }
        @case ('unknown') {
          <circle class="ring" cx="10" cy="10" r="7" />
        }
      }
    </svg>
    @if (!bare()) {
      <span class="word">{{ word() }}</span>
    } @else {
      <span class="visually-hidden">{{ word() }}</span>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 0.4em;
      font-weight: 600;
      white-space: nowrap;
    }
    svg {
      width: 1em;
      height: 1em;
      flex: none;
      fill: currentcolor;
    }
    .cut {
      stroke: var(--bs-body-bg);
      stroke-width: 2.5;
      fill: none;
    }
    .ring {
      fill: none;
      stroke: currentcolor;
      stroke-width: 3;
      stroke-dasharray: 5 3.8;
    }
  `,
  host: { '[class]': '"verdict-" + verdict()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VerdictMark {
  readonly verdict = input.required<FindingLevel>();
  /** The shape alone, the word kept for screen readers. */
  readonly bare = input(false);
  /** Said in place of the verdict's own word. */
  readonly says = input<string>();
  protected readonly word = computed(() => this.says() ?? WORDS[this.verdict()]);
}
