import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { gearTitle, MOUNT_PLACES } from '@viaggio/core/gear';
import type { Gear, MountPlace, Rig } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { CheckField } from '../../../fields/check-field';
import { SelectField } from '../../../fields/select-field';
import { choicesOf } from '../../../fields/choices-of';
import { RigSheet } from '../sheet/rig-sheet';

type Mount = NonNullable<Rig['mounts']>[number];

interface Row {
  readonly gearId: string;
  readonly title: string;
  readonly mount: Mount | undefined;
}

/** Where each part of the feed sits: what it covers there, and whether the mount carries it, is among the findings. */
@Component({
  selector: 'app-mounts-editor',
  imports: [CheckField, SelectField],
  template: `
    @for (row of rows(); track row.gearId) {
      <div class="row-of">
        <app-select-field [label]="row.title" [choices]="places" [value]="row.mount?.place ?? ''" (picked)="place(row.gearId, $event)" />
        @if (row.mount) {
          @if (devices().length > 1) {
            <app-select-field
              label="On"
              [choices]="devices()"
              [value]="row.mount.onId ?? devices()[0]![0]"
              (picked)="set(row.gearId, { onId: $event })"
            />
          }
          <app-check-field
            label="Folds away"
            [value]="row.mount.hinged ?? false"
            (valueChange)="set(row.gearId, { hinged: $event || undefined })"
          />
        }
      </div>
    }
  `,
  styles: `
    .row-of {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
      gap: 0 0.75rem;
      align-items: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MountsEditor {
  private readonly sheet = inject(RigSheet);
  protected readonly places: readonly (readonly [MountPlace | '', string])[] = [['', 'not said'], ...choicesOf(MOUNT_PLACES)];
  protected readonly devices = computed(() =>
    (this.sheet.rig()?.devices ?? []).map(({ gearId }) => [gearId, this.titleOf(gearId)] as const),
  );
  /** What hangs on cameras: batteries, plates, adapters; and monitors beside the first device. */
  protected readonly rows = computed((): readonly Row[] => {
    const rig = this.sheet.rig();
    if (!rig) return [];
    const first = rig.devices[0]?.gearId;
    const ids = new Set(rig.links.flatMap(({ from, to }) => [from.gearId, to.gearId]));
    return [...ids]
      .filter((id) => id !== first && sits(this.sheet.parts().get(id)))
      .map((gearId) => ({ gearId, title: this.titleOf(gearId), mount: rig.mounts?.find((one) => one.gearId === gearId) }));
  });

  protected place(gearId: string, place: MountPlace | ''): void {
    const rig = this.sheet.rig();
    if (!rig) return;
    const others = (rig.mounts ?? []).filter((one) => one.gearId !== gearId);
    const before = rig.mounts?.find((one) => one.gearId === gearId);
    const mounts = place === '' ? others : [...others, { ...before, gearId, place }];
    this.sheet.change({ mounts: mounts.length > 0 ? mounts : undefined }, `mount ${gearId}`);
  }

  protected set(gearId: string, changes: { readonly [K in keyof Mount]?: Mount[K] | undefined }): void {
    const mounts = this.sheet.rig()?.mounts?.map((one) => (one.gearId === gearId ? withChanges(one, changes) : one));
    this.sheet.change({ mounts }, `mount ${gearId}`);
  }

  private titleOf(id: string): string {
    const body = this.sheet.parts().get(id);
    return body ? gearTitle(body) : 'A part that is gone';
  }
}

/** A wall socket sits on no camera, and a battery in a bay needs no place: it is asked of everything else. */
function sits(body: Gear | undefined): boolean {
  if (!body || body.kind === 'supply' || body.kind === 'cable') return false;
  return body.kind !== 'battery' || body.outputs.some(({ connector }) => connector.type !== 'bay');
}
