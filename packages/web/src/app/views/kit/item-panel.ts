import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { gearShape, gearTitle } from '@viaggio/core/gear';
import type { Gear } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { choicesOf } from '../../fields/choices-of';
import { SelectField } from '../../fields/select-field';
import { GearDrawing } from '../../parts/gear/gear-drawing';
import { GearEditor } from '../../parts/gear/gear-editor';
import type { GearEdit } from '../../parts/gear/gear-edit';
import { KIND_TITLES } from '../../parts/gear/kinds';
import { Icon } from '../../basics/icon';
import { PageMenu } from '../../basics/page-menu';
import type { PageAct } from '../../basics/page-menu';
import type { Entry } from '../../state/items';
import { HarmList } from './harm-list';
import { Photos } from './photos';
import { CopyToOwn } from '../../parts/copy-to-own';

/** One thing of the kit beside its line: every figure of it, the rigs it is in, what can be done with it. */
@Component({
  selector: 'app-item-panel',
  imports: [GearDrawing, GearEditor, HarmList, Icon, PageMenu, Photos, RouterLink, SelectField],
  template: `
    <section [attr.aria-label]="title()">
      <div class="d-flex align-items-start gap-2 mb-2">
        <app-gear-drawing class="drawing" [gear]="gear()" />
        <h2 class="mb-0 me-auto">
          {{ title() }} <small class="d-block text-body-secondary fw-normal">{{ kind() }}</small>
        </h2>
        <app-page-menu [of]="title()" [acts]="acts()" />
        <button type="button" class="btn icon-button" aria-label="Close" (click)="closed.emit()"><app-icon name="close" /></button>
      </div>
      <div class="d-flex flex-wrap gap-2 mb-2">
        <app-select-field
          label="Is it at hand?"
          [bare]="true"
          [small]="true"
          [value]="gear().away ?? ''"
          [choices]="aways"
          (picked)="away($event)"
        />
        <app-harm-list [gear]="gear()" (edit)="edit.emit($event)" />
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
        <p class="small"><a class="target" [routerLink]="['/log/batteries', id()]">Its health over time</a></p>
      } @else if (gear().kind === 'device') {
        <p class="small"><a class="target" routerLink="/log/draws">What was learnt of its draw</a></p>
      }
      <app-photos [gearId]="id()" />
      <app-gear-editor [gear]="gear()" [of]="id()" (edit)="edit.emit($event)" />
    </section>
  `,
  styles: `
    :host {
      display: block;
    }
    .drawing {
      font-size: 1.6rem;
      color: var(--bs-secondary-color);
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
  private readonly copies = inject(CopyToOwn);
  protected readonly acts = computed((): readonly PageAct[] => [
    ...this.copies.acts(
      'gear',
      () => this.id(),
      () => `/kit?item=${this.id()}`,
    ),
    { title: 'Duplicate', icon: 'copy', do: () => this.duplicate.emit() },
    { title: this.gear().archived ? 'Take out of the archive' : 'Archive', icon: 'archive', do: () => this.archive() },
    {
      title: 'Delete',
      icon: 'remove',
      takesAway: true,
      do: () => this.remove.emit(),
      notNow: this.usedIn().length > 0 ? 'It is in rigs: archive it instead.' : undefined,
    },
  ]);
  protected readonly kind = computed(() => KIND_TITLES[this.gear().kind].one);

  protected away(away: Gear['away'] | ''): void {
    this.edit.emit({ body: withChanges(this.gear(), { away: away || undefined }), field: 'away' });
  }

  private archive(): void {
    const archived = this.gear().archived ? undefined : true;
    this.edit.emit({ body: withChanges(this.gear(), { archived }), field: 'archived' });
  }
}
