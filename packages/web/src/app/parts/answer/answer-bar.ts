import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Answer } from '@viaggio/core/answer';
import { QuantityPipe } from '../../basics/quantity.pipe';
import { VerdictMark } from '../../basics/verdict-mark';

/** The answer in one line at the foot of a phone: in sight while figures are changed above it, and a way to the whole. */
@Component({
  selector: 'app-answer-bar',
  imports: [QuantityPipe, VerdictMark],
  template: `
    <button type="button" (click)="show()">
      <app-verdict-mark [verdict]="answer().verdict" />
      @if (answer().unlimited) {
        <strong>as long as <small>the mains is on</small></strong>
      } @else if (answer().run) {
        <strong>{{ answer().plannedMin | quantity: 'min' }} <small>to plan with</small></strong>
      } @else {
        <strong>no time yet</strong>
      }
      <span>See why</span>
    </button>
  `,
  styles: `
    :host {
      display: none;
    }
    button {
      display: flex;
      gap: 1rem;
      align-items: center;
      width: 100%;
      padding: 0.75rem 1rem;
      color: inherit;
      background: var(--bs-tertiary-bg);
      border: 0;
      border-top: 1px solid var(--bs-border-color);
    }
    strong {
      font-size: 1.2rem;
      white-space: nowrap;
      font-variant-numeric: tabular-nums;
    }
    small {
      font-size: 0.8rem;
      font-weight: 400;
    }
    span {
      margin-left: auto;
      font-size: 0.85rem;
      text-decoration: underline;
    }
    @media screen and (max-width: 900px) {
      :host {
        display: block;
        position: sticky;
        bottom: var(--foot);
        margin: 0 -1rem;
        z-index: 10;
      }
    }
    @media (max-width: 360px) {
      small {
        display: none;
      }
    }
    /* a low window, or letters twice as large: what it covers is needed more */
    @media screen and (max-height: 480px) {
      :host {
        position: static;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AnswerBar {
  readonly answer = input.required<Answer>();

  protected show(): void {
    document.querySelector('app-answer-view')?.scrollIntoView({ block: 'start' });
  }
}
