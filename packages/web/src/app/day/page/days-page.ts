import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { Store } from '@ngrx/store';
import { DAY_TEMPLATES, clockAt, dayLike, templateBlocks } from '@viaggio/core';
import type { Day, DayTemplate } from '@viaggio/core';
import { Items } from '../../state/items.actions';
import { selectDays, selectLoading, selectRigs } from '../../state/items.selectors';

/** Every shooting day, the latest first. */
@Component({
  selector: 'app-days-page',
  imports: [NgbDropdownModule, RouterLink],
  template: `
    <div class="d-flex flex-wrap align-items-center gap-3 mb-3">
      <h1 class="mb-0">Days</h1>
      <div class="btn-group" ngbDropdown>
        <button type="button" class="btn btn-primary" (click)="add()">New day</button>
        <button type="button" class="btn btn-primary dropdown-toggle-split" ngbDropdownToggle aria-label="New day from a template"></button>
        <div ngbDropdownMenu>
          <h2 class="dropdown-header">As days usually go</h2>
          @for (one of templates; track one.id) {
            <button type="button" ngbDropdownItem (click)="add(one)">
              {{ one.title }} <small class="d-block text-body-secondary text-wrap">{{ one.says }}</small>
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
    @if (loading().is === 'loading') {
      <p role="status">Loading …</p>
    } @else if (loading().is === 'loaded') {
      <ul class="list-unstyled">
        @for (row of rows(); track row.id) {
          <li class="py-2 border-bottom">
            <a class="fw-semibold" [routerLink]="['/days', row.id]">{{ row.name }}</a>
            @if (row.demo) {
              <span class="badge text-bg-secondary">demo</span>
            }
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
      .map(({ id, origin, body }) => ({
        id,
        body,
        name: body.name,
        demo: origin === 'demo',
        when: `${clockAt(body, 0).weekday} ${body.date.slice(0, 4)}${body.days > 1 ? `, ${body.days} days` : ''}`,
        rigs: `${body.rigIds.length} ${body.rigIds.length === 1 ? 'rig' : 'rigs'}`,
        blocks: `${body.blocks.length} ${body.blocks.length === 1 ? 'block' : 'blocks'}`,
      })),
  );

  protected readonly templates = DAY_TEMPLATES;

  /** Tomorrow, with one's own rigs in it, each through the template's blocks if one is given. */
  protected add(template?: DayTemplate): void {
    const own = this.rigs().filter(({ origin }) => origin === 'own');
    const rigs = own.length > 0 || !template ? own : this.rigs().slice(0, 1);
    const rigIds = rigs.slice(0, 20).map((rig) => rig.id);
    const date = tomorrow();
    const blocks = template ? templateBlocks(template, { date }, rigIds, () => crypto.randomUUID()) : [];
    this.open({ name: template?.title ?? 'New day', date, days: 1, rigIds, blocks });
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
  return new Date(Date.now() + 24 * 3600 * 1000).toISOString().slice(0, 10);
}
