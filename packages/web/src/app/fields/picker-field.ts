import { ChangeDetectionStrategy, Component, computed, input, output, viewChild } from '@angular/core';
import { NgbTypeahead } from '@ng-bootstrap/ng-bootstrap';
import type { NgbTypeaheadSelectItemEvent } from '@ng-bootstrap/ng-bootstrap';
import { Subject, map, merge } from 'rxjs';
import type { Observable } from 'rxjs';
import { FieldFrame, fieldId } from './field-frame';

/** One thing that can be chosen, under a heading. */
export interface Choice {
  readonly value: string;
  readonly title: string;
  readonly group: string;
}

/** From so many choices on a list is searched, not scrolled. */
const MANY = 16;
/** More than this nobody reads; a letter more brings them down. */
const MOST_SHOWN = 40;

/** Something of the kit: a drop-down under headings while there are few, searched by any part of its name where there are many. */
@Component({
  selector: 'app-picker-field',
  imports: [FieldFrame, NgbTypeahead],
  template: `
    <app-field-frame [label]="label()" [for]="id">
      @if (many()) {
        <ng-template #row let-choice="result">
          <span class="group">{{ choice.group }}</span> {{ choice.title }}
        </ng-template>
        <input
          #box
          #search="ngbTypeahead"
          class="form-control"
          autocomplete="off"
          placeholder="Search …"
          [id]="id"
          [value]="chosen()?.title ?? ''"
          [ngbTypeahead]="find"
          [resultTemplate]="row"
          [inputFormatter]="titleOf"
          [resultFormatter]="titleOf"
          [editable]="false"
          (selectItem)="pick($event)"
          (focus)="box.select(); opened.next('')"
          (click)="opened.next('')"
          (blur)="box.value = chosen()?.title ?? ''"
        />
      } @else {
        <select #select class="form-select" [id]="id" (change)="picked.emit(select.value)">
          <option value="" [selected]="!value()">Choose …</option>
          @for (group of groups(); track group) {
            <optgroup [label]="group">
              @for (choice of choices(); track choice.value) {
                @if (choice.group === group) {
                  <option [value]="choice.value" [selected]="choice.value === value()">{{ choice.title }}</option>
                }
              }
            </optgroup>
          }
        </select>
      }
    </app-field-frame>
  `,
  styles: `
    :host {
      display: block;
      position: relative;
    }
    :host ::ng-deep ngb-typeahead-window {
      max-height: 18rem;
      overflow-y: auto;
    }
    .group {
      display: inline-block;
      min-width: 7rem;
      font-size: 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PickerField {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly Choice[]>();
  readonly value = input<string | undefined>();
  readonly picked = output<string>();

  protected readonly id = fieldId('picker');
  protected readonly search = viewChild<NgbTypeahead>('search');
  protected readonly opened = new Subject<string>();
  protected readonly many = computed(() => this.choices().length >= MANY);
  protected readonly chosen = computed(() => this.choices().find(({ value }) => value === this.value()));
  protected readonly groups = computed(() => [...new Set(this.choices().map(({ group }) => group))]);
  protected readonly titleOf = ({ title }: Choice): string => title;

  protected readonly find = (typed: Observable<string>): Observable<readonly Choice[]> =>
    merge(typed, this.opened).pipe(map((text) => this.matching(text)));

  protected pick({ item }: NgbTypeaheadSelectItemEvent<Choice>): void {
    this.picked.emit(item.value);
  }

  /** Those of which every typed word is part of the name or the heading, under their headings. */
  private matching(text: string): readonly Choice[] {
    const words = text
      .toLowerCase()
      .split(/\s+/)
      .filter((word) => word !== '');
    const found = this.choices().filter(({ title, group }) => words.every((word) => `${group} ${title}`.toLowerCase().includes(word)));
    const order = this.groups();
    return [...found].sort((a, b) => order.indexOf(a.group) - order.indexOf(b.group)).slice(0, MOST_SHOWN);
  }
}
