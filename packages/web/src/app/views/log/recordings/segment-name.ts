import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import type { Device } from '@viaggio/core/gear';
import { USUAL } from '@viaggio/core/measure';
import type { NamedSegment } from '@viaggio/core/measure';
import { SelectField } from '../../../fields/select-field';

/** Shown beside the modes: whatever it is, it is none of them. */
const OTHER = 'other';
const NEW_MODE = 'new';

/** What a segment was: one of the device's modes, a new one, or something else with a name of its own. */
@Component({
  selector: 'app-segment-name',
  imports: [SelectField],
  template: `
    @let chosen = choice();
    <app-select-field [label]="label()" [bare]="true" [small]="true" [disabled]="!device()" (picked)="choose($event)">
      <option value="" [selected]="chosen === ''">{{ suggestion() ? 'looks like: ' + suggestion() : 'not named' }}</option>
      <option [value]="usual" [selected]="chosen === usual">usual</option>
      @for (mode of device()?.modes ?? []; track mode.id) {
        <option [value]="mode.id" [selected]="chosen === mode.id">{{ mode.name }}</option>
      }
      <option [value]="newMode">a mode of its own …</option>
      <option [value]="other" [selected]="chosen === other">no mode: something else</option>
    </app-select-field>
    @if (chosen === other) {
      <input
        #box
        class="form-control form-control-sm mt-1"
        maxlength="120"
        [attr.aria-label]="'Name: ' + label()"
        [value]="segment().name ?? ''"
        (change)="rename(box.value)"
      />
    }
    @if (naming()) {
      <div class="input-group input-group-sm mt-1">
        <input
          #mode
          class="form-control"
          maxlength="120"
          aria-label="Name of the new mode"
          placeholder="4K at 50 frames"
          (keydown.enter)="add(mode.value)"
        />
        <button type="button" class="btn btn-outline-primary" (click)="add(mode.value)">Add it</button>
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
      min-width: 12rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SegmentName {
  /** For a screen reader: there may be many on a page. */
  readonly label = input.required<string>();
  readonly segment = input.required<NamedSegment>();
  readonly device = input<Device>();
  /** The mode that it looks like, where it is not named. */
  readonly suggestion = input<string>();
  readonly named = output<NamedSegment>();
  /** The device is to get a mode of this name, which the segment then is. */
  readonly newModeNamed = output<string>();
  protected readonly usual = USUAL;
  protected readonly other = OTHER;
  protected readonly newMode = NEW_MODE;
  protected readonly naming = signal(false);
  protected readonly choice = (): string => this.segment().modeId ?? (this.segment().name === undefined ? '' : OTHER);

  protected choose(choice: string): void {
    this.naming.set(choice === NEW_MODE);
    if (choice === NEW_MODE) return;
    const { modeId: _mode, name: _name, ...rest } = this.segment();
    this.named.emit({ ...rest, ...(choice === '' ? {} : choice === OTHER ? { name: 'something else' } : { modeId: choice }) });
  }

  protected rename(typed: string): void {
    const name = typed.trim();
    if (name !== '') this.named.emit({ ...this.segment(), name });
  }

  protected add(typed: string): void {
    const name = typed.trim();
    if (name === '') return;
    this.naming.set(false);
    this.newModeNamed.emit(name);
  }
}
