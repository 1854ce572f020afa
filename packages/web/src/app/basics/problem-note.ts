import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Problem } from '../api/api';

/** A problem told: what happened, what to do, and field by field where the server said so. */
@Component({
  selector: 'app-problem-note',
  template: `
    <div class="alert alert-warning" role="alert">
      <strong>{{ problem().title }}.</strong> {{ problem().detail }}
      <div>{{ problem().remedy }}</div>
      @for (issue of problem().issues ?? []; track $index) {
        <div class="small">{{ issue.message }}</div>
      }
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProblemNote {
  readonly problem = input.required<Problem>();
}
