import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { BLOCK_KINDS, dayShape, QUIET_KINDS, temperatureIn } from '@viaggio/core/day';
import type { Block, BlockKind, OwnKind } from '@viaggio/core/day';
import { formatNumber, withChanges } from '@viaggio/core/units';
import type { Changes, NumberShape, TextShape } from '@viaggio/core/units';
import { QuantityField } from '../../../fields/quantity-field';
import { TextField } from '../../../fields/text-field';
import { BlockModes } from './block-modes';
import { MomentField } from '../sheet/moment-field';
import { DaySheet } from '../sheet/day-sheet';
import { RepeatBlocks } from './repeat-blocks';
import { percent } from '../../../parts/timeline/say-moment';
import { SelectField } from '../../../fields/select-field';
import { CheckField } from '../../../fields/check-field';

/** Before the identifier of an own kind, where it stands among the kinds. */
const OWN = 'own:';
const FIELDS = dayShape.fields.blocks.item.fields;

/** What is chosen in the picture: one block with all that can be said of it, or several to be moved together. */
@Component({
  selector: 'app-block-editor',
  imports: [CheckField, BlockModes, MomentField, QuantityField, RepeatBlocks, SelectField, TextField],
  template: `
    @if (block(); as one) {
      <section class="panel" aria-label="Block">
        <div class="d-flex align-items-start gap-2">
          <h2 class="fs-6 me-auto mb-1">{{ rigName() }}</h2>
          <button type="button" class="btn-close" aria-label="Close" (click)="sheet.chosen.set(none)"></button>
        </div>
        <div class="pair">
          <div>
            <app-select-field label="What" (picked)="setKind($event)">
              @for (kind of kinds; track kind[0]) {
                <option [value]="kind[0]" [selected]="one.ownKindId === undefined && kind[0] === one.kind">{{ kind[1] }}</option>
              }
              @for (own of sheet.day()?.kinds ?? []; track own.id) {
                <option [value]="ownPrefix + own.id" [selected]="own.id === one.ownKindId">{{ own.name }}</option>
              }
            </app-select-field>
          </div>
          <app-text-field [shape]="nameShape" [optional]="true" [value]="one.name" (valueChange)="set({ name: $event }, 'name')" />
          <app-moment-field label="From" [minute]="one.fromMin" (minuteChange)="setFrom($event)" />
          <app-moment-field label="To" [minute]="one.toMin" [after]="one.fromMin" (minuteChange)="setTo($event)" />
          <div>
            <app-select-field label="Place" (picked)="set({ placeId: $event || undefined }, 'place')">
              <option value="">not entered</option>
              @for (place of sheet.day()?.places ?? []; track place.id) {
                <option [value]="place.id" [selected]="place.id === one.placeId">{{ place.name }}</option>
              }
            </app-select-field>
          </div>
          <app-quantity-field
            [shape]="temperatureShape"
            [optional]="true"
            [placeholder]="coldHint()"
            [value]="one.temperatureC"
            (valueChange)="set({ temperatureC: $event }, 'temperature')"
          />
          @if (!hasCards()) {
            <app-quantity-field
              [shape]="mediaShape"
              [optional]="true"
              [value]="one.mediaMin"
              [hint]="mediaHint()"
              (valueChange)="set({ mediaMin: $event }, 'media')"
            />
          }
        </div>
        <app-check-field
          class="mt-1"
          label="Must not be interrupted"
          [value]="one.uninterrupted === true"
          (valueChange)="set({ uninterrupted: $event || undefined }, 'uninterrupted')"
        />
        <app-block-modes
          class="d-block my-2"
          [rigId]="one.rigId"
          [devices]="one.devices"
          [quiet]="isQuiet(one.kind)"
          (devicesChange)="set({ devices: $event }, 'devices')"
        />
        <p class="small mb-2">{{ outcome() }}</p>
        <div class="d-flex flex-wrap gap-2 align-items-end">
          <app-repeat-blocks />
          @if (canBeKind()) {
            <button type="button" class="btn btn-sm btn-outline-secondary" (click)="keepAsKind()">
              Keep “{{ one.name }}” as a kind of block
            </button>
          }
          <button type="button" class="btn btn-sm btn-outline-danger" (click)="sheet.removeChosen()">Delete block</button>
        </div>
      </section>
    } @else if (count() > 1) {
      <section class="panel" aria-label="Blocks">
        <p class="mb-2">{{ count() }} blocks are chosen. Drag one of them, or use the arrow keys, and all move.</p>
        <div class="d-flex flex-wrap gap-2 align-items-end">
          <app-repeat-blocks />
          <button type="button" class="btn btn-sm btn-outline-secondary" (click)="sheet.chosen.set(none)">Choose none</button>
          <button type="button" class="btn btn-sm btn-outline-danger" (click)="sheet.removeChosen()">Delete them</button>
        </div>
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
    @media (max-width: 30rem) {
      app-moment-field {
        grid-column: 1 / -1;
      }
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
  /** Its rig's cards are entered: they count. */
  protected readonly hasCards = computed(() => this.sheet.day()?.cards?.some(({ rigId }) => rigId === this.block()?.rigId) === true);
  protected readonly mediaHint = computed(() => {
    const block = this.block();
    if (block?.mediaMin === undefined || block.kind !== 'record') return '';
    const short = block.toMin - block.fromMin - block.mediaMin;
    return short > 0 ? `Full ${short} min before the block ends: change the card.` : 'Enough for the block.';
  });
  /** What counts while nobody types a temperature. */
  protected readonly coldHint = computed(() => {
    const [block, day] = [this.block(), this.sheet.day()];
    const cold = block && day && temperatureIn(withChanges(block, { temperatureC: undefined }), day);
    return cold === undefined ? 'not entered' : formatNumber(cold, 'C');
  });
  protected readonly outcome = computed(() => {
    const block = this.block();
    if (!block) return '';
    const run = this.sheet.outlook()?.run.blocks.find(({ blockId }) => blockId === block.id);
    const chance = this.sheet.chances()?.blocks.get(block.id);
    const told = [
      run && run.gapMin > 0 ? `${Math.ceil(run.gapMin)} min without power as it stands.` : '',
      run && run.changeMin > 0 ? `${Math.ceil(run.changeMin)} min off for changes of battery.` : '',
      run && run.unrecordedMin > 0 ? `${Math.ceil(run.unrecordedMin - 1e-6)} min not recorded though there is power.` : '',
      run && run.interruptions > 0 ? 'It is interrupted, and must not be.' : '',
      chance === undefined ? '' : `It has power throughout in ${percent(chance)} of runs.`,
    ];
    return told.filter((one) => one !== '').join(' ');
  });

  /** What is said in full, and is no own kind yet, can become one. */
  protected readonly canBeKind = computed(() => {
    const block = this.block();
    return block?.name !== undefined && block.ownKindId === undefined;
  });
  protected readonly ownPrefix = OWN;
  protected readonly isQuiet = (kind: BlockKind): boolean => QUIET_KINDS.includes(kind);

  /** An own kind brings along what was said of it; modes only of devices that are in this rig. */
  protected setKind(value: string): void {
    const own = this.sheet.day()?.kinds?.find(({ id }) => value === OWN + id);
    if (!own) {
      this.set({ kind: value as BlockKind, ownKindId: undefined }, 'kind');
      return;
    }
    const here = new Set(
      this.sheet
        .rigs()
        .get(this.block()!.rigId)
        ?.devices.map(({ gearId }) => gearId),
    );
    const devices = own.devices?.filter(({ gearId }) => here.has(gearId));
    this.set(
      {
        kind: own.like,
        ownKindId: own.id,
        uninterrupted: own.uninterrupted,
        devices: devices && devices.length > 0 ? devices : undefined,
      },
      'kind',
    );
  }

  protected keepAsKind(): void {
    const { id, name, kind, uninterrupted, devices } = this.block()!;
    const { kinds = [], blocks } = this.sheet.day()!;
    const own: OwnKind = {
      id: `kind-${crypto.randomUUID().slice(0, 8)}`,
      name: name!,
      like: kind,
      ...(uninterrupted && { uninterrupted }),
      ...(devices && { devices }),
    };
    this.sheet.change(
      { kinds: [...kinds, own], blocks: blocks.map((block) => (block.id === id ? { ...block, ownKindId: own.id } : block)) },
      `kind ${own.id}`,
    );
  }

  protected set(changes: Changes<Block>, field: string): void {
    this.sheet.changeBlock(this.block()!.id, changes, field);
  }

  /** Each end moves alone; a beginning at or past the end takes the whole block along. */
  protected setFrom(fromMin: number): void {
    const { fromMin: before, toMin } = this.block()!;
    this.set({ fromMin, toMin: fromMin < toMin ? toMin : toMin + fromMin - before }, 'from');
  }

  /** An end before the beginning is meant for the day after. */
  protected setTo(toMin: number): void {
    const { fromMin } = this.block()!;
    this.set({ toMin: toMin <= fromMin ? toMin + 24 * 60 : toMin }, 'to');
  }
}
