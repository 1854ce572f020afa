import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { canBeSound, gearShape, harmsOf } from '@viaggio/core/gear';
import type { Gear } from '@viaggio/core/gear';
import { formatDate, withChanges } from '@viaggio/core/units';
import { localDate } from '../../device/dates';
import { choicesOf } from '../../fields/choices-of';
import { CheckField } from '../../fields/check-field';
import { SelectField } from '../../fields/select-field';
import { Icon } from '../../basics/icon';
import type { GearEdit } from '../../parts/gear/gear-edit';

type Harm = NonNullable<Gear['harmed']>[number];
type What = Harm['what'];

const OPTIONS = gearShape.variants.cable.harmed.of.item.fields.what.options;

/** What has happened to a thing: it is kept out of every rig until somebody who knows has looked at it. */
@Component({
  selector: 'app-harm-list',
  imports: [CheckField, Icon, SelectField],
  template: `
    <app-select-field
      label="Has something happened to it?"
      [bare]="true"
      [small]="true"
      [once]="true"
      [choices]="choices"
      (picked)="add($event)"
    />
    @if (harmed().length > 0 || cameDamaged()) {
      <ul class="list-unstyled mb-0">
        @if (cameDamaged(); as came) {
          <li>
            <span class="verdict-stop">was damaged when it was taken over{{ onDay(came.on) }}</span>
            <app-check-field label="Looked at since, and sound" [small]="true" [value]="false" (valueChange)="lookedAt()" />
          </li>
        }
        @for (harm of harmed(); track $index; let index = $index) {
          <li>
            <span [class.verdict-stop]="!harm.sound">{{ saysOf(harm) }}</span>
            @if (canBeSound(gear().kind, harm.what)) {
              <app-check-field
                label="Looked at since, and sound"
                [small]="true"
                [value]="harm.sound ?? false"
                (valueChange)="sound(index, $event)"
              />
            } @else {
              <span class="small">Not to be used, charged or carried any more.</span>
            }
            <button type="button" class="btn icon-button" [attr.aria-label]="'Take back: ' + saysOf(harm)" (click)="remove(index)">
              <app-icon name="remove" />
            </button>
          </li>
        }
      </ul>
      <p class="small mb-0">Looking at it is for whoever is licensed for it or knows it; the maker’s instructions come first.</p>
    }
  `,
  styles: `
    li {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-1) var(--space-3);
      align-items: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HarmList {
  readonly gear = input.required<Gear>();
  readonly edit = output<GearEdit>();
  protected readonly harmed = computed(() => this.gear().harmed ?? []);
  protected readonly choices: readonly (readonly [What | '', string])[] = [['', 'Has something happened to it?'], ...choicesOf(OPTIONS)];

  /** It came so from whom it was taken over, and nobody has looked at it since. */
  protected readonly cameDamaged = computed(() => harmsOf(this.gear()).find(({ what }) => what === 'handed-over'));
  protected readonly canBeSound = canBeSound;

  protected saysOf({ what, on }: Harm): string {
    return `${OPTIONS[what]}${this.onDay(on)}`;
  }

  protected onDay(on: string | undefined): string {
    return on === undefined ? '' : `, ${formatDate(on)}`;
  }

  protected add(what: What | ''): void {
    if (what !== '') this.put([...this.harmed(), { what, on: localDate(new Date()) }]);
  }

  protected lookedAt(): void {
    this.put([...this.harmed(), { what: 'damaged', on: localDate(new Date()), sound: true }]);
  }

  protected sound(index: number, isSound: boolean): void {
    this.put(this.harmed().map((one, at) => (at === index ? withChanges(one, { sound: isSound || undefined }) : one)));
  }

  protected remove(index: number): void {
    this.put(this.harmed().filter((_one, at) => at !== index));
  }

  private put(harmed: readonly Harm[]): void {
    this.edit.emit({
      body: withChanges(this.gear(), { harmed: harmed.length > 0 ? [...harmed] : undefined }),
      field: `harmed ${harmed.length}`,
    });
  }
}
