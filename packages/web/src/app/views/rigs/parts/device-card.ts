import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { NgbModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { gearTitle, isMount, linksTo, rigShape, withoutDevice } from '@viaggio/core/gear';
import type { Device, Rig } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { SliderField } from '../../../fields/slider-field';
import { RigSheet } from '../sheet/rig-sheet';
import { slotKey } from './chain-builder';
import { openFeedDialog } from './feed-dialog';
import { RigPart } from './rig-part';
import { SelectField } from '../../../fields/select-field';
import { CheckField } from '../../../fields/check-field';

type Use = Rig['devices'][number];

/** One piece of the way to a device, in the order of the energy. */
interface Step {
  readonly gearId: string;
  readonly inputId: string | undefined;
  readonly outputId: string | undefined;
}

/** A device of the rig: its mode, how bright it is, and the way it is fed, part by part. */
@Component({
  selector: 'app-device-card',
  imports: [CheckField, RigPart, SelectField, SliderField],
  template: `
    <section [attr.aria-label]="title() + ' in this rig'">
      <div class="d-flex align-items-start gap-2">
        <h3 class="fs-6 fw-bold mb-1 me-auto">{{ title() }}</h3>
        <button
          type="button"
          class="btn btn-sm btn-link p-0"
          [attr.aria-label]="'Take ' + title() + ' out of the rig'"
          [disabled]="onlyOne()"
          (click)="remove()"
        >
          Remove
        </button>
      </div>
      @if (device(); as body) {
        @if (body.modes?.length) {
          <app-select-field label="Mode" class="mb-2" (picked)="mode($event)">
            <option value="" [selected]="use().modeId === undefined">usual</option>
            @for (choice of body.modes; track choice.id) {
              <option [value]="choice.id" [selected]="choice.id === use().modeId">{{ choice.name }}</option>
            }
          </app-select-field>
        }
        @if (body.dimmable || use().scale !== undefined) {
          <app-slider-field
            label="Brightness"
            placeholder="100"
            [shape]="scaleShape"
            [from]="0.2"
            [to]="1"
            [step]="0.05"
            [assumed]="1"
            [value]="use().scale"
            (valueChange)="set({ scale: $event }, 'scale')"
          />
        }
        @for (port of doubleDuty(); track port.id) {
          <app-check-field
            label="{{ port.name }} is taken by a {{ duties[port.duty ?? 'control'] }}"
            [value]="use().busyPorts?.includes(port.id) ?? false"
            (valueChange)="busy(port.id, $event)"
          />
        }
      }
      <ol class="way" [attr.aria-label]="'How ' + title() + ' is fed'">
        @for (step of steps(); track step.gearId) {
          <li><app-rig-part [gearId]="step.gearId" [inputId]="step.inputId" [outputId]="step.outputId" /></li>
        }
      </ol>
      @for (slot of emptySlots(); track slot.key) {
        <p class="empty-slot">
          {{ slot.says }}: empty
          <button
            type="button"
            class="btn btn-sm btn-outline-secondary"
            [attr.aria-label]="'Put one in: ' + slot.says"
            (click)="feeds('by-hand', slot.key)"
          >
            Put one in …
          </button>
        </p>
      }
      <div class="d-flex flex-wrap gap-2">
        <button type="button" class="btn btn-sm btn-outline-primary" (click)="feeds('ranked')">
          {{ steps().length > 1 ? 'Other feeds …' : 'Choose a feed …' }}
        </button>
        <button type="button" class="btn btn-sm btn-outline-secondary" (click)="feeds('by-hand')">Build it by hand …</button>
      </div>
    </section>
  `,
  styles: `
    .empty-slot {
      display: flex;
      gap: var(--space-2);
      align-items: center;
      justify-content: space-between;
      padding: var(--space-1) var(--space-2);
      margin-bottom: var(--space-2);
      border: 1px dashed var(--bs-border-color);
      border-radius: var(--radius);
    }
    .way {
      margin: 0.4rem 0;
      padding: 0;
      list-style: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DeviceCard {
  readonly use = input.required<Use>();
  private readonly sheet = inject(RigSheet);
  private readonly modals = inject(NgbModal);
  protected readonly scaleShape = rigShape.fields.devices.item.fields.scale.of;
  protected readonly duties = { control: 'control cable', data: 'data cable' };
  protected readonly device = computed(() => {
    const body = this.sheet.parts().get(this.use().gearId);
    return body?.kind === 'device' ? body : undefined;
  });
  protected readonly title = computed(() => {
    const body = this.device();
    return body ? gearTitle(body) : 'A device that is not in the kit any more';
  });
  /** A rig without devices is none: the last one goes with the rig. */
  protected readonly onlyOne = computed(() => (this.sheet.rig()?.devices.length ?? 0) < 2);
  protected readonly doubleDuty = computed(() => this.device()?.inputs.filter((port) => port.duty !== undefined || isUsb(port)) ?? []);
  protected readonly steps = computed((): readonly Step[] => {
    const rig = this.sheet.rig();
    if (!rig) return [];
    const links = linksTo(rig, this.use().gearId);
    const ids = links.flatMap(({ from, cableId }) => [from.gearId, ...(cableId === undefined ? [] : [cableId])]);
    return [...new Set([...ids, this.use().gearId])].map((gearId) => ({
      gearId,
      inputId: links.find(({ to }) => to.gearId === gearId)?.to.portId,
      outputId: links.find(({ from }) => from.gearId === gearId)?.from.portId,
    }));
  });

  /** Places for a battery in the plates, grips and boxes of its way that hold none. */
  protected readonly emptySlots = computed(() => {
    const rig = this.sheet.rig();
    if (!rig) return [];
    return this.steps().flatMap(({ gearId }) => {
      const body = this.sheet.parts().get(gearId);
      if (body?.kind !== 'hub') return [];
      return body.inputs
        .filter(
          ({ id, connector, noPower }) =>
            isMount(connector) && noPower !== true && !rig.links.some(({ to }) => to.gearId === gearId && to.portId === id),
        )
        .map(({ id, name }) => ({ key: slotKey(gearId, id), says: `${name} of ${gearTitle(body)}` }));
    });
  });

  protected mode(modeId: string): void {
    this.set({ modeId: modeId === '' ? undefined : modeId }, 'modeId');
  }

  protected busy(portId: string, taken: boolean): void {
    const others = (this.use().busyPorts ?? []).filter((id) => id !== portId);
    const busyPorts = taken ? [...others, portId] : others;
    this.set({ busyPorts: busyPorts.length === 0 ? undefined : busyPorts }, 'busyPorts');
  }

  protected set(changes: { readonly [K in keyof Use]?: Use[K] | undefined }, field: string): void {
    const rig = this.sheet.rig();
    if (!rig) return;
    const devices = rig.devices.map((device) => (device.gearId === this.use().gearId ? withChanges(device, changes) : device));
    this.sheet.change({ devices }, `${field} ${this.use().gearId}`);
  }

  protected remove(): void {
    const rig = this.sheet.rig();
    if (rig) this.sheet.put(withoutDevice(rig, this.use().gearId), 'devices');
  }

  protected feeds(page: 'ranked' | 'by-hand', slot?: string): void {
    openFeedDialog(this.modals, this.sheet, this.use().gearId, page, slot);
  }
}

function isUsb({ connector }: Device['inputs'][number]): boolean {
  return connector.type === 'usb-c';
}
