import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { gearShape, gearTitle, withChanges } from '@viaggio/core';
import type { Gear } from '@viaggio/core';
import { choicesOf } from '../fields/choices-of';
import { SelectField } from '../fields/select-field';
import { GearEditor } from '../gear/gear-editor';
import type { GearEdit } from '../gear/gear-edit';
import { KIND_TITLES } from '../gear/kinds';
import type { Entry } from '../state/items';

/** One thing of the kit beside its line: every figure of it, the rigs it is in, what can be done with it. */
@Component({
  selector: 'app-item-panel',
  imports: [GearEditor, RouterLink, SelectField],
  template: `
    <section [attr.aria-label]="title()">
      <div class="d-flex align-items-start gap-2 mb-2">
        <h2 class="fs-5 mb-0 me-auto">
          {{ title() }} <small class="text-body-secondary">{{ kind() }}</small>
        </h2>
        <button type="button" class="btn-close" aria-label="Close" (click)="closed.emit()"></button>
      </div>
      <div class="d-flex flex-wrap gap-2 mb-2">
        <button type="button" class="btn btn-sm btn-outline-secondary" (click)="duplicate.emit()">Duplicate</button>
        <button type="button" class="btn btn-sm btn-outline-secondary" (click)="archive()">
          {{ gear().archived ? 'Take out of the archive' : 'Archive' }}
        </button>
        <app-select-field
          label="Is it at hand?"
          [bare]="true"
          [small]="true"
          [value]="gear().away ?? ''"
          [choices]="aways"
          (picked)="away($event)"
        />
        <button
          type="button"
          class="btn btn-sm btn-outline-danger"
          [disabled]="usedIn().length > 0"
          [title]="usedIn().length > 0 ? 'It is in rigs: put it away instead.' : ''"
          (click)="remove.emit()"
        >
          Delete
        </button>
      </div>
      @if (usedIn().length > 0) {
        <p class="small">
          In
          @for (rig of usedIn(); track rig.id) {
            <a [routerLink]="['/rigs', rig.id]">{{ rig.body.name }}</a>{{ $last ? '.' : ', ' }}
          }
          A change counts there too.
        </p>
      }
      @if (plannedIn().length > 0) {
        <p class="small">
          Planned with in
          @for (day of plannedIn(); track day.id) {
            <a [routerLink]="['/days', day.id]">{{ day.body.name }}</a>{{ $last ? '.' : ', ' }}
          }
          Deleted, it stands there as gone.
        </p>
      }
      @if (gear().kind === 'battery') {
        <p class="small"><a [routerLink]="['/log/batteries', id()]">Its health over time</a></p>
      } @else if (gear().kind === 'device') {
        <p class="small"><a routerLink="/log/draws">What was learnt of its draw</a></p>
      }
      <app-gear-editor [gear]="gear()" (edit)="edit.emit($event)" />
    </section>
  `,
  styles: `
    :host {
      display: block;
    }
    section {
      padding: 0.75rem 1rem;
      background: var(--bs-tertiary-bg);
      border-radius: var(--bs-border-radius);
    }
  `,
  host: { '(keydown.escape)': 'closed.emit()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ItemPanel {
  readonly id = input.required<string>();
  readonly gear = input.required<Gear>();
  readonly usedIn = input.required<readonly Entry<'rigs'>[]>();
  /** Days that name it: they outlive it, and say then that it is gone. */
  readonly plannedIn = input<readonly Entry<'days'>[]>([]);
  readonly edit = output<GearEdit>();
  readonly duplicate = output();
  readonly remove = output();
  readonly closed = output();
  protected readonly title = computed(() => gearTitle(this.gear()));
  protected readonly aways: readonly (readonly [NonNullable<Gear['away']> | '', string])[] = [
    ['', 'at hand'],
    ...choicesOf(gearShape.variants.cable.away.of.options),
  ];
  protected readonly kind = computed(() => KIND_TITLES[this.gear().kind].one);

  protected away(away: Gear['away'] | ''): void {
    this.edit.emit({ body: withChanges(this.gear(), { away: away || undefined }), field: 'away' });
  }

  protected archive(): void {
    const archived = this.gear().archived ? undefined : true;
    this.edit.emit({ body: withChanges(this.gear(), { archived }), field: 'archived' });
  }
}
