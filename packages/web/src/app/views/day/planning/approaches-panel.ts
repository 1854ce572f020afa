import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { DAY_APPROACHES } from '@viaggio/core/day';
import { formatQuantity } from '@viaggio/core/units';
import type { ToldDayApproach } from '@viaggio/core/words';
import { CoreWorkers } from '../../../workers/core-workers';
import { DaySheet } from '../sheet/day-sheet';

/** The same day under the two approaches, side by side: what each costs in changes, batteries, grams and minutes without power. */
@Component({
  selector: 'app-approaches-panel',
  template: `
    <section aria-label="Both approaches">
      <h2 class="fs-5">Both approaches</h2>
      @switch (state()) {
        @case ('idle') {
          <p class="small text-body-secondary mb-1">
            The same day with one V-mount for everything in a rig, and with each device on its own battery. It takes some seconds.
          </p>
          <button type="button" class="btn btn-sm btn-outline-secondary acts" (click)="compare()">Compare them</button>
        }
        @case ('working') {
          <p role="status" class="mb-1">Feeding every rig both ways …</p>
          <button type="button" class="btn btn-sm btn-outline-secondary" (click)="cancel()">Stop</button>
        }
        @case ('failed') {
          <p class="text-danger-emphasis" role="alert">They could not be compared: {{ failure() }}</p>
        }
      }
      @if (found().length > 0) {
        <div class="table-responsive">
          <table class="table table-sm small">
            <thead>
              <tr>
                <th scope="col">Approach</th>
                <th scope="col" class="text-end">Changes</th>
                <th scope="col" class="text-end">Batteries</th>
                <th scope="col" class="text-end">Mass</th>
                <th scope="col" class="text-end">Without power</th>
                <th scope="col">To buy, and what stays as it is</th>
              </tr>
            </thead>
            <tbody>
              @for (one of found(); track one.approach) {
                <tr>
                  <th scope="row">{{ one.title }}</th>
                  <td class="text-end">{{ one.plan.cost.swaps }}</td>
                  <td class="text-end">{{ one.plan.cost.batteries }}</td>
                  <td class="text-end text-nowrap">{{ mass(one) }}</td>
                  <td class="text-end text-nowrap">{{ gap(one) }}</td>
                  <td>
                    {{ one.toBuy.join(', ') }}
                    @for (rig of one.kept; track rig.rigId) {
                      <small class="d-block text-body-secondary">{{ name(rig.rigId) }} stays as it is: {{ rig.why }}</small>
                    }
                  </td>
                </tr>
              }
            </tbody>
          </table>
        </div>
      }
    </section>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ApproachesPanel {
  private readonly sheet = inject(DaySheet);
  private readonly workers = inject(CoreWorkers);
  protected readonly state = signal<'idle' | 'working' | 'failed'>('idle');
  protected readonly failure = signal('');
  protected readonly found = signal<readonly ToldDayApproach[]>([]);
  private turn = 0;

  protected async compare(): Promise<void> {
    const world = this.sheet.asked();
    if (!world) return;
    const turn = ++this.turn;
    this.state.set('working');
    this.found.set([]);
    try {
      for (const approach of DAY_APPROACHES) {
        const one = await this.workers.core('feeds').dayApproach(approach, world, 'swaps');
        if (this.turn !== turn) return;
        this.found.update((found) => [...found, one]);
      }
      this.state.set('idle');
    } catch (error) {
      this.failure.set(error instanceof Error ? error.message : String(error));
      if (this.turn === turn) this.state.set('failed');
    }
  }

  protected cancel(): void {
    this.turn++;
    this.workers.cancel('feeds');
    this.state.set('idle');
  }

  protected name(rigId: string): string {
    return this.sheet.rigs().get(rigId)?.name ?? 'A rig that is gone';
  }

  protected mass({ plan }: ToldDayApproach): string {
    return formatQuantity(plan.cost.massG, 'g');
  }

  protected gap({ plan }: ToldDayApproach): string {
    return plan.cost.gapMin < 0.5 ? 'none' : formatQuantity(Math.ceil(plan.cost.gapMin), 'min');
  }
}
