import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { FINDINGS } from '@viaggio/core';
import type { Finding } from '@viaggio/core';
import { QuantityPipe } from '../../shared/quantity.pipe';
import { VerdictMark } from '../../shared/verdict-mark';

/** What was found, the worst first; what fits is folded away but never hidden. */
@Component({
  selector: 'app-findings-list',
  imports: [QuantityPipe, VerdictMark],
  template: `
    <ul class="list-unstyled mb-0">
      @for (finding of findings(); track $index) {
        <li class="finding" [class.fits]="finding.verdict === 'good'">
          <app-verdict-mark [verdict]="finding.verdict" />
          <div>
            <div>{{ finding.sentence }}</div>
            @if (finding.remedy) {
              <div class="remedy">{{ finding.remedy }}</div>
            }
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
          </div>
        </li>
      }
    </ul>
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
      padding: 0.2rem 0;
      font-size: 0.9rem;
    }
    .remedy {
      color: var(--bs-secondary-color);
    }
    .remedy::before {
      content: '→ ';
    }
    summary {
      font-size: 0.8rem;
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
  readonly findings = input.required<readonly Finding[]>();
  protected readonly about = ({ code }: Finding): string => FINDINGS[code];
}
