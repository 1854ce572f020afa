import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterNextRender,
  computed,
  inject,
  linkedSignal,
  signal,
  viewChild,
} from '@angular/core';
import { Router } from '@angular/router';
import { NgbActiveModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { Store } from '@ngrx/store';
import { Icon } from '../basics/icon';
import { selectItems } from '../state/items.selectors';
import { find, findables } from './search-index';
import type { Findable } from './search-index';

const MOST_SHOWN = 30;

/** Search over everything that is kept, and all that can be done: type, arrow down, Enter. */
@Component({
  selector: 'app-search-dialog',
  imports: [Icon],
  template: `
    <h2 class="visually-hidden" id="search-title">Search everything</h2>
    <div class="field">
      <app-icon name="search" />
      <input
        #box
        type="search"
        role="combobox"
        class="form-control"
        aria-label="Search everything"
        aria-controls="search-found"
        aria-autocomplete="list"
        aria-expanded="true"
        autocomplete="off"
        placeholder="Gear, rigs, days, log, actions …"
        [attr.aria-activedescendant]="found().length > 0 ? 'search-' + at() : null"
        [value]="typed()"
        (input)="typed.set(box.value)"
        (keydown)="key($event)"
      />
      <button type="button" class="btn icon-button" aria-label="Close" (click)="modal.dismiss()"><app-icon name="close" /></button>
    </div>
    <ul id="search-found" role="listbox" aria-label="Found" class="list-unstyled mb-0">
      @for (one of found(); track $index; let index = $index) {
        <!-- the keys are those of the field that names the list, as a combobox has it -->
        <!-- eslint-disable-next-line @angular-eslint/template/click-events-have-key-events, @angular-eslint/template/interactive-supports-focus -->
        <li
          role="option"
          [id]="'search-' + index"
          [attr.aria-selected]="index === at()"
          [class.at]="index === at()"
          (click)="go(one)"
          (pointermove)="at.set(index)"
        >
          <app-icon [name]="one.icon" />
          <span class="title">{{ one.title }}</span>
          <span class="about">{{ one.about }}</span>
        </li>
      }
    </ul>
    @if (found().length === 0) {
      <p class="nothing" role="status">Nothing is called “{{ typed() }}”. A tag, part of a name or a place will do.</p>
    }
  `,
  styles: `
    .field {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      padding: 0.5rem 0.5rem 0.5rem 1rem;
      border-bottom: 1px solid var(--bs-border-color);
    }
    .form-control,
    .form-control:focus {
      border: 0;
      box-shadow: none;
      font-size: 1.1rem;
      background: transparent;
    }
    /* the dialog has one cross, which closes it */
    input::-webkit-search-cancel-button {
      display: none;
    }
    .field:focus-within {
      box-shadow: inset 0 -2px 0 var(--journey);
    }
    ul {
      max-height: min(60vh, 30rem);
      overflow-y: auto;
      padding: 0.35rem;
    }
    li {
      display: grid;
      grid-template-columns: 1.5rem minmax(0, 1fr);
      align-items: center;
      padding: 0.35rem 0.65rem;
      border-radius: var(--radius);
      cursor: pointer;
    }
    li.at {
      background: var(--bs-tertiary-bg);
    }
    .title {
      font-weight: 600;
      overflow-wrap: anywhere;
    }
    .about {
      grid-column: 2;
      font-size: 0.85rem;
      color: var(--bs-secondary-color);
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .nothing {
      padding: 1rem;
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SearchDialog {
  protected readonly modal = inject(NgbActiveModal);
  private readonly router = inject(Router);
  private readonly all = computed(() => findables(this.items()));
  private readonly items = inject(Store).selectSignal(selectItems);
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly typed = signal('');
  protected readonly found = computed(() => find(this.typed(), this.all(), MOST_SHOWN));
  /** The line that Enter opens. */
  protected readonly at = linkedSignal({ source: this.found, computation: () => 0 });

  constructor() {
    afterNextRender(() => this.box().nativeElement.focus());
  }

  protected key(event: KeyboardEvent): void {
    const last = this.found().length - 1;
    const moves: Partial<Record<string, number>> = {
      ArrowDown: this.at() === last ? 0 : this.at() + 1,
      ArrowUp: this.at() === 0 ? last : this.at() - 1,
    };
    const to = moves[event.key];
    const chosen = this.found()[this.at()];
    if (to !== undefined) this.show(to);
    else if (event.key === 'Enter' && chosen) this.go(chosen);
    else return;
    event.preventDefault();
  }

  protected go({ path, query }: Findable): void {
    this.modal.close();
    void this.router.navigate([path], { queryParams: query ?? {} });
  }

  private show(index: number): void {
    this.at.set(index);
    this.element.querySelector(`#search-${index}`)?.scrollIntoView({ block: 'nearest' });
  }
}
