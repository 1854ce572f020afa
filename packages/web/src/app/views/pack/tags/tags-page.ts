import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { gearTitle } from '@viaggio/core/gear';
import type { GearKind } from '@viaggio/core/gear';
import { TAG_FORMATS } from '@viaggio/core/travel';
import type { TagFormatId } from '@viaggio/core/travel';
import { CheckField } from '../../../fields/check-field';
import { SelectField } from '../../../fields/select-field';
import { KIND_TITLES } from '../../../parts/gear/kinds';
import { counted } from '../../../basics/counted';
import { selectGear } from '../../../state/items.selectors';
import { Prints } from '../../../parts/prints';

const USUAL_FORMAT: TagFormatId = 'a4-24';
const FORMAT = 'viaggio.tag-format';
const ORIGIN = 'viaggio.tag-origin';
/** What is labelled first of all. */
const USUAL: readonly GearKind[] = ['battery', 'cable'];
const ALL_KINDS: readonly GearKind[] = ['battery', 'cable', 'adapter', 'hub', 'device', 'charger', 'supply'];

/** Labels to print: chosen gear, a sheet of labels, where the codes lead. */
@Component({
  selector: 'app-tags-page',
  imports: [CheckField, SelectField],
  template: `
    <div class="page-head">
      <h1>Tags</h1>
      <div class="page-acts">
        <button type="button" class="btn btn-primary" [disabled]="count() === 0 || working()" (click)="print()">
          {{ working() ? 'Making the PDF …' : 'Make the PDF (' + counted(count(), 'tag') + ')' }}
        </button>
      </div>
    </div>
    <p class="about">
      A tag on every battery and lead: its name, its watt-hours, and a code that opens it here. Scan it in Kit, Pack and Log, or type the
      tag.
    </p>
    <div class="pair">
      <app-select-field label="Labels" [choices]="formats" [value]="format()" (picked)="setFormat($event)" />
      <div>
        <label class="form-label" for="tag-skip">First free label of the sheet</label>
        <input
          #skipBox
          id="tag-skip"
          class="form-control"
          type="number"
          min="1"
          [max]="onSheet()"
          [value]="skip() + 1"
          (change)="skip.set(within(skipBox.valueAsNumber))"
        />
      </div>
      <div class="address">
        <label class="form-label" for="tag-origin">Codes lead to</label>
        <input
          #originBox
          id="tag-origin"
          class="form-control"
          inputmode="url"
          autocomplete="off"
          [class.is-invalid]="!isAddress()"
          [value]="origin()"
          (input)="setOrigin(originBox.value)"
        />
        @if (!isAddress()) {
          <p class="invalid-feedback d-block">Expected an address such as http://192.168.1.20:4377.</p>
        } @else if (isLoopback()) {
          <p class="hint">
            This address is this machine’s own: another phone’s camera app does not reach it. Scanning inside Viaggio works anywhere.
          </p>
        }
      </div>
    </div>
    @for (group of groups(); track group.kind) {
      <fieldset>
        <legend>
          {{ group.title }}
          <button type="button" class="btn btn-sm btn-link p-0" (click)="all(group.kind, !group.every)">
            {{ group.every ? 'none' : 'all' }}
          </button>
        </legend>
        <div class="checks">
          @for (one of group.rows; track one.id) {
            <app-check-field [label]="one.title" [value]="one.on" (valueChange)="choose(one.id, $event)" />
          }
        </div>
      </fieldset>
    } @empty {
      <p>Nothing in the kit yet.</p>
    }
  `,
  styles: `
    .about {
      max-width: 46rem;
    }
    .address {
      grid-column: 1 / -1;
    }
    fieldset {
      margin-top: var(--space-3);
    }
    legend {
      font-size: var(--type-head);
      font-weight: 600;
    }
    .checks {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(100%, 17rem), 1fr));
      gap: 0 var(--space-4);
    }
    .hint {
      margin: 0;
      font-size: var(--type-note);
      color: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TagsPage {
  private readonly prints = inject(Prints);
  private readonly gear = inject(Store).selectSignal(selectGear);
  protected readonly formats = Object.entries(TAG_FORMATS).map(([id, { title }]) => [id, title] as const);
  protected readonly format = signal(formatOf(localStorage.getItem(FORMAT)));
  protected readonly skip = signal(0);
  protected readonly origin = signal(localStorage.getItem(ORIGIN) ?? location.origin);
  protected readonly isAddress = computed(() => /^https?:\/\/[^\s/?#]+$/.test(this.origin()));
  protected readonly isLoopback = computed(() => /\/\/(localhost|127\.|\[::1\])/.test(this.origin()));
  protected readonly onSheet = computed(() => {
    const { across, down } = TAG_FORMATS[this.format()];
    return across * down;
  });
  protected readonly working = signal(false);
  private readonly chosen = signal<ReadonlyMap<string, boolean>>(new Map());
  private readonly listed = computed(() => {
    return this.gear().filter(({ body }) => !body.archived);
  });
  protected readonly groups = computed(() =>
    ALL_KINDS.flatMap((kind) => {
      const rows = this.listed()
        .filter(({ body }) => body.kind === kind)
        .map(({ id, body }) => ({ id, title: gearTitle(body), on: this.isOn(id, kind) }))
        .sort((a, b) => a.title.localeCompare(b.title, 'en', { numeric: true }));
      return rows.length === 0 ? [] : [{ kind, title: KIND_TITLES[kind].many, rows, every: rows.every(({ on }) => on) }];
    }),
  );
  private readonly ids = computed(() => this.groups().flatMap(({ rows }) => rows.filter(({ on }) => on).map(({ id }) => id)));
  protected readonly count = computed(() => this.ids().length);
  protected readonly counted = counted;

  protected setFormat(format: string): void {
    this.format.set(formatOf(format));
    this.skip.set(0);
    localStorage.setItem(FORMAT, format);
  }

  protected setOrigin(typed: string): void {
    this.origin.set(typed.trim().replace(/\/+$/, ''));
    if (this.isAddress()) localStorage.setItem(ORIGIN, this.origin());
  }

  protected within(label: number): number {
    return Number.isInteger(label) ? Math.min(Math.max(label, 1), this.onSheet()) - 1 : this.skip();
  }

  protected choose(id: string, on: boolean): void {
    this.chosen.update((before) => new Map([...before, [id, on]]));
  }

  protected all(kind: GearKind, on: boolean): void {
    const ids = this.listed()
      .filter(({ body }) => body.kind === kind)
      .map(({ id }) => id);
    this.chosen.update((before) => new Map([...before, ...ids.map((id) => [id, on] as const)]));
  }

  protected async print(): Promise<void> {
    if (!this.isAddress()) return;
    this.working.set(true);
    await this.prints.tags({ gearIds: this.ids(), format: this.format(), skip: this.skip(), origin: this.origin() });
    this.working.set(false);
  }

  private isOn(id: string, kind: GearKind): boolean {
    return this.chosen().get(id) ?? USUAL.includes(kind);
  }
}

/** The usual one where what was kept is none that there is. */
function formatOf(id: string | null): TagFormatId {
  return id !== null && Object.hasOwn(TAG_FORMATS, id) ? (id as TagFormatId) : USUAL_FORMAT;
}
