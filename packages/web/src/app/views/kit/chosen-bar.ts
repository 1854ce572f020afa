import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { gearShape, gearTitle, nextTags } from '@viaggio/core/gear';
import type { Gear } from '@viaggio/core/gear';
import { readField, withChanges } from '@viaggio/core/units';
import type { Change } from '../../state/items';

/** What is done with several things at once: one step, one undo. */
export interface TogetherStep {
  readonly changes: readonly Change[];
  readonly title: string;
}

/** How many names are read out before the rest is counted. */
const FEW = 3;

/** What can be done with the things that are chosen: move, charge, tag, archive. */
@Component({
  selector: 'app-chosen-bar',
  template: `
    <div class="bar" role="region" aria-label="Chosen">
      <strong role="status">{{ chosen().length }} chosen</strong>
      <span class="names">{{ names() }}</span>
      <form (submit)="move($event, where)">
        <input
          #where
          class="form-control form-control-sm"
          aria-label="Move to"
          placeholder="Move to …"
          autocomplete="off"
          [attr.maxlength]="longestPlace"
        />
        <button class="btn btn-sm btn-outline-secondary">Move</button>
      </form>
      @if (batteries().length > 0) {
        <form (submit)="charge($event, share)">
          <input
            #share
            class="form-control form-control-sm short"
            aria-label="Charge of all chosen batteries"
            placeholder="full, 80 %"
            autocomplete="off"
            [class.is-invalid]="wrong() !== undefined"
            [title]="wrong() ?? ''"
          />
          <button class="btn btn-sm btn-outline-secondary">Charge</button>
        </form>
      }
      <form (submit)="tag($event, first)">
        <input
          #first
          class="form-control form-control-sm short"
          aria-label="Tags from"
          placeholder="Tags from V8"
          autocomplete="off"
          [attr.maxlength]="longestTag"
        />
        <button class="btn btn-sm btn-outline-secondary">Tag</button>
      </form>
      <button type="button" class="btn btn-sm btn-outline-secondary" (click)="archive()">
        {{ allArchived() ? 'Take out of the archive' : 'Archive' }}
      </button>
      <button type="button" class="btn btn-sm btn-link" (click)="none.emit()">Choose none</button>
      @if (wrong(); as says) {
        <span class="verdict-stop small" role="alert">{{ says }}</span>
      }
    </div>
  `,
  styles: `
    .bar {
      position: sticky;
      bottom: var(--foot);
      z-index: 4;
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-2) var(--space-3);
      align-items: center;
      padding: var(--space-2) var(--space-3);
      background: var(--raised);
      border: 1px solid var(--bs-border-color);
      border-radius: var(--radius-card);
    }
    form {
      display: flex;
      gap: var(--space-1);
    }
    .names {
      overflow: hidden;
      text-overflow: ellipsis;
      font-size: var(--type-note);
      color: var(--bs-secondary-color);
    }
    input {
      width: 9rem;
    }
    .short {
      width: 7.5rem;
    }
  `,
  host: { style: 'display: contents' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChosenBar {
  readonly chosen = input.required<readonly { readonly id: string; readonly body: Gear }[]>();
  /** Tags of everything in the kit: a new one is none of them. */
  readonly tagsInUse = input.required<ReadonlySet<string>>();
  readonly done = output<TogetherStep>();
  readonly none = output();
  protected readonly longestPlace = gearShape.variants.cable.where.of.maxLength;
  protected readonly longestTag = gearShape.variants.cable.tag.of.maxLength;
  protected readonly wrong = signal<string | undefined>(undefined);
  protected readonly batteries = computed(() => this.chosen().filter(({ body }) => body.kind === 'battery'));
  protected readonly allArchived = computed(() => this.chosen().every(({ body }) => body.archived === true));
  protected readonly names = computed(() => {
    const titles = this.chosen().map(({ body }) => body.tag ?? gearTitle(body));
    return titles.length <= FEW ? titles.join(', ') : `${titles.slice(0, FEW).join(', ')} and ${titles.length - FEW} more`;
  });

  protected move(event: Event, field: HTMLInputElement): void {
    event.preventDefault();
    const where = field.value.trim();
    this.all((body) => withChanges(body, { where: where === '' ? undefined : where }), where === '' ? 'without a place' : `in ${where}`);
  }

  protected charge(event: Event, field: HTMLInputElement): void {
    event.preventDefault();
    const typed = field.value.trim().toLowerCase();
    const read =
      typed === 'full'
        ? { ok: true as const, value: 1 }
        : typed === 'flat'
          ? { ok: true as const, value: 0 }
          : readField(gearShape.variants.battery.charge.of, typed, 'shown');
    this.wrong.set(read.ok ? undefined : `Expected full, flat or ${read.issue.expected}.`);
    if (read.ok)
      this.all((body) => (body.kind === 'battery' ? withChanges(body, { charge: read.value }) : body), `${field.value.trim()} charged`);
  }

  /** Counted on from the first, past the tags of all that is not chosen. */
  protected tag(event: Event, field: HTMLInputElement): void {
    event.preventDefault();
    const first = field.value.trim();
    if (first === '') return;
    const own = new Set(this.chosen().flatMap(({ body }) => (body.tag === undefined ? [] : [body.tag])));
    const others = new Set([...this.tagsInUse()].filter((tag) => !own.has(tag)));
    const tags = nextTags(first, this.chosen().length, others);
    this.all((body, index) => withChanges(body, { tag: tags[index] }), `tagged ${tags[0]} to ${tags.at(-1)}`);
  }

  protected archive(): void {
    const archived = this.allArchived() ? undefined : true;
    this.all((body) => withChanges(body, { archived }), archived ? 'archived' : 'out of the archive');
  }

  private all(make: (body: Gear, index: number) => Gear, says: string): void {
    const changes = this.chosen()
      .map(({ id, body }, index): Change => ({ kind: 'gear', id, before: body, after: make(body, index) }))
      .filter(({ before, after }) => before !== after);
    if (changes.length > 0) this.done.emit({ changes, title: `${changes.length} things are ${says}` });
  }
}
