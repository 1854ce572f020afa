import { blockTitle } from '@viaggio/core/day';
import type { Mishap } from '@viaggio/core/day';
import { gearIdsOf, gearTitle } from '@viaggio/core/gear';
import type { NumberShape } from '@viaggio/core/units';
import { sayGap } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { PickerField } from '../../../fields/picker-field';
import type { Choice } from '../../../fields/picker-field';
import { QuantityField } from '../../../fields/quantity-field';
import { MomentField } from '../sheet/moment-field';
import { DaySheet } from '../sheet/day-sheet';
import { time } from '../../../parts/timeline/say-moment';
import { SelectField } from '../../../fields/select-field';

type Kind = Mishap['kind'];
const KINDS: readonly (readonly [Kind, string])[] = [
  ['lost', 'something breaks or is gone'],
  ['colder', 'it is colder'],
  ['over', 'the day runs over'],
];
const COLDER: NumberShape = { kind: 'number', title: 'Degrees colder', unit: 'count', min: 1, max: 40, aboveMin: false, integer: false };
const OVER: NumberShape = { kind: 'number', title: 'Longer by', unit: 'min', min: 5, max: 720, aboveMin: false, integer: false };

/** “What if”: the day as it is planned, tried against one mishap; what is lost then, and the plan from that moment on. */
@Component({
  selector: 'app-what-if-panel',
  imports: [PickerField, MomentField, QuantityField, SelectField],
  template: `
    <section aria-label="What if">
      <h2 class="fs-5">What if …</h2>
      <div class="pair acts">
        <div>
          <app-select-field label="This happens" [choices]="kinds" [value]="kind()" (picked)="pick($event)" />
        </div>
        @switch (kind()) {
          @case ('lost') {
            <app-picker-field label="Which" [choices]="choices()" [value]="gearId()" (picked)="gearId.set($event)" />
            <app-moment-field label="At" [minute]="atMin()" (minuteChange)="chosenMin.set($event)" />
          }
          @case ('colder') {
            <app-quantity-field [shape]="colder" [value]="byC()" (valueChange)="byC.set($event ?? byC())" />
          }
          @case ('over') {
            <app-quantity-field [shape]="over" [value]="byMin()" (valueChange)="byMin.set($event ?? byMin())" />
          }
        }
      </div>
      <div class="d-flex flex-wrap gap-2 my-2 acts">
        <button type="button" class="btn btn-sm btn-outline-secondary" [disabled]="wanted() === undefined" (click)="tryIt()">
          See what is lost
        </button>
        @if (sheet.mishap()) {
          <button type="button" class="btn btn-sm btn-outline-secondary" (click)="putAway()">Dismiss</button>
        }
      </div>
      @if (sheet.mishap()) {
        @if (sheet.triedOutlook() === undefined) {
          <p role="status">Working it out …</p>
        } @else {
          @for (one of lost(); track one) {
            <p class="mb-1 verdict-stop">■ {{ one }}</p>
          } @empty {
            <p class="mb-1 verdict-good">● Nothing more is lost: the plan holds as it is.</p>
          }
          @if (lost().length > 0) {
            <p class="small text-body-secondary">“Plan from then on”, above, looks for the new plan; what lies before stays.</p>
          }
        }
      }
    </section>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhatIfPanel {
  protected readonly sheet = inject(DaySheet);
  protected readonly kinds = KINDS;
  protected readonly colder = COLDER;
  protected readonly over = OVER;
  protected readonly kind = signal<Kind>('lost');
  protected readonly gearId = signal<string | undefined>(undefined);
  protected readonly chosenMin = signal<number | undefined>(undefined);
  protected readonly byC = signal(10);
  protected readonly byMin = signal(120);

  /** In the middle of what is recorded, until somebody says when. */
  protected readonly atMin = computed(() => {
    const blocks = (this.sheet.day()?.blocks ?? []).filter(({ kind }) => kind === 'record');
    const starts = blocks.map(({ fromMin }) => fromMin).sort((a, b) => a - b);
    return this.chosenMin() ?? starts[starts.length >> 1] ?? 0;
  });

  protected readonly choices = computed((): readonly Choice[] => {
    const day = this.sheet.day();
    if (!day) return [];
    const gear = this.sheet.gear();
    const choice =
      (group: string) =>
      (id: string): Choice => ({ value: id, title: gear.has(id) ? gearTitle(gear.get(id)!) : id, group });
    const parts = [
      ...new Set(day.rigIds.flatMap((rigId) => (this.sheet.rigs().has(rigId) ? gearIdsOf(this.sheet.rigs().get(rigId)!) : []))),
    ];
    const isBattery = (id: string): boolean => gear.get(id)?.kind === 'battery';
    const batteries = [...new Set([...parts.filter(isBattery), ...(day.batteries ?? []).map(({ gearId }) => gearId)])];
    return [
      ...batteries.map(choice('Batteries')),
      ...(day.chargers ?? []).map(({ gearId }) => choice('Chargers')(gearId)),
      ...parts.filter((id) => !isBattery(id)).map(choice('Parts of the rigs')),
    ];
  });

  protected readonly wanted = computed((): Mishap | undefined => {
    switch (this.kind()) {
      case 'lost': {
        const gearId = this.gearId();
        return gearId === undefined || gearId === '' ? undefined : { kind: 'lost', gearId, atMin: this.atMin() };
      }
      case 'colder':
        return { kind: 'colder', byC: this.byC() };
      case 'over':
        return { kind: 'over', byMin: this.byMin() };
    }
  });

  /** What has more of a gap than without it. */
  protected readonly lost = computed((): readonly string[] => {
    const [day, now, then] = [this.sheet.day(), this.sheet.outlook()?.run, this.sheet.triedOutlook()?.run];
    if (!day || !now || !then) return [];
    return then.blocks.flatMap(({ blockId, gapMin }) => {
      const before = now.blocks.find((one) => one.blockId === blockId)?.gapMin ?? 0;
      const block = day.blocks.find(({ id }) => id === blockId);
      const gap = then.gaps.find((one) => one.blockId === blockId && one.why !== 'change');
      if (!block || !gap || gapMin <= before + 0.5) return [];
      const rig = this.sheet.rigs().get(block.rigId)?.name ?? '?';
      return [
        `${rig}, ${blockTitle(block, day)}: ${Math.ceil(gapMin - before)} min more without power, from ${time(day, gap.fromMin)}. ${sayGap(gap.says)}`,
      ];
    });
  });

  protected pick(kind: Kind): void {
    this.kind.set(kind);
  }

  protected tryIt(): void {
    this.sheet.search.set({ is: 'idle' });
    this.sheet.mishap.set(this.wanted());
  }

  protected putAway(): void {
    this.sheet.mishap.set(undefined);
    this.sheet.search.set({ is: 'idle' });
  }
}
