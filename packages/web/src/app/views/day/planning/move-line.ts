import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MomentField } from '../sheet/moment-field';

/** One change of a plan in a list, of a battery or of a card: its time can be typed, it can be locked and taken out. */
@Component({
  selector: 'app-move-line',
  imports: [MomentField],
  template: `
    <app-moment-field class="when" [label]="title()" [minute]="minute()" (minuteChange)="minuteChange.emit($event)" />
    <span class="state">{{ state() }}</span>
    <button
      type="button"
      class="btn btn-sm"
      [class.btn-secondary]="locked()"
      [class.btn-outline-secondary]="!locked()"
      [attr.aria-pressed]="locked()"
      [attr.aria-label]="'Lock: ' + title()"
      (click)="lockedChange.emit(!locked())"
    >
      {{ locked() ? 'Locked' : 'Lock' }}
    </button>
    <ng-content />
    <button type="button" class="btn btn-sm btn-outline-danger" [attr.aria-label]="'Remove: ' + title()" (click)="removed.emit()">
      Remove
    </button>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      align-items: end;
      padding: 0.25rem 0;
      border-bottom: 1px solid var(--bs-border-color);
    }
    .when {
      flex: 1 1 16rem;
      max-width: 24rem;
    }
    .state {
      flex: 1 1 8rem;
      font-size: 0.85rem;
      color: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MoveLine {
  readonly title = input.required<string>();
  readonly minute = input.required<number>();
  /** What there is to say of it. */
  readonly state = input('');
  readonly locked = input(false);
  readonly minuteChange = output<number>();
  readonly lockedChange = output<boolean>();
  readonly removed = output();
}
