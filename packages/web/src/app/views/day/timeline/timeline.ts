import { ChangeDetectionStrategy, Component, DestroyRef, ElementRef, computed, inject, signal } from '@angular/core';
import { minuteOf, STEP_MIN } from '@viaggio/core/day';
import type { Block, CardChange, Swap } from '@viaggio/core/day';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { DaySheet } from '../sheet/day-sheet';
import { ROW, chargerRows, rigRows, scaleOf } from '../../../parts/timeline/timeline-view';
import { moved, nightBefore, wholePlan, workingHours, zoomed } from '../../../parts/timeline/timeline-window';
import { time } from '../../../parts/timeline/say-moment';
import type { Window } from '../../../parts/timeline/timeline-window';
import { ownWidth } from '../../../device/own-width';
import { PressGroup, Pressable } from '../../../basics/press-group';

/** What of a block the pointer holds. */
interface Grip {
  readonly block: Block;
  readonly edge: 'from' | 'to' | 'both';
  readonly startX: number;
  readonly byMin: number;
}

/** A change of battery or card that the pointer holds. */
interface ChangeGrip {
  readonly change: Swap | CardChange;
  readonly startX: number;
  readonly atMin: number;
}

/** Room for names at the left, then the hours. */
const LEFT = 160;
/** Narrower than this the picture scrolls. */
const LEAST_WIDTH = 620;
/** One press nearer or wider. */
const ZOOM = 1.6;
/** Letters of a line of a name. */
const NAME_LENGTH = 24;
const CHARGER_LENGTH = 28;
const HEAD = 24;

/** The day as a picture: rigs with their blocks, batteries' charge under them, chargers below. Blocks and changes can be dragged. */
@Component({
  selector: 'app-timeline',
  imports: [PressGroup, Pressable],
  templateUrl: './timeline.html',
  styleUrl: './timeline.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Timeline {
  protected readonly sheet = inject(DaySheet);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly frameWidth = ownWidth(LEFT + 1030);
  protected readonly width = computed(() => Math.max(LEAST_WIDTH, this.frameWidth() - LEFT));
  protected readonly left = LEFT;
  protected readonly row = ROW;
  private readonly day = computed(() => this.sheet.day()!);
  /** The hours somebody chose; until then those that matter. */
  private readonly chosenHours = signal<Window | undefined>(undefined);
  protected readonly hours = computed(() => this.chosenHours() ?? workingHours(this.day()));
  protected readonly scale = computed(() => scaleOf(this.day(), this.width(), this.hours()));
  protected readonly nightBefore = computed(() => nightBefore(this.day()));
  private readonly clock = signal(Date.now());
  /** Now, where it lies in the hours that are shown. */
  protected readonly nowX = computed(() => {
    const minute = minuteOf(this.day(), this.clock());
    const { fromMin, toMin } = this.hours();
    return minute < fromMin || minute > toMin ? undefined : { x: this.scale().x(minute), label: time(this.day(), minute) };
  });
  private readonly run = computed(() => this.sheet.outlook()?.run);
  private readonly grip = signal<Grip | undefined>(undefined);
  private readonly held = signal<ChangeGrip | undefined>(undefined);
  private readonly costLater = computedLater(
    'compare',
    () => {
      const [grip, world] = [this.held(), this.sheet.asked()];
      return grip && world && grip.atMin !== grip.change.atMin ? { grip, world } : undefined;
    },
    (core, { grip, world }) => core.movedChangeOf(world, grip.change, grip.atMin),
  );
  /** What it costs to let go of the change where it is held now. */
  protected readonly dragged = computed(() => {
    const grip = this.held();
    if (!grip || grip.atMin === grip.change.atMin) return undefined;
    const cost = valueOf(this.costLater());
    return `${time(this.day(), grip.atMin)}: ${cost?.atMin === grip.atMin ? cost.says : '…'}`;
  });

  protected readonly rigs = computed(() => {
    let y = HEAD;
    return rigRows(this.day(), this.run(), this.scale(), this.sheet.gear(), this.sheet.rigs(), this.sheet.chances()).map((row) => {
      const placed = { ...row, y };
      y += ROW.block + ROW.line + row.cardLanes * ROW.card + ROW.gap;
      return placed;
    });
  });
  private readonly rigsEnd = computed(() => {
    const last = this.rigs().at(-1);
    return last ? last.y + ROW.block + ROW.line + last.cardLanes * ROW.card + ROW.gap : HEAD;
  });
  protected readonly chargers = computed(() => {
    let y = this.rigsEnd() + 10;
    return chargerRows(this.day(), this.run(), this.scale(), this.sheet.gear()).map((row) => {
      const placed = { ...row, y };
      y += row.lanes * ROW.lane + 6;
      return placed;
    });
  });
  protected readonly height = computed(() => {
    const last = this.chargers().at(-1);
    return last ? last.y + last.lanes * ROW.lane + 6 : this.rigsEnd();
  });
  /** Whether there is anything of cards to explain. */
  protected readonly withCards = computed(() => (this.day().cards ?? []).length > 0 || (this.run()?.cards.stops.length ?? 0) > 0);

  constructor() {
    const every = setInterval(() => this.clock.set(Date.now()), 30_000);
    inject(DestroyRef).onDestroy(() => clearInterval(every));
  }

  protected show(which: 'work' | 'night' | 'all'): void {
    this.chosenHours.set(which === 'work' ? undefined : which === 'night' ? this.nightBefore() : wholePlan(this.day()));
  }

  protected isShown(which: 'work' | 'night' | 'all'): boolean {
    const shown = this.hours();
    const of = which === 'work' ? workingHours(this.day()) : which === 'night' ? this.nightBefore() : wholePlan(this.day());
    return of?.fromMin === shown.fromMin && of.toMin === shown.toMin;
  }

  protected zoom(by: 1 | -1, aroundMin = (this.hours().fromMin + this.hours().toMin) / 2): void {
    this.chosenHours.set(zoomed(this.hours(), by > 0 ? 1 / ZOOM : ZOOM, aroundMin, this.day()));
  }

  protected pan(by: 1 | -1): void {
    const { fromMin, toMin } = this.hours();
    this.chosenHours.set(moved(this.hours(), (by * (toMin - fromMin)) / 4, this.day()));
  }

  /** With Ctrl, or two fingers drawn apart, nearer and wider around the pointer; sideways, earlier and later. */
  protected wheel(event: WheelEvent): void {
    const sideways = event.shiftKey ? event.deltaY : event.deltaX;
    if (event.ctrlKey) {
      const box = (event.currentTarget as Element).getBoundingClientRect();
      this.zoom(event.deltaY < 0 ? 1 : -1, this.scale().minute(event.clientX - box.left - LEFT));
    } else if (Math.abs(sideways) > Math.abs(event.shiftKey ? 0 : event.deltaY)) {
      const { fromMin, toMin } = this.hours();
      this.chosenHours.set(moved(this.hours(), (sideways / this.width()) * (toMin - fromMin), this.day()));
    } else return;
    event.preventDefault();
  }

  protected shownX(block: Block, x: number): number {
    const grip = this.gripOn(block);
    return grip && grip.edge !== 'to' ? this.scale().x(block.fromMin + grip.byMin) : x;
  }

  protected shownWidth(block: Block, width: number): number {
    const grip = this.gripOn(block);
    if (!grip || grip.edge === 'both') return width;
    const by = grip.edge === 'from' ? -grip.byMin : grip.byMin;
    return Math.max(3, this.scale().x(block.toMin + by) - this.scale().x(block.fromMin));
  }

  private gripOn(block: Block): Grip | undefined {
    const grip = this.grip();
    return grip && (grip.block === block || (this.sheet.chosen().has(block.id) && this.sheet.chosen().has(grip.block.id)))
      ? grip
      : undefined;
  }

  protected down(event: PointerEvent, block: Block): void {
    if (event.button !== 0) return;
    const { chosen } = this.sheet;
    if (event.ctrlKey || event.metaKey || event.shiftKey) {
      const next = new Set(chosen());
      if (!next.delete(block.id)) next.add(block.id);
      chosen.set(next);
      return;
    }
    if (!chosen().has(block.id)) chosen.set(new Set([block.id]));
    const target = event.target as SVGElement;
    target.setPointerCapture(event.pointerId);
    const edge = (target.dataset['edge'] ?? 'both') as Grip['edge'];
    this.grip.set({ block, edge, startX: event.clientX, byMin: 0 });
  }

  protected shownChangeX(change: Swap | CardChange, x: number): number {
    const grip = this.held();
    return grip?.change === change ? this.scale().x(grip.atMin) : x;
  }

  protected downOnChange(event: PointerEvent, change: Swap | CardChange): void {
    if (event.button !== 0) return;
    (event.target as SVGElement).setPointerCapture(event.pointerId);
    this.held.set({ change, startX: event.clientX, atMin: change.atMin });
  }

  /** Arrows try it earlier and later, what it costs is told; Enter leaves it there, Escape where it was. */
  protected keyOnChange(event: KeyboardEvent, change: Swap | CardChange): void {
    const by = { ArrowLeft: -STEP_MIN, ArrowRight: STEP_MIN }[event.key];
    const grip = this.held();
    if (by !== undefined)
      this.held.set({ change, startX: 0, atMin: Math.max(0, (grip?.change === change ? grip.atMin : change.atMin) + by) });
    else if (event.key === 'Enter' || event.key === ' ') this.dropChange();
    else if (event.key === 'Escape') this.leaveChange();
    else return;
    event.preventDefault();
  }

  protected leaveChange(): void {
    this.held.set(undefined);
  }

  protected dropChange(): void {
    const grip = this.held();
    this.held.set(undefined);
    if (!grip || grip.atMin === grip.change.atMin) return;
    if ('cardsId' in grip.change) this.sheet.changeCard(grip.change, { atMin: grip.atMin });
    else this.sheet.changeSwap(grip.change, { atMin: grip.atMin });
  }

  protected move(event: PointerEvent): void {
    const held = this.held();
    if (held) {
      const atMin = Math.max(0, Math.round((held.change.atMin + (event.clientX - held.startX) * this.perPixel()) / STEP_MIN) * STEP_MIN);
      if (atMin !== held.atMin) this.held.set({ ...held, atMin });
      return;
    }
    const grip = this.grip();
    if (!grip) return;
    const byMin = Math.round(((event.clientX - grip.startX) * this.perPixel()) / STEP_MIN) * STEP_MIN;
    if (byMin !== grip.byMin) this.grip.set({ ...grip, byMin });
  }

  /** Minutes. */
  private perPixel(): number {
    const svg = this.host.nativeElement.querySelector('svg')!;
    return (this.scale().toMin - this.scale().fromMin) / (svg.getBoundingClientRect().width * (this.width() / (LEFT + this.width())));
  }

  protected up(): void {
    this.dropChange();
    const grip = this.grip();
    this.grip.set(undefined);
    if (grip && grip.byMin !== 0) this.sheet.shift(grip.edge === 'to' ? 0 : grip.byMin, grip.edge === 'from' ? 0 : grip.byMin);
  }

  /** Arrows move what is chosen; with Shift its end, with Alt its beginning. */
  protected key(event: KeyboardEvent, block: Block): void {
    const by = { ArrowLeft: -STEP_MIN, ArrowRight: STEP_MIN }[event.key];
    if (!this.sheet.chosen().has(block.id)) this.sheet.chosen.set(new Set([block.id]));
    if (by !== undefined) this.sheet.shift(event.shiftKey ? 0 : by, event.altKey ? 0 : by);
    else if (event.key === 'Delete') this.sheet.removeChosen();
    else if (event.key === 'Escape') this.sheet.chosen.set(new Set());
    else if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
  }

  protected short(name: string): string {
    return name.length <= CHARGER_LENGTH ? name : `${name.slice(0, CHARGER_LENGTH - 1)}…`;
  }

  /** A name in at most two lines. */
  protected lines(name: string): readonly string[] {
    if (name.length <= NAME_LENGTH) return [name];
    const at = name.lastIndexOf(' ', NAME_LENGTH);
    const cut = at > 0 ? at : NAME_LENGTH;
    const rest = name.slice(cut).trim();
    return [name.slice(0, cut), rest.length > NAME_LENGTH ? `${rest.slice(0, NAME_LENGTH - 1)}…` : rest];
  }

  protected follow(batteryId: string): void {
    this.sheet.followed.set(this.sheet.followed() === batteryId ? undefined : batteryId);
  }
}
