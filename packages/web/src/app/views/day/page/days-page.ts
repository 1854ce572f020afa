import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { Store } from '@ngrx/store';
import { DAY_TEMPLATES, dayLike, templateBlocks } from '@viaggio/core/day';
import type { Day, DayTemplate } from '@viaggio/core/day';
import { formatDate } from '@viaggio/core/units';
import { DAY_TEMPLATE_WORDS, TEMPLATE_BLOCK_NAMES } from '@viaggio/core/words';
import { CheckField } from '../../../fields/check-field';
import { localDate } from '../../../device/dates';
import { ownZone } from '../../../fields/zones';
import { Items } from '../../../state/items.actions';
import { selectDays, selectLoading, selectRigs } from '../../../state/items.selectors';
import { counted } from '../../../basics/counted';

/** So many rigs are put into an empty day without being asked for. */
const FEW = 4;

/** Every shooting day, the latest first. */
@Component({
  selector: 'app-days-page',
  imports: [CheckField, NgbDropdownModule, RouterLink],
  template: `
    <div class="d-flex flex-wrap align-items-center gap-3 mb-3">
      <h1 class="mb-0">Days</h1>
      <div class="btn-group" ngbDropdown>
        <button type="button" class="btn btn-primary" (click)="add()">New day</button>
        <button type="button" class="btn btn-primary dropdown-toggle-split" ngbDropdownToggle aria-label="New day from a template"></button>
        <div ngbDropdownMenu>
          <h2 class="dropdown-header">As days usually go</h2>
          @for (one of templates; track one.id) {
            <button type="button" ngbDropdownItem (click)="ask(one)">
              {{ words[one.id].title }} <small class="d-block text-body-secondary text-wrap">{{ words[one.id].says }}</small>
            </button>
          }
          @if (rows().length > 0) {
            <h2 class="dropdown-header">Like one of these</h2>
            @for (row of rows(); track row.id) {
              <button type="button" ngbDropdownItem (click)="addLike(row.body)">{{ row.name }}</button>
            }
          }
        </div>
      </div>
    </div>
    @if (template(); as chosen) {
      <form class="which mb-3" aria-label="Which rigs?" (submit)="make($event)">
        <h2 class="fs-5">{{ words[chosen.id].title }}: which rigs?</h2>
        <div class="rigs">
          @for (rig of choices(); track rig.id) {
            <app-check-field [label]="rig.name" [value]="chosenRigs().has(rig.id)" (valueChange)="choose(rig.id, $event)" />
          }
        </div>
        <button class="btn btn-primary btn-sm me-2" [disabled]="chosenRigs().size === 0">Make the day</button>
        <button type="button" class="btn btn-outline-secondary btn-sm" (click)="template.set(undefined)">Cancel</button>
      </form>
    }
    @if (loading().is === 'loading') {
      <p role="status">Loading …</p>
    } @else if (loading().is === 'loaded') {
      <ul class="list-unstyled">
        @for (row of rows(); track row.id) {
          <li class="py-2 border-bottom">
            <a class="fw-semibold target" [routerLink]="['/days', row.id]">{{ row.name }}</a>
            <small class="d-block text-body-secondary">{{ row.when }}; {{ row.rigs }}; {{ row.blocks }}</small>
          </li>
        } @empty {
          <li>
            No day yet. A day says which rig records when and where; Viaggio then finds which battery goes where, when it is changed, and
            what is charged tonight.
          </li>
        }
      </ul>
    }
  `,
  styles: `
    .which {
      padding: 0.75rem 1rem;
      background: var(--bs-tertiary-bg);
      border-radius: 0.4rem;
    }
    .rigs {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(16rem, 1fr));
      gap: 0 1rem;
      margin-bottom: 0.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DaysPage {
  private readonly store = inject(Store);
  protected readonly loading = this.store.selectSignal(selectLoading);
  private readonly days = this.store.selectSignal(selectDays);
  private readonly rigs = this.store.selectSignal(selectRigs);
  protected readonly rows = computed(() =>
    [...this.days()]
      .sort((a, b) => b.body.date.localeCompare(a.body.date))
      .map(({ id, body }) => ({
        id,
        body,
        name: body.name,
        when: `${formatDate(body.date)}${body.days > 1 ? `, ${body.days} days` : ''}`,
        rigs: counted(body.rigIds.length, 'rig'),
        blocks: counted(body.blocks.length, 'block'),
      })),
  );

  protected readonly templates = DAY_TEMPLATES;
  protected readonly words = DAY_TEMPLATE_WORDS;

  /** The template whose rigs are being chosen. */
  protected readonly template = signal<DayTemplate | undefined>(undefined);
  private readonly picked = signal<ReadonlySet<string>>(new Set());
  protected readonly choices = computed(() => this.rigs().map(({ id, body: { name } }) => ({ id, name })));
  protected readonly chosenRigs = computed(() => new Set(this.choices().flatMap(({ id }) => (this.picked().has(id) ? [id] : []))));

  /** Tomorrow, empty, with the rigs where they are few. */
  protected add(): void {
    const rigs = this.rigs();
    this.open({
      name: 'New day',
      date: tomorrow(),
      zone: ownZone(),
      days: 1,
      rigIds: rigs.length > FEW ? [] : rigs.map(({ id }) => id),
      blocks: [],
    });
  }

  /** One rig is taken; of several it is asked which. */
  protected ask(template: DayTemplate): void {
    const [first, ...others] = this.choices();
    this.picked.set(new Set(first ? [first.id] : []));
    if (others.length === 0) this.begin(template);
    else this.template.set(template);
  }

  protected choose(id: string, on: boolean): void {
    this.picked.update((before) => new Set(on ? [...before, id] : [...before].filter((one) => one !== id)));
  }

  protected make(event: Event): void {
    event.preventDefault();
    this.begin(this.template()!);
  }

  private begin(template: DayTemplate): void {
    const rigIds = [...this.chosenRigs()].slice(0, 20);
    const [date, zone] = [tomorrow(), ownZone()];
    this.template.set(undefined);
    this.open({
      name: this.words[template.id].title,
      date,
      zone,
      days: 1,
      rigIds,
      blocks: templateBlocks(template, TEMPLATE_BLOCK_NAMES, { date, zone }, rigIds, () => crypto.randomUUID()),
    });
  }

  protected addLike(day: Day): void {
    this.open(dayLike(day, `Like ${day.name}`.slice(0, 120), tomorrow(), () => crypto.randomUUID()));
  }

  private open(after: Day): void {
    const id = crypto.randomUUID();
    this.store.dispatch(Items.change({ step: { changes: [{ kind: 'days', id, after }], field: 'new-day', at: Date.now() }, open: id }));
  }
}

function tomorrow(): string {
  const date = new Date();
  date.setDate(date.getDate() + 1);
  return localDate(date);
}
