import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { BLOCK_KINDS, dayShape } from '@viaggio/core';
import type { Block, BlockKind, NumberShape, TextShape } from '@viaggio/core';
import { QuantityField } from '../shared/quantity-field';
import { TextField } from '../shared/text-field';
import { ClockField } from './clock-field';
import { DaySheet } from './day-sheet';
import { percent } from './timeline-view';

const FIELDS = dayShape.fields.blocks.item.fields;

/** What is chosen in the picture: one block with all that can be said of it, or several to be moved together. */
@Component({
  selector: 'app-block-editor',
  imports: [ClockField, QuantityField, TextField],
  template: `
    @if (block(); as one) {
      <section class="panel" aria-label="Block">
        <div class="d-flex align-items-start gap-2">
          <h2 class="fs-6 me-auto mb-1">{{ rigName() }}</h2>
          <button type="button" class="btn-close" aria-label="Close" (click)="sheet.chosen.set(none)"></button>
        </div>
        <div class="pair">
          <div>
            <label class="form-label" for="block-kind">What</label>
            <select class="form-select" id="block-kind" (change)="set({ kind: $any($event.target).value }, 'kind')">
              @for (kind of kinds; track kind[0]) {
                <option [value]="kind[0]" [selected]="kind[0] === one.kind">{{ kind[1] }}</option>
              }
            </select>
          </div>
          <app-text-field [shape]="nameShape" [optional]="true" [value]="one.name" (valueChange)="set({ name: $event }, 'name')" />
          <app-clock-field label="From" [minute]="one.fromMin" (minuteChange)="setFrom($event)" />
          <app-clock-field label="To" [minute]="one.toMin" [after]="one.fromMin" (minuteChange)="setTo($event)" />
          <div>
            <label class="form-label" for="block-place">Place</label>
            <select class="form-select" id="block-place" (change)="set({ placeId: $any($event.target).value || undefined }, 'place')">
              <option value="">not said</option>
              @for (place of sheet.day()?.places ?? []; track place.id) {
                <option [value]="place.id" [selected]="place.id === one.placeId">{{ place.name }}</option>
              }
            </select>
          </div>
          <app-quantity-field
            [shape]="temperatureShape"
            [optional]="true"
            placeholder="as the place"
            [value]="one.temperatureC"
            (valueChange)="set({ temperatureC: $event }, 'temperature')"
          />
          <app-quantity-field
            [shape]="mediaShape"
            [optional]="true"
            [value]="one.mediaMin"
            [hint]="mediaHint()"
            (valueChange)="set({ mediaMin: $event }, 'media')"
          />
        </div>
        <div class="form-check mt-1">
          <input
            class="form-check-input"
            type="checkbox"
            id="block-hard"
            [checked]="one.uninterrupted === true"
            (change)="set({ uninterrupted: $any($event.target).checked || undefined }, 'uninterrupted')"
          />
          <label class="form-check-label" for="block-hard">Must not be interrupted</label>
        </div>
        <p class="small mb-2">{{ outcome() }}</p>
        <button type="button" class="btn btn-sm btn-outline-danger" (click)="sheet.removeChosen()">Delete block</button>
      </section>
    } @else if (count() > 1) {
      <section class="panel" aria-label="Blocks">
        <p class="mb-2">{{ count() }} blocks are chosen. Drag one of them, or use the arrow keys, and all move.</p>
        <button type="button" class="btn btn-sm btn-outline-secondary me-2" (click)="sheet.chosen.set(none)">Choose none</button>
        <button type="button" class="btn btn-sm btn-outline-danger" (click)="sheet.removeChosen()">Delete them</button>
      </section>
    }
  `,
  styles: `
    .panel {
      padding: 0.75rem 1rem;
      margin-bottom: 1rem;
      background: var(--bs-tertiary-bg);
      border-radius: 0.4rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BlockEditor {
  protected readonly sheet = inject(DaySheet);
  protected readonly none: ReadonlySet<string> = new Set();
  protected readonly kinds = Object.entries(BLOCK_KINDS) as readonly (readonly [BlockKind, string])[];
  protected readonly nameShape: TextShape = FIELDS.name.of;
  protected readonly temperatureShape: NumberShape = FIELDS.temperatureC.of;
  protected readonly mediaShape: NumberShape = FIELDS.mediaMin.of;
  protected readonly count = computed(() => this.sheet.chosen().size);
  protected readonly block = computed(() => {
    const [id] = this.sheet.chosen();
    return this.count() === 1 ? this.sheet.day()?.blocks.find((block) => block.id === id) : undefined;
  });
  protected readonly rigName = computed(() => this.sheet.rigs().get(this.block()?.rigId ?? '')?.name ?? 'A rig that is gone');
  protected readonly mediaHint = computed(() => {
    const block = this.block();
    if (block?.mediaMin === undefined || block.kind !== 'record') return '';
    const short = block.toMin - block.fromMin - block.mediaMin;
    return short > 0 ? `Full ${short} min before the block ends: change the card.` : 'Enough for the block.';
  });
  protected readonly outcome = computed(() => {
    const block = this.block();
    if (!block) return '';
    const run = this.sheet.outlook()?.run.blocks.find(({ blockId }) => blockId === block.id);
    const chance = this.sheet.chances()?.blocks.get(block.id);
    const told = [
      run && run.gapMin > 0 ? `${Math.ceil(run.gapMin)} min without power as it stands.` : '',
      run && run.changeMin > 0 ? `${Math.ceil(run.changeMin)} min off for changes of battery.` : '',
      run && run.interruptions > 0 ? 'A change of battery interrupts it.' : '',
      chance === undefined ? '' : `It has power throughout in ${percent(chance)} of runs.`,
    ];
    return told.filter((one) => one !== '').join(' ');
  });

  protected set(changes: Partial<{ [K in keyof Block]: Block[K] | undefined }>, field: string): void {
    this.sheet.changeBlock(this.block()!.id, changes, field);
  }

  /** The block keeps its length when its beginning is typed. */
  protected setFrom(fromMin: number): void {
    const { fromMin: before, toMin } = this.block()!;
    this.set({ fromMin, toMin: toMin + fromMin - before }, 'from');
  }

  /** An end before the beginning is meant for the day after. */
  protected setTo(toMin: number): void {
    const { fromMin } = this.block()!;
    this.set({ toMin: toMin <= fromMin ? toMin + 24 * 60 : toMin }, 'to');
  }
}
