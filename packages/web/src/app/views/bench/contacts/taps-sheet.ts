import { judgeTaps, sheetShape } from '@viaggio/core/bench';
import type { MeterReading, SheetOf, TapsJudged } from '@viaggio/core/bench';
import { gearTitle } from '@viaggio/core/gear';
import { formatQuantity, withChanges } from '@viaggio/core/units';
import { sayTap } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import { CheckField } from '../../../fields/check-field';
import { PickerField } from '../../../fields/picker-field';
import { TextField } from '../../../fields/text-field';
import { PageMenu } from '../../../basics/page-menu';
import type { PageAct } from '../../../basics/page-menu';
import { VerdictMark } from '../../../basics/verdict-mark';
import { BenchSheets } from '../../../parts/bench-sheets';
import { MeterField } from '../meter-field';

const MOST_GROUPS = 20;

/** The groups of a pack at its balance lead, each against the others. */
@Component({
  selector: 'app-taps-sheet',
  imports: [CheckField, MeterField, PageMenu, PickerField, TextField, VerdictMark],
  template: `
    <div class="page-head">
      <h1>Balance lead of {{ title() }}</h1>
      @if (judged(); as judged) {
        <app-verdict-mark [verdict]="judged.verdict" />
      }
      <div class="page-acts"><app-page-menu [of]="'the balance lead of ' + title()" [acts]="acts" /></div>
    </div>
    <div class="columns">
      <div>
        <ol class="groups">
          @for (volts of sheet().volts; track $index; let at = $index) {
            <li>
              <span class="tap">{{ fromMinus() ? 'Tap ' + (at + 1) : 'Group ' + (at + 1) }}</span>
              <app-meter-field
                [label]="(fromMinus() ? 'Volts from minus to tap ' : 'Volts of group ') + (at + 1)"
                [value]="shownAt(at)"
                (valueChange)="setGroup(at, $event)"
              />
              <span class="bar" aria-hidden="true"
                ><span [class]="'fill at-' + (judged()?.groups?.[at]?.verdict ?? 'unknown')" [style.width.%]="share(volts)"></span
              ></span>
              @if (judged()?.groups?.[at]; as group) {
                <app-verdict-mark [verdict]="group.verdict" [says]="words[group.code]" />
              }
            </li>
          }
        </ol>
        <app-check-field
          label="Read from minus at each tap, one after the other"
          [value]="fromMinus()"
          (valueChange)="fromMinus.set($event)"
        />
        <app-check-field
          label="Under load"
          [value]="sheet().loaded === true"
          (valueChange)="change({ loaded: $event || undefined }, 'loaded')"
        />
      </div>
      <div class="side">
        <p role="status" class="said">
          @if (judged(); as judged) {
            {{ saysOf(judged) }}
          } @else {
            Type what each group shows, from minus up.
          }
        </p>
        @if (judged(); as judged) {
          <p class="of">
            Expected: {{ say(judged.expectedV) }}, within {{ say(judged.withinV) }}: a twentieth of its charge, and the meter.
          </p>
        }
        @if (judged()?.verdict === 'stop') {
          <button type="button" class="btn btn-primary" (click)="retire()">Mark {{ title() }} as broken</button>
        }
        <p class="usual-caution">
          One tap at a time: a slip across two is a short. Never charge a pack with a group below its cut-off, never open one under charge,
          and keep lithium that is warm or swollen outside, away from what burns.
        </p>
        <app-picker-field label="Pack" [choices]="packs()" [value]="sheet().batteryId" (picked)="setPack($event)" />
        <app-text-field [shape]="byShape" [value]="sheet().by" [optional]="true" (valueChange)="setBy($event)" />
      </div>
    </div>
  `,
  styles: `
    .columns {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(16rem, 20rem);
      gap: var(--space-5);
      align-items: start;
    }
    .groups {
      display: grid;
      gap: var(--space-2);
      padding: 0;
      list-style: none;
    }
    .groups li {
      display: grid;
      grid-template-columns: 5rem 6rem minmax(4rem, 1fr) 8rem;
      gap: var(--space-3);
      align-items: center;
    }
    .bar {
      height: 1.1rem;
      background: var(--bs-tertiary-bg);
      border-radius: var(--radius);
      overflow: hidden;
    }
    .fill {
      display: block;
      height: 100%;
      background: var(--journey-fill);
    }
    .fill.at-caution {
      background: var(--caution);
    }
    .fill.at-stop {
      background: var(--stop);
    }
    .said {
      font-size: 1.05rem;
    }
    .of {
      font-size: var(--type-note);
      color: var(--bs-secondary-color);
    }
    .side {
      display: grid;
      gap: var(--space-2);
    }
    @media (max-width: 900px) {
      .columns {
        grid-template-columns: minmax(0, 1fr);
      }
      .groups li {
        grid-template-columns: 4.5rem 5.5rem 1fr;
      }
      .groups app-verdict-mark {
        grid-column: 2 / -1;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TapsSheet {
  protected readonly saysOf = ({ says }: TapsJudged): string => says.map(sayTap).join(' ');
  readonly id = input.required<string>();
  readonly sheet = input.required<SheetOf<'taps'>>();
  private readonly bench = inject(BenchSheets);
  private readonly router = inject(Router);
  protected readonly byShape = sheetShape.variants.taps.by.of;
  protected readonly words = {
    even: 'Even',
    weak: 'Weak',
    high: 'High',
    deep: 'Too low',
    over: 'Too high',
    reversed: 'Reversed',
    'nothing-there': 'Nothing',
  } as const;
  protected readonly fromMinus = signal(false);
  protected readonly battery = computed(() => {
    const gear = this.bench.gear().get(this.sheet().batteryId);
    return gear?.kind === 'battery' ? gear : undefined;
  });
  protected readonly title = computed(() => {
    const battery = this.battery();
    return battery ? gearTitle(battery) : 'a pack that is gone';
  });
  protected readonly judged = computed(() => {
    const [battery, { volts, loaded }] = [this.battery(), this.sheet()];
    return battery && volts.some((one) => one !== 0) ? judgeTaps(battery.chemistry, volts, loaded) : undefined;
  });
  protected readonly packs = computed(() =>
    this.bench
      .gearEntries()
      .filter(({ body }) => body.kind === 'battery' && !body.archived)
      .map(({ id, body }) => ({ value: id, title: gearTitle(body), group: 'Batteries' })),
  );
  protected readonly acts: readonly PageAct[] = [
    { title: 'Print', icon: 'print', do: () => window.print() },
    { title: 'Delete', icon: 'remove', takesAway: true, do: () => this.remove() },
  ];

  protected readonly say = (volts: number): string => formatQuantity(volts, 'V');

  protected share(volts: number): number {
    return Math.max(0, Math.min(100, (100 * volts) / Math.max(4.4, ...this.sheet().volts)));
  }

  /** At a tap: all groups below it together. */
  protected shownAt(at: number): number | undefined {
    const { volts } = this.sheet();
    const shown = this.fromMinus() ? volts.slice(0, at + 1).reduce((sum, one) => sum + one, 0) : volts[at]!;
    return shown === 0 ? undefined : shown;
  }

  protected setGroup(at: number, reading: MeterReading | undefined): void {
    const { volts } = this.sheet();
    const shown = typeof reading === 'number' ? reading : 0;
    const below = this.fromMinus() ? volts.slice(0, at).reduce((sum, one) => sum + one, 0) : 0;
    const group = Math.min(20, Math.max(-10, Math.round((shown - below) * 1000) / 1000));
    this.change({ volts: volts.map((one, place) => (place === at ? group : one)) }, `group ${at}`);
  }

  protected setPack(batteryId: string): void {
    const battery = this.bench.gear().get(batteryId);
    if (battery?.kind !== 'battery') return;
    const groups = Math.min(MOST_GROUPS, battery.cellsInSeries ?? this.sheet().volts.length);
    this.change({ batteryId, volts: Array.from({ length: groups }, (_, at) => this.sheet().volts[at] ?? 0) }, 'pack');
  }

  protected setBy(by: string | undefined): void {
    this.bench.rememberWho(by);
    this.change({ by }, 'by');
  }

  protected change(changes: Parameters<typeof withChanges<SheetOf<'taps'>>>[1], field: string): void {
    this.bench.edit(this.id(), withChanges(this.sheet(), changes), field);
  }

  protected retire(): void {
    const battery = this.battery();
    if (battery) this.bench.correct(this.sheet().batteryId, withChanges(battery, { away: 'broken' }), 'away');
  }

  private remove(): void {
    this.bench.remove(this.id(), this.sheet());
    void this.router.navigate(['/bench/contacts']);
  }
}
