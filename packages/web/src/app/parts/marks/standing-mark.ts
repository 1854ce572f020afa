import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Verdict } from '@viaggio/core/answer';
import { formatDate } from '@viaggio/core/units';
import { VerdictMark } from '../../basics/verdict-mark';
import type { CheckGlance } from '../../workers/bench-calls';

const VERDICTS: Readonly<Record<CheckGlance['is'], Verdict>> = {
  none: 'unknown',
  open: 'unknown',
  stopped: 'stop',
  doubtful: 'caution',
  passed: 'good',
};

/** Where a rig's check before power stands, in a few words. */
@Component({
  selector: 'app-standing-mark',
  imports: [VerdictMark],
  template: '<app-verdict-mark [verdict]="verdict()" [says]="says()" />',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StandingMark {
  readonly check = input.required<CheckGlance>();
  protected readonly verdict = computed(() => VERDICTS[this.check().is]);
  protected readonly says = computed(() => sayStanding(this.check()));
}

/** `Measured 11 Jan 2026`, `3 of 6 measured`, `Changed since: 2 to measure again`. */
export function sayStanding({ is, done, of, reopened, at }: CheckGlance): string {
  switch (is) {
    case 'none':
      return 'Not measured';
    case 'stopped':
      return 'Stopped: no power';
    case 'open':
      return reopened > 0 ? `Changed since: ${reopened} to measure again` : `${done} of ${of} measured`;
    case 'doubtful':
      return 'Measured, not all as expected';
    case 'passed':
      return at === undefined ? 'Measured' : `Measured ${formatDate(at.slice(0, 10))}`;
  }
}
