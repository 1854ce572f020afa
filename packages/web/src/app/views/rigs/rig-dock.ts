import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Answer } from '@viaggio/core/answer';
import { QuantityPipe } from '../../basics/quantity.pipe';
import { VerdictMark } from '../../basics/verdict-mark';

/** Something that opens beside or below the look at a rig. */
export interface DockItem {
  readonly name: string;
  readonly title: string;
  /** The figure that says whether it is worth opening: `4 devices`. */
  readonly says?: string | undefined;
}

/** What can be opened beside the answer, in one row at the foot; it stays as the person left it. */
@Component({
  selector: 'app-rig-dock',
  imports: [QuantityPipe, VerdictMark],
  template: `
    <div role="group" aria-label="Open beside the answer">
      @if (answer(); as found) {
        <button type="button" class="answer" (click)="toAnswer()">
          <app-verdict-mark [verdict]="found.verdict" [bare]="true" />
          <strong>{{ found.unlimited ? 'on mains' : found.run ? (found.plannedMin | quantity: 'min') : 'no time yet' }}</strong>
        </button>
      }
      @for (item of items(); track item.name) {
        <button type="button" [attr.aria-expanded]="open().has(item.name)" (click)="toggled.emit(item.name)">
          {{ item.title }}
          @if (item.says) {
            <span>{{ item.says }}</span>
          }
        </button>
      }
    </div>
  `,
  styles: `
    :host {
      position: sticky;
      bottom: var(--foot);
      z-index: 5;
      display: block;
      margin: var(--space-4) -1rem -3rem;
      padding: var(--space-1) 1rem;
      background: var(--bs-body-bg);
      border-top: 1px solid var(--bs-border-color);
    }
    div {
      display: flex;
      gap: 0.15rem;
      overflow-x: auto;
      scrollbar-width: none;
    }
    button {
      padding: 0.4rem 0.7rem;
      white-space: nowrap;
      color: var(--bs-body-color);
      background: none;
      border: 0;
      border-radius: var(--radius);
    }
    button:hover {
      background: color-mix(in srgb, var(--bs-tertiary-bg) 60%, transparent);
    }
    button[aria-expanded='true'] {
      font-weight: 600;
      background: var(--bs-tertiary-bg);
    }
    span {
      font-size: var(--type-note);
      font-weight: 400;
      color: var(--bs-secondary-color);
    }
    /* while figures are changed below it, the answer is in sight here */
    .answer {
      display: none;
    }
    @media (max-width: 900px) {
      .answer {
        position: sticky;
        left: 0;
        display: block;
        background: var(--bs-body-bg);
      }
    }
    @media (max-width: 700px) {
      button {
        min-height: 2.75rem;
      }
    }
    @media (max-height: 480px) {
      :host {
        position: static;
      }
    }
    @media print {
      :host {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RigDock {
  readonly items = input.required<readonly DockItem[]>();
  readonly answer = input<Answer | undefined>();
  readonly open = input.required<ReadonlySet<string>>();
  readonly toggled = output<string>();

  protected toAnswer(): void {
    document.querySelector('app-answer-view')?.scrollIntoView({ block: 'start' });
  }
}
