import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** How long something lasts against the time that is asked of it, as a bar in a row of others. The figures stand beside it. */
@Component({
  selector: 'app-time-bar',
  template: `
    <span class="bar" aria-hidden="true">
      <span class="lasts" [class.endless]="endless()" [style.width.%]="share(endless() ? scale() : (minutes() ?? 0))"></span>
      @if (wantedMin(); as wanted) {
        <span class="wanted" [class.short]="short()" [style.left.%]="share(wanted)"></span>
      }
    </span>
  `,
  styles: `
    :host {
      display: block;
    }
    .bar {
      position: relative;
      display: block;
      height: 0.5rem;
      background: var(--raised);
      border-radius: 0.25rem;
    }
    .lasts {
      display: block;
      height: 100%;
      background: var(--journey);
      border-radius: inherit;
      transition: width var(--motion);
    }
    .wanted {
      position: absolute;
      top: -0.2rem;
      bottom: -0.2rem;
      width: 2px;
      margin-left: -1px;
      background: var(--bs-body-color);
      &.short {
        background: var(--stop);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TimeBar {
  readonly minutes = input<number | undefined>();
  readonly wantedMin = input<number | undefined>();
  readonly endless = input(false);
  protected readonly scale = computed(() => Math.max(this.minutes() ?? 0, this.wantedMin() ?? 0, 1));
  protected readonly short = computed(() => !this.endless() && (this.minutes() ?? 0) < (this.wantedMin() ?? 0));
  protected readonly share = (minutes: number): number => Math.min(100, (minutes / this.scale()) * 100);
}
