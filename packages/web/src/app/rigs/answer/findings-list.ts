import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { meaningOf } from '@viaggio/core';
import type { Remedy, Told } from '@viaggio/core';
import { QuantityPipe } from '../../shared/quantity.pipe';
import { VerdictMark } from '../../shared/verdict-mark';
import type { Remedies } from '../../workers/core-calls';

/** What was found, the worst first; what fits is folded away but never hidden. */
@Component({
  selector: 'app-findings-list',
  imports: [NgTemplateOutlet, QuantityPipe, VerdictMark],
  template: `
    <ul class="list-unstyled mb-0">
      @for (finding of faults(); track $index; let index = $index) {
        <li class="finding">
          <app-verdict-mark [verdict]="finding.verdict" />
          <div>
            <div>{{ finding.sentence }}</div>
            @if (finding.remedy) {
              <div class="remedy">{{ finding.remedy }}</div>
            }
            @for (choice of remediesOf(index); track choice.title) {
              <button type="button" class="btn btn-sm btn-outline-primary apply" (click)="remedy.emit(choice)">
                {{ choice.title }}
                <span class="then">
                  {{ choice.verdict
                  }}{{ choice.plannedMin === undefined ? '' : ', ' + (choice.plannedMin | quantity: 'min') + ' to plan with' }}
                </span>
              </button>
            }
            <ng-container [ngTemplateOutlet]="numbers" [ngTemplateOutletContext]="{ $implicit: finding }" />
          </div>
        </li>
      }
    </ul>
    @if (fits().length > 0) {
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
    .finding {
      display: grid;
      grid-template-columns: 6.2rem 1fr;
      gap: 0.5rem;
      align-items: start;
      padding: 0.5rem 0;
      border-top: 1px solid var(--bs-border-color);
    }
    .fits {
      padding: 0.5rem 0;
      border-top: 1px solid var(--bs-border-color);
    }
    .fits ul {
      font-size: 0.9rem;
    }
    .remedy {
      color: var(--bs-secondary-color);
    }
    .remedy::before {
      content: '→ ';
    }
    .apply {
      display: block;
      max-width: 100%;
      margin: 0.25rem 0;
      text-align: left;
    }
    .then {
      color: inherit;
      font-size: 0.85em;
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
        padding: 0.25rem 0;
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
    @media (max-width: 480px) {
      .finding {
        grid-template-columns: 1fr;
        gap: 0.1rem;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingsList {
  readonly findings = input.required<readonly Told[]>();
  /** Of those that are not good, in their order; they come first. */
  readonly remedies = input<Remedies>();
  readonly remedy = output<Remedy>();
  protected readonly faults = computed(() => this.findings().filter(({ verdict }) => verdict !== 'good'));
  protected readonly fits = computed(() => this.findings().filter(({ verdict }) => verdict === 'good'));
  protected readonly remediesOf = (index: number): readonly Remedy[] => this.remedies()?.[index] ?? [];
  protected readonly about = ({ code }: Told): string => meaningOf(code);
}
