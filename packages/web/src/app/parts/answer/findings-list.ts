import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { isFault } from '@viaggio/core/answer';
import { meaningOf } from '@viaggio/core/words';
import type { Told, ToldRemedy } from '@viaggio/core/words';
import { counted } from '../../basics/counted';
import { QuantityPipe } from '../../basics/quantity.pipe';
import { VerdictMark } from '../../basics/verdict-mark';
import type { Remedies } from '../../workers/core-calls';

const WORST = 3;
/** So many notes are read at a glance; more are folded away. */
const FEW = 2;

/** What was found, the worst first; what is only to be known, and what fits, are folded away but never hidden. */
@Component({
  selector: 'app-findings-list',
  imports: [NgTemplateOutlet, QuantityPipe, VerdictMark],
  template: `
    <div class="head">
      <h2>{{ faults().length > 0 ? 'To fix' : 'It matches' }}</h2>
      <span class="count">{{ counts() }}</span>
      @if (hidden() > 0 || all()) {
        <button type="button" class="btn btn-sm btn-link p-0" [attr.aria-expanded]="all()" (click)="allChange.emit(!all())">
          {{ all() ? 'Only the worst' : 'See all' }}
        </button>
      }
    </div>
    <ul class="list-unstyled mb-0">
      @for (finding of shown(); track $index; let index = $index) {
        <li class="finding" [class]="'is-' + finding.verdict">
          <app-verdict-mark [verdict]="finding.verdict" [bare]="true" />
          <div>
            <div>{{ finding.sentence }}</div>
            @if (finding.remedy && (all() || remediesOf(index).length === 0)) {
              <div class="remedy">{{ finding.remedy }}</div>
            }
            @for (choice of remediesOf(index); track choice.title) {
              <button type="button" class="btn btn-sm btn-link apply" (click)="remedy.emit(choice)">
                {{ choice.title }}
                <span class="then">
                  → {{ choice.verdict
                  }}{{ choice.plannedMin === undefined ? '' : ', ' + (choice.plannedMin | quantity: 'min') + ' to plan with' }}
                </span>
              </button>
            }
            @if (all()) {
              <ng-container [ngTemplateOutlet]="numbers" [ngTemplateOutletContext]="{ $implicit: finding }" />
            }
          </div>
        </li>
      }
    </ul>
    @if (notes().length > 0) {
      <details class="notes" [open]="all() || notes().length <= FEW">
        <summary>
          <app-verdict-mark verdict="note" says="Know this" />
          {{ counted(notes().length, 'note') }}
        </summary>
        <ul class="list-unstyled mb-0">
          @for (finding of notes(); track $index) {
            <li>
              {{ finding.sentence }}
              @if (finding.remedy) {
                <span class="remedy">{{ finding.remedy }}</span>
              }
              @if (all()) {
                <ng-container [ngTemplateOutlet]="numbers" [ngTemplateOutletContext]="{ $implicit: finding }" />
              }
            </li>
          }
        </ul>
      </details>
    }
    @if (all() && fits().length > 0) {
      <details class="fits">
        <summary>
          <app-verdict-mark verdict="good" />
          {{ fits().length === 1 ? 'One check fits' : fits().length + ' checks fit' }}
        </summary>
        <ul class="mb-0">
          @for (finding of fits(); track $index) {
            <li>
              {{ finding.sentence }}
              <ng-container [ngTemplateOutlet]="numbers" [ngTemplateOutletContext]="{ $implicit: finding }" />
            </li>
          }
        </ul>
      </details>
    }
    <ng-template #numbers let-finding>
      @if (finding.numbers.length > 0) {
        <details>
          <summary>Numbers</summary>
          <dl>
            @for (number of finding.numbers; track $index) {
              <dt>{{ number.name }}</dt>
              <dd>{{ number.value | quantity: number.unit }}</dd>
            }
          </dl>
          <p class="small text-body-secondary mb-0">
            {{ about(finding) }} <code>{{ finding.code }}</code>
          </p>
        </details>
      }
    </ng-template>
  `,
  styles: `
    .head {
      display: flex;
      gap: var(--space-2);
      align-items: baseline;
      margin-bottom: var(--space-2);
    }
    h2 {
      margin: 0;
    }
    .count {
      flex: 1;
      font-size: var(--type-note);
      color: var(--bs-secondary-color);
    }
    .finding {
      display: grid;
      grid-template-columns: 1.4rem minmax(0, 1fr);
      align-items: start;
      padding: var(--space-2) var(--space-3);
      margin-bottom: var(--space-2);
      font-size: var(--type-small);
      line-height: 1.4;
      background: var(--raised);
      border-left: 3px solid currentcolor;
      border-radius: var(--radius);
      overflow-wrap: anywhere;
    }
    .finding > div {
      color: var(--bs-body-color);
    }
    .finding app-verdict-mark {
      padding-top: 0.15rem;
    }
    .is-stop {
      border-color: var(--stop);
    }
    .is-caution {
      border-color: var(--caution);
    }
    .is-unknown {
      border-color: var(--unknown);
    }
    .fits {
      padding: var(--space-2) 0;
    }
    .notes {
      padding: var(--space-1) 0;
      font-size: var(--type-small);
    }
    .notes li {
      padding: var(--space-1) 0 var(--space-1) 1.4rem;
      overflow-wrap: anywhere;
    }
    .fits ul {
      font-size: 0.9rem;
    }
    .remedy {
      color: var(--bs-secondary-color);
    }
    .apply {
      display: block;
      max-width: 100%;
      padding: 0.2rem 0;
      font-size: inherit;
      font-weight: 600;
      text-align: left;
      text-decoration: none;
    }
    .then {
      font-weight: 400;
    }
    summary {
      font-size: 0.8rem;
    }
    /* a rig with many devices is to print on one page */
    @media print {
      .apply {
        display: none;
      }
      ul {
        columns: 2;
      }
      .finding {
        break-inside: avoid;
        padding: 0.25rem 0.5rem;
      }
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 0 0.75rem;
      margin: 0.25rem 0;
      font-size: 0.85rem;
    }
    dt {
      font-weight: 400;
    }
    dd {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingsList {
  readonly findings = input.required<readonly Told[]>();
  /** Of the faults, in their order; they come first. */
  readonly remedies = input<Remedies>();
  /** Every finding with its numbers, and what fits; else the worst. */
  readonly all = input(true);
  readonly allChange = output<boolean>();
  readonly remedy = output<ToldRemedy>();
  protected readonly faults = computed(() => this.findings().filter(({ verdict }) => isFault(verdict)));
  /** To be known on the day, and nothing to mend. */
  protected readonly notes = computed(() => this.findings().filter(({ verdict }) => verdict === 'note'));
  protected readonly fits = computed(() => this.findings().filter(({ verdict }) => verdict === 'good'));
  protected readonly shown = computed(() => (this.all() ? this.faults() : this.faults().slice(0, WORST)));
  protected readonly hidden = computed(() => this.findings().length - this.notes().length - this.shown().length);
  protected readonly counted = counted;
  protected readonly FEW = FEW;
  protected readonly counts = computed(() => {
    const fits = this.fits().length;
    const by = (['stop', 'caution', 'unknown'] as const).flatMap((verdict) => {
      const count = this.faults().filter((one) => one.verdict === verdict).length;
      return count === 0 ? [] : [counted(count, verdict)];
    });
    return [...by, ...(fits > 0 ? [`${fits} fit`] : [])].join(', ');
  });
  /** Where only the worst is shown, so is only what mends it best. */
  protected readonly remediesOf = (index: number): readonly ToldRemedy[] => {
    const choices = this.remedies()?.[index] ?? [];
    return this.all() ? choices : choices.slice(0, 1);
  };
  protected readonly about = ({ code }: Told): string => meaningOf(code);
}
