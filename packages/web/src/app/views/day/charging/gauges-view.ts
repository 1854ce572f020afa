import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { ToldDayIndicator } from '@viaggio/core/words';
import { DaySheet } from '../sheet/day-sheet';
import { percent, time } from '../../../parts/timeline/say-moment';
import { TermHint } from '../../../basics/term-hint';

const WORDS: Readonly<Record<ToldDayIndicator['believable'], string>> = {
  yes: '● can be believed',
  roughly: '▲ roughly right',
  no: '■ not to be believed',
  unknown: '? not known',
};
/** Of a gauge in single per cents only so many changes are told. */
const MOST_READINGS = 6;

/** What a person sees on each gauge in the course of the day, and the clock to go by where none can be believed. */
@Component({
  selector: 'app-gauges-view',
  imports: [TermHint],
  template: `
    @if (rigs(); as all) {
      @if (all.length > 0) {
        <section aria-label="What the gauges show">
          <h2 class="fs-5">What the gauges show <app-term-hint label="What the gauges show" /></h2>
          @for (rig of all; track rig.id) {
            <details>
              <summary>{{ rig.name }}: {{ rig.short }}</summary>
              <ul class="list-unstyled small">
                @for (one of rig.gauges; track $index) {
                  <li class="mb-1">
                    {{ at(one.fromMin) }} {{ one.battery }}, {{ one.where }}: <strong>{{ words[one.believable] }}</strong>. {{ one.why }}
                    @if (readings(one); as told) {
                      {{ told }}
                    }
                    @if (one.changeBy; as by) {
                      <strong class="verdict-caution"
                        >Change by {{ at(by.minute) }}{{ by.shown ? ', when it shows ' + by.shown : '' }}.</strong
                      >
                    }
                  </li>
                }
              </ul>
            </details>
          }
        </section>
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GaugesView {
  private readonly sheet = inject(DaySheet);
  protected readonly words = WORDS;
  protected readonly rigs = computed(() => {
    const all = this.sheet.indicators();
    return (this.sheet.day()?.rigIds ?? []).flatMap((id) => {
      const gauges = (all ?? []).filter(({ rigId }) => rigId === id);
      const lying = gauges.filter(({ believable }) => believable === 'no').length;
      const short = lying === 0 ? 'what they show goes' : `${lying} of ${gauges.length} not to be believed`;
      return gauges.length > 0 ? [{ id, name: this.sheet.rigs().get(id)?.name ?? '?', gauges, short }] : [];
    });
  });

  protected at(minute: number): string {
    return time(this.sheet.day()!, minute);
  }

  protected readings({ readings }: ToldDayIndicator): string {
    const every = Math.max(1, Math.ceil(readings.length / MOST_READINGS));
    const some = readings.filter((_, index) => index % every === 0 || index === readings.length - 1);
    return some.map(({ minute, shown, charge }) => `${this.at(minute)} ${shown} (${percent(charge)} left)`).join(', ');
  }
}
