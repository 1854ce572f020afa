import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, TemplateRef, contentChild, input } from '@angular/core';
import { RouterLink } from '@angular/router';

/** One thing of a list, and where it is opened. */
export interface ListRow {
  readonly id: string;
  readonly title: string;
  readonly link: readonly string[];
}

export interface ListGroup {
  /** Of several; the only one needs none. */
  readonly title?: string;
  readonly rows: readonly ListRow[];
}

/**
 * A page that lists things to be opened: its heading and what it is about, what can be begun (`[acts]`), the things as
 * boxes with what the template says of each (its variable is the row), and what is said where there is none.
 */
@Component({
  selector: 'app-list-page',
  imports: [NgTemplateOutlet, RouterLink],
  template: `
    <div class="page-head">
      <h1>{{ heading() }}</h1>
      <div class="page-acts"><ng-content select="[acts]" /></div>
    </div>
    @if (about(); as says) {
      <p class="about">{{ says }}</p>
    }
    @for (group of groups(); track group.title) {
      <section [attr.aria-label]="group.title">
        @if (group.title !== undefined) {
          <h2>{{ group.title }}</h2>
        }
        <ul class="list-unstyled rows">
          @for (row of group.rows; track row.id) {
            <li>
              <a class="card-box" [routerLink]="row.link">
                <strong>{{ row.title }}</strong>
                <ng-container [ngTemplateOutlet]="says()" [ngTemplateOutletContext]="{ $implicit: row }" />
              </a>
            </li>
          }
        </ul>
      </section>
    } @empty {
      <ng-content select="[empty]" />
    }
  `,
  styles: `
    .about {
      max-width: 44rem;
    }
    .rows {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(100%, 19rem), 1fr));
      gap: var(--space-2);
    }
    .rows a {
      display: grid;
      gap: var(--space-1);
      place-content: start stretch;
      justify-items: start;
      height: 100%;
      color: inherit;
      text-decoration: none;
    }
    .rows a .chip {
      background: var(--bs-body-bg);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ListPage {
  readonly heading = input.required<string>();
  readonly about = input<string>();
  readonly groups = input.required<readonly ListGroup[]>();
  protected readonly says = contentChild.required<TemplateRef<{ readonly $implicit: ListRow }>>(TemplateRef);
}
