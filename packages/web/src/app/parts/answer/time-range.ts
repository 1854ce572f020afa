import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { QuantityPipe } from '../../basics/quantity.pipe';
import type { TimeScale } from './time-scale';

/** The time of an answer as a bar: whose turn it is when, what to plan with, how far it may be off, and what is asked. */
@Component({
  selector: 'app-time-range',
  imports: [QuantityPipe],
  template: `
    @let scale = of();
    <div class="marks above">
      @for (turn of scale.turns; track turn.fromMin; let first = $first) {
        @if (!first) {
          <span [style.left.%]="at(turn.fromMin)">change {{ turn.fromMin | quantity: 'min' }}</span>
        }
      }
      @if (scale.wantedMin; as wanted) {
        <span class="asked" [class.short]="scale.plannedMin < wanted" [class.right]="at(wanted) > 75" [style.left.%]="at(wanted)">
          asked {{ wanted | quantity: 'min' }}
        </span>
      }
    </div>
    <div class="bar">
      @for (turn of scale.turns; track turn.fromMin; let last = $last) {
        <span class="turn" [class.odd]="$odd" [style.left.%]="at(turn.fromMin)" [style.width.%]="at(turn.toMin - turn.fromMin)">
          {{ turn.name }}
        </span>
      }
      @if (scale.range; as range) {
        <span class="range" [style.left.%]="at(range.lowMin)" [style.width.%]="at(range.highMin - range.lowMin)"></span>
      }
      <span class="plan" [style.left.%]="at(scale.plannedMin)"></span>
      @if (scale.wantedMin; as wanted) {
        <span class="wanted" [class.short]="scale.plannedMin < wanted" [style.left.%]="at(wanted)"></span>
      }
    </div>
    <div class="marks below">
      <span class="planned" [class.right]="at(scale.plannedMin) > 75" [style.left.%]="at(scale.plannedMin)">
        plan with {{ scale.plannedMin | quantity: 'min' }}
      </span>
    </div>
  `,
  styles: `
    :host {
      display: block;
      font-size: var(--type-note);
      font-variant-numeric: tabular-nums;
    }
    .marks {
      position: relative;
      height: 1.3rem;
      color: var(--bs-secondary-color);
    }
    .marks span {
      position: absolute;
      transform: translateX(-50%);
      white-space: nowrap;
    }
    .marks .right {
      transform: translateX(-100%);
    }
    .marks .asked.short {
      color: var(--stop);
      font-weight: 600;
    }
    .bar {
      position: relative;
      height: 1.7rem;
      overflow: hidden;
      background: var(--raised);
      border-radius: var(--radius);
    }
    .bar span {
      position: absolute;
      inset-block: 0;
    }
    .turn {
      padding: 0 var(--space-2);
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
      line-height: 1.7rem;
      font-weight: 600;
      color: var(--bs-body-color);
      background: var(--turn);
      border-left: 2px solid var(--bs-body-color);
    }
    .turn:first-child {
      border-left: 0;
    }
    .turn.odd {
      background: var(--turn-other);
    }
    /* the time may end anywhere in here, in eight of ten days */
    .range {
      background: repeating-linear-gradient(135deg, var(--chart-band-line) 0 2px, transparent 2px 6px);
      opacity: 0.55;
    }
    .plan {
      width: 3px;
      margin-left: -1.5px;
      background: var(--chart-band-line);
    }
    .wanted {
      width: 0;
      border-left: 2px dashed var(--bs-body-color);
    }
    .wanted.short {
      border-color: var(--stop);
    }
  `,
  host: { 'aria-hidden': 'true' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TimeRange {
  readonly of = input.required<TimeScale>();
  protected readonly at = (minutes: number): number => (minutes / this.of().endMin) * 100;
}
