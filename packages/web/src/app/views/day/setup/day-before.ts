import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { carriedOver, notAsLeft } from '@viaggio/core/day';
import { gearTitle } from '@viaggio/core/gear';
import { DaySheet } from '../sheet/day-sheet';

/** Where the batteries of this day come from: the plan before it, and whether that now leaves them otherwise. */
@Component({
  selector: 'app-day-before',
  imports: [RouterLink],
  template: `
    @let id = sheet.day()?.follows;
    @if (id !== undefined) {
      <p class="mb-2">
        @if (sheet.dayBefore(); as before) {
          It begins where <a [routerLink]="['/days', id]">{{ before.name }}</a> ends, with its batteries as they are then.
          @if (differing(); as names) {
            <span class="verdict-caution">▲ That plan now leaves them otherwise: {{ names }}.</span>
            <button type="button" class="btn btn-sm btn-outline-secondary acts" (click)="take()">Take over the charges</button>
          }
        } @else {
          <span class="text-body-secondary">The plan that it followed is gone; the charges that it left stay.</span>
        }
      </p>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayBefore {
  protected readonly sheet = inject(DaySheet);
  protected readonly differing = computed(() => {
    const [day, run] = [this.sheet.day(), this.sheet.runBefore()];
    if (!day || !run) return '';
    return notAsLeft(day, run)
      .flatMap((id) => [this.sheet.gear().get(id)].map((gear) => (gear ? gearTitle(gear) : 'a battery that is gone')))
      .join(', ');
  });

  protected take(): void {
    const run = this.sheet.runBefore()!;
    this.sheet.change({ batteries: carriedOver(this.sheet.day()!, run, new Set(this.sheet.gear().keys())) }, 'carried over');
  }
}
