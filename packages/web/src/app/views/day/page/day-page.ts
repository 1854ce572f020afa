import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { counted } from '../../../basics/counted';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { blockTitle, dayAfter, USUAL_CARD_CHANGE_MIN, USUAL_COOLING_MIN } from '@viaggio/core/day';
import type { Day } from '@viaggio/core/day';
import { gearTitle } from '@viaggio/core/gear';
import { formatDate, formatQuantity } from '@viaggio/core/units';
import { sayNobody } from '@viaggio/core/words';
import { Prints } from '../../../parts/prints';
import { PageMenu } from '../../../basics/page-menu';
import type { PageAct } from '../../../basics/page-menu';
import { VerdictMark } from '../../../basics/verdict-mark';
import { Items } from '../../../state/items.actions';
import { selectLoading, selectTrips } from '../../../state/items.selectors';
import { Agenda } from './agenda';
import { BlockEditor } from '../blocks/block-editor';
import { CardMoves } from '../planning/card-moves';
import { ChargingView } from '../charging/charging-view';
import { DayBefore } from '../setup/day-before';
import { DayFiles } from './day-files';
import { DaySetup } from '../setup/day-setup';
import { DayPrint } from './day-print';
import { troubleOf } from './block-trouble';
import { DaySheet } from '../sheet/day-sheet';
import { FollowedBattery } from '../timeline/followed-battery';
import { GaugesView } from '../charging/gauges-view';
import { Moves } from '../planning/moves';
import { PlanPanel } from '../planning/plan-panel';
import { ApproachesPanel } from '../planning/approaches-panel';
import { Timeline } from '../timeline/timeline';
import { percent, time } from '../../../parts/timeline/say-moment';
import { WhatIfPanel } from '../planning/what-if-panel';
import { CopyToOwn } from '../../../parts/copy-to-own';

/** What is at risk in one rig for one cause, said once for all the blocks that it is in. */
interface Risk {
  readonly is: 'stop' | 'caution';
  readonly rigId: string;
  readonly rig: string;
  readonly cause: string;
  readonly each: readonly { readonly blockId: string; readonly block: string; readonly says: string }[];
}

/** A figure of the band under the day's name. */
interface DayFigure {
  readonly figure: string;
  readonly about: string;
  readonly verdict?: 'good' | 'stop' | 'caution';
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
    PageMenu,
    PlanPanel,
    RouterLink,
    ApproachesPanel,
    Timeline,
    WhatIfPanel,
    DayPrint,
    VerdictMark,
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
  private readonly prints = inject(Prints);
  private readonly trips = this.store.selectSignal(selectTrips);
  protected readonly loading = this.store.selectSignal(selectLoading);
  protected readonly setUp = signal(false);
  protected readonly rigs = computed(() =>
    (this.sheet.day()?.rigIds ?? []).map((id) => ({ id, name: this.sheet.rigs().get(id)?.name ?? 'A rig that is gone' })),
  );

  /** Worst first: what has no power, is interrupted, may not last; grouped by rig and cause. */
  protected readonly risks = computed((): readonly Risk[] => {
    const groups = new Map<string, Risk>();
    for (const { block, is, cause, says } of this.found()) {
      const key = `${block.rigId} ${cause}`;
      const before = groups.get(key);
      const each = [...(before?.each ?? []), { blockId: block.id, block: blockTitle(block, this.sheet.day()!), says }];
      groups.set(key, { is, rigId: block.rigId, rig: this.sheet.rigs().get(block.rigId)?.name ?? '?', cause, each });
    }
    return [...groups.values()].sort((a, b) => Number(a.is === 'caution') - Number(b.is === 'caution'));
  });

  private readonly found = computed(() => {
    const [day, outlook] = [this.sheet.day(), this.sheet.outlook()];
    if (!day || !outlook) return [];
    const chances = this.sheet.chances()?.blocks;
    const wanted = day.chance ?? 0.95;
    const device = (id: string): string => this.sheet.gear().get(id)?.name ?? 'A device';
    return day.blocks.flatMap((block) => troubleOf(block, { day, run: outlook.run, device, wanted, chance: chances?.get(block.id) }) ?? []);
  });

  /** The day in a few figures: does it work, how sure, how much work it is, what is left. */
  protected readonly figures = computed((): readonly DayFigure[] | undefined => {
    const [day, outlook, chances] = [this.sheet.day(), this.sheet.outlook(), this.sheet.chances()];
    if (!day || !outlook || day.blocks.length === 0) return undefined;
    const { run } = outlook;
    const dark = run.blocks.filter(({ gapMin }) => gapMin > 0).length;
    const used = new Set([...run.stays.map(({ batteryId }) => batteryId)]);
    const there = new Set([...(day.batteries ?? []).map(({ gearId }) => gearId), ...used]);
    const rest = [...there].filter((id) => !used.has(id));
    const changes = (day.swaps ?? []).length;
    const during = run.gaps.filter(({ why }) => why === 'change').length;
    return [
      dark > 0
        ? { figure: `${dark} of ${day.blocks.length}`, about: dark === 1 ? 'block without power' : 'blocks without power', verdict: 'stop' }
        : { figure: 'Powered', about: 'every block', verdict: 'good' },
      ...(chances ? [sureness(chances.all, day.chance ?? 0.95)] : []),
      { figure: counted(changes, 'change'), about: during === 0 ? 'none with a cut' : `${during} with a cut` },
      { figure: `${used.size} of ${there.size}`, about: 'batteries used' },
      {
        figure:
          rest.length === 0
            ? 'none'
            : rest
                .slice(0, 3)
                .map((id) => this.tagOf(id))
                .join(', ') + (rest.length > 3 ? ` + ${rest.length - 3}` : ''),
        about: 'left over as spares',
      },
      ...((day.cardChanges ?? []).length > 0 ? [{ figure: counted(day.cardChanges!.length, 'card'), about: 'to change' }] : []),
    ];
  });

  protected readonly when = computed(() => {
    const day = this.sheet.day();
    if (!day) return '';
    const cold = day.temperatureC === undefined ? '' : ` · ${formatQuantity(day.temperatureC, 'C')}`;
    return `${formatDate(day.date)}${day.days > 1 ? `, ${day.days} days` : ''}${cold}`;
  });

  private readonly copies = inject(CopyToOwn);
  protected readonly acts = computed((): readonly PageAct[] => [
    ...this.copies.acts(
      'days',
      () => this.id(),
      () => `/days/${this.id()}`,
    ),
    { title: 'Copy day', icon: 'copy', do: () => this.copy() },
    {
      title: 'The day after',
      icon: 'next',
      do: () => this.goOn(),
      notNow: this.sheet.outlook() ? undefined : 'It is still being worked out.',
    },
    { title: 'Power sheet for the crew (PDF)', icon: 'print', do: () => void this.prints.ofDay(this.id(), this.trips()) },
    { title: 'Print', icon: 'print', do: () => window.print() },
    { title: 'Delete', icon: 'remove', takesAway: true, do: () => this.remove() },
  ]);

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
  private copy(): void {
    const day = this.sheet.day()!;
    const blocks = day.blocks.map((block) => ({ ...block, id: crypto.randomUUID() }));
    this.open({ ...day, name: `${day.name}, copy`.slice(0, 120), blocks }, `“${day.name}” is copied`);
  }

  /** What follows on this plan, with its batteries as it leaves them. */
  private goOn(): void {
    const [day, outlook] = [this.sheet.day()!, this.sheet.outlook()!];
    this.open(dayAfter(this.id(), day, outlook.run, new Set(this.sheet.gear().keys())), `The day after “${day.name}” is made`);
  }

  private open(after: Day, title: string): void {
    const id = crypto.randomUUID();
    this.store.dispatch(
      Items.change({ step: { changes: [{ kind: 'days', id, after }], field: 'new-day', at: Date.now(), title }, open: id }),
    );
  }

  private remove(): void {
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

  /** Opens a block beside the picture. */
  protected choose(blockId: string): void {
    this.sheet.chosen.set(new Set([blockId]));
  }

  protected makeItWork(): void {
    void this.sheet.look('swaps');
    document.querySelector('app-plan-panel')?.scrollIntoView({ block: 'nearest' });
  }

  private tagOf(id: string): string {
    const gear = this.sheet.gear().get(id);
    return gear?.tag ?? gear?.name ?? '?';
  }
}

function sureness(all: number, wanted: number): DayFigure {
  const about = `of days it all lasts, ${percent(wanted)} asked`;
  return { figure: percent(all), about, verdict: all < wanted ? 'caution' : 'good' };
}
