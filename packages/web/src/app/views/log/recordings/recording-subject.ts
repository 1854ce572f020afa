import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { batteriesOf, gearTitle } from '@viaggio/core/gear';
import { recordingShape } from '@viaggio/core/measure';
import type { Recording } from '@viaggio/core/measure';
import { QuantityField } from '../../../fields/quantity-field';
import { selectWholeLog } from '../../../state/items.selectors';
import { SelectField } from '../../../fields/select-field';
import { choicesOf } from '../../../fields/choices-of';

/** What a recording is of: a device, where the meter sat, and what fed it. */
export type Subject = Pick<Recording, 'deviceId' | 'rigId' | 'batteryId' | 'meterAt' | 'lostShare'>;

/** Asks what a recording is of; used for files, for meters, and afterwards. */
@Component({
  selector: 'app-recording-subject',
  imports: [QuantityField, SelectField],
  template: `
    <div class="pair">
      <div>
        <app-select-field label="It shows" (picked)="put({ deviceId: $event || undefined, rigId: undefined, batteryId: undefined })">
          <option value="" [selected]="!subject().deviceId">nothing that is in the kit</option>
          @for (device of devices(); track device.id) {
            <option [value]="device.id" [selected]="device.id === subject().deviceId">{{ device.title }}</option>
          }
        </app-select-field>
      </div>
      <div>
        <app-select-field label="The meter sat" [choices]="places" [value]="subject().meterAt" (picked)="put({ meterAt: $event })" />
      </div>
      @if (subject().meterAt === 'battery') {
        <div>
          <app-select-field label="Fed by" (picked)="put({ rigId: $event || undefined, batteryId: undefined })">
            <option value="" [selected]="!subject().rigId">not entered: tells nothing of the device yet</option>
            @for (rig of rigs(); track rig.id) {
              <option [value]="rig.id" [selected]="rig.id === subject().rigId">the rig {{ rig.name }}</option>
            }
          </app-select-field>
        </div>
        @if (batteries().length > 1) {
          <div>
            <app-select-field label="At battery" (picked)="put({ batteryId: $event || undefined })">
              <option value="" [selected]="!subject().batteryId">not entered: tells nothing of the device yet</option>
              @for (battery of batteries(); track battery.id) {
                <option [value]="battery.id" [selected]="battery.id === subject().batteryId">{{ battery.title }}</option>
              }
            </app-select-field>
          </div>
        }
        <app-quantity-field
          label="Lost on the way, if measured"
          [optional]="true"
          [shape]="lostShape"
          [value]="subject().lostShare"
          (valueChange)="put({ lostShare: $event })"
        />
      }
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordingSubject {
  readonly subject = input.required<Subject>();
  readonly subjectChange = output<Subject>();
  private readonly log = inject(Store).selectSignal(selectWholeLog);
  protected readonly places = choicesOf(recordingShape.fields.meterAt.options);
  protected readonly lostShape = recordingShape.fields.lostShare.of;
  protected readonly devices = computed(() =>
    [...this.log().gear].filter(([, { kind }]) => kind === 'device').map(([id, body]) => ({ id, title: gearTitle(body) })),
  );
  protected readonly rigs = computed(() => {
    const { deviceId } = this.subject();
    return [...this.log().rigs]
      .filter(([, rig]) => rig.devices.some(({ gearId }) => gearId === deviceId))
      .map(([id, { name }]) => ({ id, name }));
  });

  /** A rig with several needs to be told which. */
  protected readonly batteries = computed(() => {
    const { gear, rigs } = this.log();
    const rig = rigs.get(this.subject().rigId ?? '');
    return rig ? batteriesOf(rig, gear).map((id) => ({ id, title: gearTitle(gear.get(id)!) })) : [];
  });

  protected put(changes: { readonly [K in keyof Subject]?: Subject[K] | undefined }): void {
    const { deviceId, rigId, batteryId, meterAt, lostShare } = { ...this.subject(), ...changes };
    this.subjectChange.emit({
      meterAt: meterAt ?? 'device',
      ...(deviceId !== undefined && { deviceId }),
      ...(rigId !== undefined && { rigId }),
      ...(batteryId !== undefined && { batteryId }),
      ...(lostShare !== undefined && { lostShare }),
    });
  }
}
