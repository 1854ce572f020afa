import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { gearTitle, mates, withPartReplaced } from '@viaggio/core/gear';
import type { Draw, Gear } from '@viaggio/core/gear';
import { GearEditor } from '../../../parts/gear/gear-editor';
import { KIND_TITLES } from '../../../parts/gear/kinds';
import type { GearEdit } from '../../../parts/gear/gear-edit';
import { RigSheet } from '../sheet/rig-sheet';
import { SelectField } from '../../../fields/select-field';

/** One piece of gear of a rig: its name, and its figures when they are asked for. */
@Component({
  selector: 'app-rig-part',
  imports: [GearEditor, SelectField],
  template: `
    @if (gear(); as body) {
      <button type="button" class="part" [attr.aria-expanded]="open()" (click)="open.set(!open())">
        <span class="kind">{{ kind() }}</span> {{ title() }}
      </button>
      @if (open()) {
        <section class="figures" [attr.aria-label]="kind() + ': ' + body.name">
          @if (elsewhere(); as others) {
            <p class="small text-body-secondary mb-2">Also in {{ others }}; a change counts there too.</p>
          }
          @if (others().length > 1) {
            <app-select-field label="Which of the kit" class="mb-2" (picked)="replace($event)">
              @for (choice of others(); track choice.id) {
                <option [value]="choice.id" [selected]="choice.id === gearId()">{{ choice.title }}</option>
              }
            </app-select-field>
          }
          <app-gear-editor
            [gear]="body"
            [of]="gearId()"
            [inputId]="inputId()"
            [outputId]="outputId()"
            [asHere]="asHere"
            (edit)="edit($event)"
          />
        </section>
      }
    } @else {
      <p class="small mb-0">A part that is not in the kit any more</p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .part {
      width: 100%;
      min-height: var(--target);
      padding: 0.2rem 0;
      text-align: left;
      color: inherit;
      background: none;
      border: 0;
    }
    .part::after {
      content: ' ▸';
      color: var(--bs-secondary-color);
    }
    .part[aria-expanded='true']::after {
      content: ' ▾';
    }
    .kind {
      display: inline-block;
      min-width: 4.6rem;
      font-size: 0.8rem;
      color: var(--bs-secondary-color);
    }
    .figures {
      padding: 0.5rem 0 0.75rem 0.75rem;
      border-left: 3px solid var(--bs-border-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RigPart {
  readonly gearId = input.required<string>();
  /** The ports of it that are in use. */
  readonly inputId = input<string>();
  readonly outputId = input<string>();
  private readonly sheet = inject(RigSheet);
  protected readonly open = signal(false);
  protected readonly gear = computed(() => this.sheet.parts().get(this.gearId()));
  protected readonly title = computed(() => gearTitle(this.gear()!));
  protected readonly kind = computed(() => {
    const { kind } = this.gear()!;
    return kind === 'hub' ? 'Between' : KIND_TITLES[kind].one;
  });
  protected readonly elsewhere = computed(() => this.sheet.usedElsewhere(this.gearId()));
  /** Others of the kit that plug in at the same place: batteries, cables, adapters. */
  protected readonly others = computed(() => {
    const body = this.gear();
    if (!body || !this.open()) return [];
    const taken = new Set(this.sheet.parts().keys());
    return [...this.sheet.kit()]
      .filter(([id, other]) => id === this.gearId() || (!taken.has(id) && takesPlaceOf(other, body, this.outputId())))
      .map(([id, other]) => ({ id, title: gearTitle(other) }));
  });

  protected readonly asHere = (draw: Draw): Draw | undefined => this.sheet.testedHere(this.gearId(), draw);

  protected edit(edit: GearEdit): void {
    this.sheet.changeGear(this.gearId(), edit);
  }

  protected replace(by: string): void {
    const rig = this.sheet.rig();
    if (rig && by !== this.gearId()) this.sheet.put(withPartReplaced(rig, this.gearId(), by), 'links');
  }
}

/** Whether one piece plugs in where another does, at the port in use. */
function takesPlaceOf(other: Gear, body: Gear, outputId: string | undefined): boolean {
  if (other.kind === 'cable' && body.kind === 'cable')
    return mates(other.ends.source, body.ends.source) === 'yes' && mates(other.ends.load, body.ends.load) === 'yes';
  if (other.kind === 'adapter' && body.kind === 'adapter')
    return mates(other.input.connector, body.input.connector) === 'yes' && mates(other.output.connector, body.output.connector) === 'yes';
  if (other.kind !== 'battery' || body.kind !== 'battery') return false;
  const port = body.outputs.find(({ id }) => id === outputId);
  return other.outputs.some(
    ({ id, gives, connector }) => id === outputId && gives === port?.gives && mates(connector, port.connector) !== 'no',
  );
}
