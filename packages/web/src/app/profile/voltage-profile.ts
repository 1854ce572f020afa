import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, signal, viewChild } from '@angular/core';
import type { ElementRef } from '@angular/core';
import { ownWidth } from '../device/own-width';
import type { Level, Station, Track } from '@viaggio/core/answer';
import { formatQuantity } from '@viaggio/core/units';
import { limitSetter, sayMoment } from '@viaggio/core/words';
import { download, fileName } from '../device/download';
import { QuantityPipe } from '../basics/quantity.pipe';
import { VerdictMark } from '../basics/verdict-mark';
import { drawAt, eventsOf, momentIndex } from './drawing';
import type { DrawnStation, Point } from './drawing';
import { cutTo, LEFT, layoutProfile, trackKey } from './layout';
import type { PlacedStation, Row } from './layout';
import { svgFile } from './svg-file';

/** Steps of the slider over the longest run. */
const STEPS = 240;
/** Narrower than this, lanes take turns. */
const NARROW = 480;
/** A finger that goes so far across turns to the next lane. */
const SWIPE_PX = 40;

interface GatePost {
  readonly edge: 'high' | 'low';
  readonly voltageV: number;
  readonly y: number;
  readonly wallY: number;
  readonly textY: number;
}

/**
 * The journey of a rig's energy as an elevation profile: from left to right the way from source to device, height is
 * voltage. A slider goes through the discharge; each station can be focused for its numbers; the table behind it says
 * the same in words.
 */
@Component({
  selector: 'app-voltage-profile',
  imports: [QuantityPipe, VerdictMark],
  templateUrl: './voltage-profile.html',
  styleUrl: './voltage-profile.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VoltageProfile {
  readonly tracks = input.required<readonly Track[]>();
  /** Of the file that the picture is saved as. */
  readonly name = input('voltage profile');
  protected readonly left = LEFT;
  protected readonly steps = STEPS;
  private readonly picture = viewChild.required<ElementRef<SVGSVGElement>>('picture');
  private readonly frameWidth = ownWidth(640);
  /** Lanes of many that are opened, by their keys. */
  private readonly chosen = signal<ReadonlySet<string> | undefined>(undefined);
  /** Before anybody chose, the one that is worst off. */
  private readonly opened = computed(
    () => this.chosen() ?? new Set([worstOf(this.tracks())].flatMap((track) => (track ? [trackKey(track)] : []))),
  );
  /** Where there is no width for all of them, one lane is shown at a time. */
  protected readonly oneByOne = computed(() => this.frameWidth() < NARROW && this.tracks().length > 1);
  private readonly turned = signal(0);
  protected readonly lane = computed(() => Math.min(this.turned(), this.tracks().length - 1));
  protected readonly shownTracks = computed(() => (this.oneByOne() ? [this.tracks()[this.lane()]!] : this.tracks()));
  protected readonly layout = computed(() => layoutProfile(this.shownTracks(), this.frameWidth(), this.opened()));
  protected readonly hasLow = computed(() => this.layout().rows.some(({ size }) => size !== 'tall'));
  protected readonly events = computed(() => eventsOf(this.layout()));
  protected readonly longestMin = computed(() => Math.max(0, ...this.tracks().map(({ moments }) => moments.at(-1)?.minute ?? 0)));
  /** Where the slider stands, of `STEPS`. It stays there through edits. */
  protected readonly position = signal(0);
  protected readonly minute = computed(() => (this.position() / STEPS) * this.longestMin());
  protected readonly drawn = computed(() => drawAt(this.layout(), this.minute()));
  /** Each source with the charge it is at; one whose run has ended says so. */
  protected readonly charges = computed(() => {
    const seen = new Map<string, { readonly name: string; readonly soc: number; readonly ended: boolean }>();
    for (const track of this.tracks()) {
      const moment = track.moments[momentIndex(track, this.minute())];
      const last = track.moments.at(-1)?.minute ?? 0;
      if (moment && track.stations[0]?.role === 'battery')
        seen.set(track.sourceId, { name: track.stations[0].name, soc: moment.soc, ended: this.minute() > last + 1e-6 });
    }
    return [...seen.values()];
  });
  /** What was reached last at this moment; before anything was, what comes first. */
  protected readonly event = computed(() => this.events().findLast(({ minute }) => minute <= this.minute() + 1e-9) ?? this.events()[0]);
  /** The station that keyboard and pointer are on; it survives edits as long as the station does. */
  private readonly focusedKey = signal<string | undefined>(undefined);
  protected readonly focused = computed(() => this.drawn().findIndex(({ key }) => key === this.focusedKey()));
  protected readonly told = computed(() => this.drawn()[this.focused()]);
  /** One station takes part in the order of tabs; arrows go on from there. */
  protected readonly tabStop = linkedSignal(() => Math.max(0, this.focused()));

  protected readonly path = (points: readonly Point[]): string => points.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ');

  /** Over half of the picture at most: what it hangs on has names too. */
  protected readonly deviceName = (name: string): string => cutTo(name, this.layout().width / 2);

  protected readonly rowOf = ({ row }: PlacedStation): Row => this.layout().rows[row]!;

  /** The ends of a gate's window, each with the wall that shuts out what lies beyond it. */
  protected posts({ placed }: DrawnStation): readonly GatePost[] {
    const { highV, lowV } = placed.station;
    const { top, bottom, size } = this.rowOf(placed);
    const isTall = size === 'tall';
    const at = (voltageV: number): number => this.layout().yOf(placed.row, voltageV);
    return [
      ...(highV === undefined
        ? []
        : [{ edge: 'high', voltageV: highV, y: at(highV), wallY: top + (isTall ? 18 : 15), textY: at(highV) - 3 } as const]),
      ...(lowV === undefined
        ? []
        : [
            {
              edge: 'low',
              voltageV: lowV,
              y: at(lowV),
              wallY: bottom - (isTall ? 16 : size === 'low' ? 20 : 2),
              textY: at(lowV) + 11,
            } as const,
          ]),
    ];
  }

  protected focus(index: number): void {
    const part = this.drawn()[index];
    if (part) this.focusedKey.set(part.key);
  }

  protected toggle({ track }: Row): void {
    const key = trackKey(track);
    const before = this.opened();
    this.chosen.set(before.has(key) ? new Set([...before].filter((one) => one !== key)) : new Set([...before, key]));
  }

  protected openAll(): void {
    this.chosen.set(new Set(this.tracks().map(trackKey)));
  }

  protected turn(by: 1 | -1): void {
    this.turned.set((this.lane() + by + this.tracks().length) % this.tracks().length);
  }

  private touchX: number | undefined;

  protected touch(event: TouchEvent): void {
    this.touchX = event.touches.length === 1 ? event.touches[0]!.clientX : undefined;
  }

  protected lift(event: TouchEvent): void {
    const [from, to] = [this.touchX, event.changedTouches[0]?.clientX];
    this.touchX = undefined;
    if (!this.oneByOne() || from === undefined || to === undefined || Math.abs(to - from) < SWIPE_PX) return;
    this.turn(to < from ? 1 : -1);
  }

  protected slide(position: number): void {
    this.position.set(position);
  }

  protected goTo(minute: number): void {
    // a moment lies between two steps: the later one has reached it
    this.position.set(Math.min(STEPS, Math.ceil((minute / Math.max(this.longestMin(), 1e-9)) * STEPS - 1e-9)));
  }

  /** Right and left along the way, up and down between the tracks. */
  protected step(event: KeyboardEvent, index: number): void {
    if (event.key === 'Enter') {
      this.toggle(this.rowOf(this.layout().placed[index]!));
      return;
    }
    const { placed } = this.layout();
    const here = placed[index]!;
    const next: Partial<Record<string, number>> = {
      ArrowRight: placed.findIndex(({ before }) => before === here),
      ArrowLeft: here.before ? placed.indexOf(here.before) : -1,
      ArrowDown: nearest(placed, here, 1),
      ArrowUp: nearest(placed, here, -1),
      Home: 0,
      End: placed.length - 1,
    };
    const target = next[event.key];
    if (target === undefined) return;
    event.preventDefault();
    if (target < 0) return;
    this.focus(target);
    this.picture().nativeElement.querySelectorAll<SVGGElement>('g.station')[target]?.focus();
  }

  protected save(): void {
    const background = getComputedStyle(document.body).backgroundColor;
    download(fileName(this.name(), 'svg'), svgFile(this.picture().nativeElement, background), 'image/svg+xml');
  }

  protected says({ placed: { station }, moment }: DrawnStation): string {
    return [
      station.name,
      this.range(station),
      this.flow('at the start', station.start),
      this.flow('half way', station.middle),
      this.flow('at the end', station.end),
      station.limit ? `at most ${formatQuantity(station.limit.maxA, 'A')}` : '',
      sayMoment(station, moment),
      `verdict ${station.verdict}`,
    ]
      .filter((part) => part !== '')
      .join('; ');
  }

  protected levelsOf({ placed: { station }, moment }: DrawnStation): readonly { readonly when: string; readonly at: Level | undefined }[] {
    return [
      { when: 'Full', at: station.start },
      { when: 'Half way', at: station.middle },
      { when: 'Empty', at: station.end },
      { when: 'Now', at: moment.level },
    ];
  }

  protected readonly sayMoment = sayMoment;
  protected readonly limitSetter = limitSetter;

  protected range({ kind, highV, lowV }: Station): string {
    const verb = kind === 'device' ? 'accepts' : 'gives';
    if (highV === undefined && lowV === undefined) return `${verb} an unknown range`;
    if (highV === lowV) return `${verb} ${formatQuantity(highV!, 'V')}`;
    const end = (value: number | undefined) => (value === undefined ? 'unknown' : formatQuantity(value, 'V'));
    return kind === 'device' ? `${verb} ${end(lowV)} to ${end(highV)}` : `${verb} ${end(highV)} down to ${end(lowV)}`;
  }

  private flow(when: string, level: Level | undefined): string {
    if (!level) return '';
    const { voltageV, currentA, powerW } = level;
    return `${when} ${formatQuantity(voltageV, 'V')}, ${formatQuantity(currentA, 'A')}, ${formatQuantity(powerW, 'W')}`;
  }
}

const HARM = { stop: 0, unknown: 1, caution: 2, good: 3 } as const;

/** The track whose parts are judged the worst, the first of equals. */
function worstOf(tracks: readonly Track[]): Track | undefined {
  const harm = ({ stations }: Track): number => Math.min(...stations.map(({ verdict }) => HARM[verdict]));
  return [...tracks].sort((a, b) => harm(a) - harm(b))[0];
}

/** The station of the next row up or down that stands nearest below or above. */
function nearest(placed: readonly PlacedStation[], here: PlacedStation, direction: 1 | -1): number {
  const rows = [...new Set(placed.map(({ row }) => row))].filter((row) => (row - here.row) * direction > 0);
  if (rows.length === 0) return -1;
  const row = direction > 0 ? Math.min(...rows) : Math.max(...rows);
  let best = -1;
  placed.forEach((candidate, index) => {
    if (candidate.row === row && (best < 0 || Math.abs(candidate.x0 - here.x0) < Math.abs(placed[best]!.x0 - here.x0))) best = index;
  });
  return best;
}
