import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { formatQuantity } from '@viaggio/core/units';
import { TimeBar } from '../basics/time-bar';
import type { RigGlance } from '../workers/rig-calls';

/** How long a rig runs, as a list tells it: the time, what is asked of it, and one against the other as a bar. */
@Component({
  selector: 'app-rig-time',
  imports: [TimeBar],
  template: `
    <span class="figure" [class.big-figure]="!small()"
      >{{ time() }}
      @if (!small()) {
        <span class="of">{{ of() }}</span>
      }
    </span>
    @if (glance().wantedMin !== undefined) {
      <app-time-bar [minutes]="lasts()" [wantedMin]="glance().wantedMin" [endless]="glance().unlimited" />
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .figure {
      display: block;
    }
    .big-figure {
      margin-bottom: var(--space-1);
    }
    .of {
      font-size: var(--type-note);
      font-weight: 400;
      color: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RigTime {
  readonly glance = input.required<Pick<RigGlance, 'verdict' | 'unlimited' | 'plannedMin' | 'beyondMin' | 'wantedMin'>>();
  /** Beside others in one row. */
  readonly small = input(false);
  /** What it lasts at least: one that was followed without a stop lasts longer than that. */
  protected readonly lasts = computed(() => this.glance().beyondMin ?? this.glance().plannedMin);
  protected readonly time = computed(() => {
    const { verdict, unlimited, plannedMin, beyondMin } = this.glance();
    if (unlimited) return 'on mains';
    if (beyondMin !== undefined) return `over ${formatQuantity(beyondMin, 'min')}`;
    if (plannedMin !== undefined) return formatQuantity(plannedMin, 'min');
    return verdict === 'stop' ? 'cannot run' : 'no time yet';
  });
  protected readonly of = computed(() => {
    const { unlimited, wantedMin } = this.glance();
    if (wantedMin !== undefined) return `of ${formatQuantity(wantedMin, 'min')} asked`;
    return this.lasts() !== undefined && !unlimited ? 'to plan with' : '';
  });
}
