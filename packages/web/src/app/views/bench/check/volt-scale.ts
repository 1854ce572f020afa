import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Verdict } from '@viaggio/core/answer';
import type { CheckStep, MeterReading } from '@viaggio/core/bench';
import { formatQuantity } from '@viaggio/core/units';

const [TOP, BOTTOM] = [14, 196];
const ROOM = 0.15;
/** Words keep so much apart. */
const LINE = 15;

interface Word {
  readonly y: number;
  readonly at: number;
  readonly text: string;
  readonly is: 'expected' | 'takes' | 'read';
}

/** Volts upwards: what is expected, what the next part takes, what was read. Below zero is a place of its own. */
@Component({
  selector: 'app-volt-scale',
  template: `
    <svg viewBox="0 0 250 210" role="img" [attr.aria-label]="says()">
      <line class="axis" x1="46" x2="46" [attr.y1]="top" [attr.y2]="bottom" />
      @for (tick of ticks(); track tick.volts) {
        <line class="axis" x1="40" x2="46" [attr.y1]="tick.y" [attr.y2]="tick.y" />
        <text x="34" [attr.y]="tick.y + 4" text-anchor="end">{{ tick.text }}</text>
      }
      @if (takes(); as band) {
        <rect class="takes" x="46" width="14" [attr.y]="band.y" [attr.height]="band.height" />
      }
      @if (expected(); as band) {
        <rect class="expected" x="46" width="34" [attr.y]="band.y" [attr.height]="band.height" />
      }
      @if (readY(); as y) {
        <path [attr.class]="'read verdict-' + verdict()" [attr.d]="'M48 ' + y + 'l12-6v12z'" />
      }
      @for (word of words(); track word.is) {
        <line class="to" x1="82" x2="90" [attr.y1]="word.at" [attr.y2]="word.y" />
        <text x="94" [attr.y]="word.y + 4" [attr.class]="word.is === 'read' ? 'strong verdict-' + verdict() : word.is">
          {{ word.text }}
        </text>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      width: 100%;
      max-height: 15rem;
    }
    text {
      fill: var(--bs-body-color);
      font-size: 12px;
      font-variant-numeric: tabular-nums;
    }
    .axis {
      stroke: var(--chart-ink);
      stroke-width: 1.5;
    }
    .to {
      stroke: var(--chart-mark);
    }
    rect.takes {
      fill: var(--chart-band);
      opacity: 0.5;
    }
    rect.expected {
      fill: var(--journey-fill);
    }
    text.expected,
    text.strong {
      font-weight: 600;
    }
    text.takes {
      fill: var(--bs-secondary-color);
    }
    .read,
    text.strong {
      fill: currentcolor;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VoltScale {
  readonly step = input.required<CheckStep>();
  readonly reading = input<MeterReading | undefined>();
  readonly verdict = input<Verdict>('unknown');
  protected readonly top = TOP;
  protected readonly bottom = BOTTOM;
  private readonly span = computed(() => {
    const { minV, maxV, next } = this.step();
    const reading = this.reading();
    const shown = [0, minV, maxV, next.minV, next.maxV, typeof reading === 'number' ? reading : undefined].filter(
      (one) => one !== undefined,
    );
    const [low, high] = [Math.min(...shown), Math.max(...shown, 1)];
    const room = ROOM * (high - low);
    return { low: low < 0 ? low - room : 0, high: high + room };
  });
  protected readonly ticks = computed(() => {
    const { low, high } = this.span();
    const step = [0.5, 1, 2, 5, 10, 20, 50, 100].find((one) => (high - low) / one <= 7) ?? 200;
    const first = Math.ceil(low / step) * step;
    return Array.from({ length: Math.floor((high - first) / step) + 1 }, (_, index) => {
      const volts = first + index * step;
      return { volts, y: this.y(volts), text: `${volts}` };
    });
  });
  protected readonly expected = computed(() => this.band(this.step().minV, this.step().maxV));
  protected readonly takes = computed(() => this.band(this.step().next.minV, this.step().next.maxV));
  protected readonly readY = computed(() => {
    const reading = this.reading();
    return typeof reading === 'number' ? this.y(reading) : undefined;
  });
  protected readonly words = computed((): readonly Word[] => {
    const { minV, maxV, next } = this.step();
    const say = (from: number, to: number): string => `${formatQuantity(from, 'V').replace(/\sV$/, '')} to ${formatQuantity(to, 'V')}`;
    const reading = this.reading();
    const words: Word[] = [];
    const put = (volts: number, text: string, is: Word['is']): void => void words.push({ at: this.y(volts), y: this.y(volts), text, is });
    if (minV !== undefined && maxV !== undefined) put((minV + maxV) / 2, `expected ${say(minV, maxV)}`, 'expected');
    if (next.minV !== undefined && next.maxV !== undefined) put(next.minV, `takes ${say(next.minV, next.maxV)}`, 'takes');
    if (typeof reading === 'number') put(reading, `read ${formatQuantity(reading, 'V')}`, 'read');
    return apart(words);
  });
  protected readonly says = computed(
    () =>
      this.words()
        .map(({ text }) => text)
        .join(', ') || 'Volts, with nothing to compare',
  );

  private y(volts: number): number {
    const { low, high } = this.span();
    return BOTTOM - ((volts - low) / (high - low)) * (BOTTOM - TOP);
  }

  private band(from: number | undefined, to: number | undefined): { readonly y: number; readonly height: number } | undefined {
    return from === undefined || to === undefined ? undefined : { y: this.y(to), height: Math.max(2, this.y(from) - this.y(to)) };
  }
}

/** From the top down, each at least a line below the one before it; pushed up again where they would leave the picture. */
function apart(words: readonly Word[]): readonly Word[] {
  const placed: Word[] = [];
  for (const word of [...words].sort((a, b) => a.y - b.y)) {
    const above = placed.at(-1);
    placed.push(above && word.y < above.y + LINE ? { ...word, y: above.y + LINE } : word);
  }
  const over = Math.max(0, (placed.at(-1)?.y ?? 0) - BOTTOM);
  return placed.map((word) => ({ ...word, y: word.y - over }));
}
