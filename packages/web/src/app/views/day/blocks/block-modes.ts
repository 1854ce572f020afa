import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { dayShape } from '@viaggio/core/day';
import type { Block } from '@viaggio/core/day';
import { withChanges } from '@viaggio/core/units';
import { QuantityField } from '../../../fields/quantity-field';
import { DaySheet } from '../sheet/day-sheet';
import { SelectField } from '../../../fields/select-field';

type Devices = NonNullable<Block['devices']>;
const SCALE = dayShape.fields.blocks.item.fields.devices.of.item.fields.scale.of;

/** What each device of a block's rig does in it: a mode of its own, off, turned down. */
@Component({
  selector: 'app-block-modes',
  imports: [QuantityField, SelectField],
  template: `
    <details [open]="open()">
      <summary>Modes in it{{ said() }}</summary>
      <div class="pair mt-2">
        @for (row of rows(); track row.id) {
          <div>
            <app-select-field label="{{ row.name }}" [choices]="row.choices" [value]="row.mode" (picked)="setMode(row.id, $event)" />
            @if (row.canDim) {
              <app-quantity-field
                [label]="'Brightness of ' + row.name"
                [shape]="scale"
                [optional]="true"
                placeholder="100 %"
                [value]="row.scale"
                (valueChange)="setScale(row.id, $event)"
              />
            }
          </div>
        }
      </div>
    </details>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BlockModes {
  readonly rigId = input.required<string>();
  readonly devices = input<Devices | undefined>();
  /** A meal or travel: nothing draws unless it is said here. */
  readonly quiet = input(false);
  readonly devicesChange = output<Devices | undefined>();
  private readonly sheet = inject(DaySheet);
  protected readonly scale = SCALE;
  protected readonly open = computed(() => (this.devices()?.length ?? 0) > 0);

  protected readonly rows = computed(() => {
    const rig = this.sheet.rigs().get(this.rigId());
    return (rig?.devices ?? []).flatMap(({ gearId, modeId, scale }) => {
      const device = this.sheet.gear().get(gearId);
      if (device?.kind !== 'device') return [];
      const own = this.devices()?.find((one) => one.gearId === gearId);
      const inRig = device.modes?.find(({ id }) => id === modeId)?.name ?? 'usual';
      const choices: readonly (readonly [string, string])[] = [
        ['', this.quiet() ? 'off, as in such a block' : `as in the rig: ${inRig}`],
        ['usual', 'usual'],
        ...(device.modes ?? []).map(({ id, name }) => [id, name] as const),
        ['off', 'off'],
      ];
      const draws = (own?.mode ?? (this.quiet() ? 'off' : 'usual')) !== 'off';
      return [
        {
          id: gearId,
          name: device.name,
          mode: own?.mode ?? '',
          choices,
          canDim: device.dimmable === true && draws,
          scale: own?.scale ?? scale,
        },
      ];
    });
  });
  protected readonly said = computed(() => {
    const count = this.devices()?.length ?? 0;
    return count === 0 ? '' : `: ${count} said`;
  });

  protected setMode(gearId: string, mode: string): void {
    this.put(gearId, mode === '' ? undefined : { mode });
  }

  /** Brightness alone leaves a device in its mode. */
  protected setScale(gearId: string, scale: number | undefined): void {
    const own = this.devices()?.find((one) => one.gearId === gearId);
    const inRig = this.sheet
      .rigs()
      .get(this.rigId())
      ?.devices.find((one) => one.gearId === gearId)?.modeId;
    this.put(gearId, own || scale !== undefined ? { mode: own?.mode ?? inRig ?? 'usual', scale } : undefined);
  }

  private put(gearId: string, changes: { readonly mode?: string; readonly scale?: number | undefined } | undefined): void {
    const devices = this.devices() ?? [];
    const before = devices.find((one) => one.gearId === gearId) ?? { gearId, mode: 'usual' };
    const others = devices.filter((one) => one.gearId !== gearId);
    const next = changes ? [...others, withChanges(before, changes)] : others;
    this.devicesChange.emit(next.length > 0 ? next : undefined);
  }
}
