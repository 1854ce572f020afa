import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Backup } from '@viaggio/core/answer';
import { formatQuantity } from '@viaggio/core/units';

/** What stands behind each device's first source: when and how it takes over, what it adds, and the time it gives for a swap. */
@Component({
  selector: 'app-backups-view',
  template: `
    <ul class="list-unstyled mb-0">
      @for (row of rows(); track row.title) {
        <li>
          <strong>{{ row.title }}</strong>
          @for (sentence of row.says; track $index) {
            <div>{{ sentence }}</div>
          }
        </li>
      }
    </ul>
  `,
  styles: `
    li {
      padding: 0.35rem 0;
      border-top: 1px solid var(--bs-border-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BackupsView {
  readonly backups = input.required<readonly Backup[]>();
  protected readonly rows = computed(() =>
    this.backups().map((one) => ({ title: `${one.device}: ${one.first}, then ${one.then}`, says: sentences(one) })),
  );
}

function sentences({ takeover, atMin, aloneMin, endless, addsMin, first, then }: Backup): readonly string[] {
  const say = (minutes: number): string => formatQuantity(minutes, 'min');
  return [
    atMin === undefined
      ? 'It never has to take over in this run.'
      : `Takes over after ${say(atMin)}, ${takeover === 'cut' ? 'with a cut: what records then stops' : 'without a cut'}.`,
    ...(addsMin === undefined ? [] : [addsMin < 1 ? 'It adds no minutes to the run.' : `It adds ${say(addsMin)} to the run.`]),
    endless
      ? `With ${first} out it goes on as long as ${then} stands.`
      : aloneMin === undefined
        ? 'How long it carries the rig alone is not known.'
        : `Time to change ${first}: ${say(aloneMin)}, on a full ${then}.`,
  ];
}
