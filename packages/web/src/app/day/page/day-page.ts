import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { USUAL_CARD_CHANGE_MIN, USUAL_COOLING_MIN, blockTitle, dayAfter, gearTitle, sayNobody, sayUnrecorded } from '@viaggio/core';
import type { Day } from '@viaggio/core';
import { Items } from '../../state/items.actions';
import { selectLoading } from '../../state/items.selectors';
import { Agenda } from './agenda';
import { BlockEditor } from '../timeline/block-editor';
import { CardMoves } from '../planning/card-moves';
import { ChargingView } from '../charging/charging-view';
import { DayBefore } from '../setup/day-before';
import { DayFiles } from './day-files';
import { DaySetup } from '../setup/day-setup';
import { DayPrint } from './day-print';
import { DaySheet } from './day-sheet';
import { FollowedBattery } from '../timeline/followed-battery';
import { GaugesView } from '../charging/gauges-view';
import { Moves } from '../planning/moves';
import { PlanPanel } from '../planning/plan-panel';
import { ApproachesPanel } from '../planning/approaches-panel';
import { Timeline } from '../timeline/timeline';
import { percent, time } from '../timeline/timeline-view';
import { WhatIfPanel } from '../planning/what-if-panel';

interface Risk {
  readonly is: 'stop' | 'caution';
  readonly says: string;
}

/** One day: the picture, what is at risk, the plan, what goes where, what is charged when, and what is there. */
@Component({
  selector: 'app-day-page',
  imports: [
    Agenda,
    BlockEditor,
    CardMoves,
    ChargingView,
    DayBefore,
    DayFiles,
    DaySetup,
    FollowedBattery,
    GaugesView,
    Moves,
    PlanPanel,
    RouterLink,
    ApproachesPanel,
    Timeline,
    WhatIfPanel,
    DayPrint,
  ],
  providers: [DaySheet],
  templateUrl: './day-page.html',
  styleUrl: './day-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayPage {
  /** From the address. */
  readonly id = input.required<string>();
  protected readonly sheet = inject(DaySheet);
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  protected readonly loading = this.store.selectSignal(selectLoading);
  protected readonly setUp = signal(false);
  protected readonly rigs = computed(() =>
    (this.sheet.day()?.rigIds ?? []).map((id) => ({ id, name: this.sheet.rigs().get(id)?.name ?? 'A rig that is gone' })),
  );

  /** Worst first: what has no power, what is interrupted, what may not last. */
  protected readonly risks = computed(() => {
    const [day, outlook] = [this.sheet.day(), this.sheet.outlook()];
    if (!day || !outlook) return [];
    const chances = this.sheet.chances()?.blocks;
    const wanted = day.chance ?? 0.95;
    return day.blocks
      .flatMap((block): readonly Risk[] => {
        const run = outlook.run.blocks.find(({ blockId }) => blockId === block.id);
        const name = `${this.sheet.rigs().get(block.rigId)?.name ?? '?'}, ${blockTitle(block, day)}`;
        const gap = outlook.run.gaps.find(({ blockId, why }) => blockId === block.id && why !== 'change');
        const chance = chances?.get(block.id);
        const stop = outlook.run.cards.stops.find(({ blockId }) => blockId === block.id);
        const takeEnd = outlook.run.cards.takeEnds.find(({ blockId }) => blockId === block.id);
        if (run && run.interruptions > 0 && run.changeMin > 0 && !gap)
          return [{ is: 'stop', says: `${name}: off for ${Math.ceil(run.changeMin)} min while a battery is changed, and it must not be interrupted.` }]; // prettier-ignore
        if (gap)
          return [
            {
              is: 'stop',
              says: `${name}: ${gap.says} From ${time(day, gap.fromMin)}, ${Math.ceil(run?.gapMin ?? 0)} min in all.`,
            },
          ];
        if (stop)
          return [
            {
              is: block.uninterrupted ? 'stop' : 'caution',
              says: `${name}: ${sayUnrecorded(this.sheet.gear().get(stop.deviceId)?.name ?? 'A device', stop.why)} From ${time(day, stop.fromMin)}, ${Math.ceil((run?.unrecordedMin ?? 0) - 1e-6)} min not recorded in all.`,
            },
          ];
        if (takeEnd && block.uninterrupted)
          return [
            {
              is: 'stop',
              says: `${name}: ${this.sheet.gear().get(takeEnd.deviceId)?.name ?? 'a device'} comes to its longest take at ${time(day, takeEnd.atMin)}, and it must not be interrupted. Begin a new take just before it, or record on something else too.`,
            },
          ];
        if (chance !== undefined && chance < wanted)
          return [{ is: 'caution', says: `${name}: lasts in ${percent(chance)} of runs; ${percent(wanted)} are asked for.` }];
        return [];
      })
      .sort((a, b) => Number(a.is === 'caution') - Number(b.is === 'caution'));
  });

  /** What cannot be done because nobody is there. */
  protected readonly alone = computed(() => {
    const [day, run] = [this.sheet.day(), this.sheet.outlook()?.run];
    const name = (id: string): string => {
      const gear = this.sheet.gear().get(id);
      return gear ? gearTitle(gear) : (this.sheet.rigs().get(id)?.name ?? '?');
    };
    return (run?.nobodyThere ?? []).map((lonely) => {
      const place = day?.places?.find(({ id }) => id === lonely.placeId)?.name;
      const what = lonely.move === 'card' ? day?.cards?.find(({ id }) => id === lonely.cardsId)?.deviceId : lonely.batteryId;
      return `${time(day!, lonely.atMin)}: ${sayNobody(lonely.move, name(what ?? ''), name(lonely.whereId), place)}`;
    });
  });

  protected readonly sure = computed(() => {
    const chances = this.sheet.chances();
    return chances && `All of it lasts in ${percent(chances.all)} of ${chances.runs} runs.`;
  });

  protected readonly needed = computed(() => {
    const day = this.sheet.day();
    const missing = (day?.blocks ?? []).some((block) => block.placeId === undefined && this.needsOutlet(block.rigId));
    return missing ? 'A rig that needs an outlet has blocks without a place: there it is taken to have one.' : undefined;
  });

  /** What is not entered, and what was taken for it. */
  protected readonly assumed = computed(() => {
    const ids = this.sheet.outlook()?.run.takenAsFull ?? [];
    const names = ids.map((id) => gearTitle(this.sheet.gear().get(id)!)).join(', ');
    const cold =
      this.sheet.day()?.temperatureC === undefined ? 'Where no temperature is entered, the rig’s own temperature counts, else 25 °C.' : '';
    const [run, lots] = [this.sheet.outlook()?.run.cards, this.sheet.day()?.cards ?? []];
    const card =
      run?.changes.some(({ takesMin }) => takesMin > 0) && lots.some(({ changeMin }) => changeMin === undefined)
        ? `A change of card is taken to cost ${USUAL_CARD_CHANGE_MIN} min where that is not entered.`
        : '';
    const heat = run?.stops.some(({ why }) => why === 'too-hot')
      ? `Where it is not entered how long a device cools, ${USUAL_COOLING_MIN} min count.`
      : '';
    return `${names === '' ? '' : `Taken as full at the start, no charge being entered: ${names}.`} ${cold} ${card} ${heat}`.trim();
  });

  protected readonly lost = computed(() => {
    const day = this.sheet.day();
    return (day?.lost ?? []).map(({ gearId, atMin }) => {
      const gear = this.sheet.gear().get(gearId);
      return { gearId, says: `${gear ? gearTitle(gear) : 'Something'} is broken or gone from ${time(day!, atMin)} on.` };
    });
  });

  constructor() {
    effect(() => this.sheet.id.set(this.id()));
    // a new day begins with what is there, which then stays open
    effect(() => {
      if (this.sheet.day()?.rigIds.length === 0) this.setUp.set(true);
    });
  }

  private needsOutlet(rigId: string): boolean {
    return (
      this.sheet
        .rigs()
        .get(rigId)
        ?.links.some(({ from }) => this.sheet.gear().get(from.gearId)?.kind === 'supply') ?? false
    );
  }

  protected backAgain(gearId: string): void {
    const lost = (this.sheet.day()?.lost ?? []).filter((one) => one.gearId !== gearId);
    this.sheet.change({ lost: lost.length > 0 ? lost : undefined }, `back ${gearId}`);
  }

  /** The same plan a week later, or whenever its date is then set to. */
  protected copy(): void {
    const day = this.sheet.day()!;
    const blocks = day.blocks.map((block) => ({ ...block, id: crypto.randomUUID() }));
    this.open({ ...day, name: `${day.name}, copy`.slice(0, 120), blocks }, `“${day.name}” is copied`);
  }

  /** What follows on this plan, with its batteries as it leaves them. */
  protected goOn(): void {
    const [day, outlook] = [this.sheet.day()!, this.sheet.outlook()!];
    this.open(dayAfter(this.id(), day, outlook.run, new Set(this.sheet.gear().keys())), `The day after “${day.name}” is made`);
  }

  private open(after: Day, title: string): void {
    const id = crypto.randomUUID();
    this.store.dispatch(
      Items.change({ step: { changes: [{ kind: 'days', id, after }], field: 'new-day', at: Date.now(), title }, open: id }),
    );
  }

  protected remove(): void {
    const day = this.sheet.day()!;
    this.store.dispatch(
      Items.change({
        step: {
          changes: [{ kind: 'days', id: this.id(), before: day }],
          field: 'delete',
          at: Date.now(),
          title: `“${day.name}” is deleted`,
        },
      }),
    );
    void this.router.navigate(['/days']);
  }

  protected print(): void {
    window.print();
  }
}
