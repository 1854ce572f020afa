import { ChangeDetectionStrategy, Component, DestroyRef, ElementRef, computed, inject, input, signal } from '@angular/core';
import { formatQuantity } from '@viaggio/core';
import type { Level, Station } from '@viaggio/core';
import { QuantityPipe } from '../shared/quantity.pipe';
import { VerdictMark } from '../shared/verdict-mark';
import { layoutProfile } from './layout';
import type { Placed, Point } from './layout';

const HEIGHT = 250;

/**
 * The journey of a rig's energy as an elevation profile: from left to right the way from battery to device, height is
 * voltage. Each station can be focused for its numbers; the table behind it says the same in words.
 */
@Component({
  selector: 'app-voltage-profile',
  imports: [QuantityPipe, VerdictMark],
  templateUrl: './voltage-profile.html',
  styleUrl: './voltage-profile.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VoltageProfile {
  readonly stations = input.required<readonly Station[]>();
  /** The stations of all lanes that are shown together: they share one height of volts. */
  readonly scaledBy = input<readonly Station[]>();

  private readonly width = signal(640);
  protected readonly layout = computed(() => layoutProfile(this.stations(), this.width(), HEIGHT, this.scaledBy()));
  protected readonly focused = signal<number | undefined>(undefined);
  protected readonly told = computed(() => {
    const index = this.focused();
    return index === undefined ? undefined : this.stations()[index];
  });

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    if (typeof ResizeObserver === 'undefined') return;
    const observer = new ResizeObserver(
      ([entry]) => entry && entry.contentRect.width > 0 && this.width.set(Math.round(entry.contentRect.width)),
    );
    observer.observe(host);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }

  protected readonly path = (points: readonly Point[]): string => points.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ');

  /** Names are cut to the width they have; the table and the focused station show them whole. */
  protected short({ station, x0, x1 }: Placed): string {
    const room = Math.max(3, Math.floor((x1 - x0) / 6.6));
    return station.name.length <= room ? station.name : `${station.name.slice(0, room - 1)}…`;
  }

  protected says(station: Station): string {
    const range = this.range(station);
    return [
      station.name,
      range,
      this.flow('at the start', station.start),
      this.flow('at the end', station.end),
      `verdict ${station.verdict}`,
    ]
      .filter((part) => part !== '')
      .join('; ');
  }

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
