import { ChangeDetectionStrategy, Component, computed, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { SHORTCUTS } from '../../basics/shortcuts';
import { TERMS } from '../../basics/glossary';
import { CHAPTERS, matching } from './guide';

/** What each view is for, the words of the field, and the keys; searched as one types. It is part of the pages: no network is needed. */
@Component({
  selector: 'app-help-page',
  imports: [RouterLink],
  template: `
    <div class="page-head"><h1>Help</h1></div>
    <label class="visually-hidden" for="help-search">Search the help</label>
    <input
      #box
      id="help-search"
      type="search"
      class="form-control mb-3"
      placeholder="Search: D-tap, reserve, gauge …"
      autocomplete="off"
      [value]="typed()"
      (input)="typed.set(box.value)"
    />
    @if (chapters().length + terms().length === 0) {
      <p role="status">Nothing about “{{ typed() }}”.</p>
    }
    <div class="help">
      @if (chapters().length > 0) {
        <section aria-label="Views">
          <h2>What each view is for</h2>
          @for (chapter of chapters(); track chapter.path) {
            <h3>
              <a class="target" [routerLink]="chapter.path">{{ chapter.title }}</a>
            </h3>
            @if (typed() === '') {
              <a [routerLink]="chapter.path" tabindex="-1" aria-hidden="true"
                ><img [src]="'help-pictures/' + chapter.picture + '.png'" alt="" loading="lazy" width="1280" height="800"
              /></a>
            }
            @for (says of chapter.says; track says) {
              <p>{{ says }}</p>
            }
          }
        </section>
      }
      @if (terms().length > 0) {
        <section aria-label="Words">
          <h2>Words</h2>
          <dl>
            @for (one of terms(); track one.term) {
              <dt>{{ one.term }}</dt>
              <dd>{{ one.means }}</dd>
            }
          </dl>
        </section>
      }
      @if (typed() === '') {
        <section aria-label="Keys">
          <h2>Keys</h2>
          <dl class="keys">
            @for (key of keys; track key.shown) {
              <dt>
                <kbd>{{ key.shown }}</kbd>
              </dt>
              <dd>{{ key.says }}</dd>
            }
          </dl>
          <p class="card-box mb-0">
            Follow the makers’ instructions, the carrier’s and local rules where they differ from what stands here. Work on mains, and on
            bare cells, belongs to somebody licensed for it.
          </p>
        </section>
      }
    </div>
  `,
  styles: `
    input {
      max-width: 30rem;
    }
    .help {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 22rem), 1fr));
      gap: var(--space-5);
      align-items: start;
    }
    @media (min-width: 1100px) {
      .help {
        grid-template-columns: minmax(0, 1.7fr) minmax(0, 1fr) 20rem;
      }
    }
    img {
      width: 100%;
      max-width: 44rem;
      height: auto;
      margin-bottom: var(--space-2);
      border: 1px solid var(--bs-border-color);
      border-radius: var(--radius-card);
    }
    p,
    dd {
      max-width: 44rem;
    }
    dt {
      font-weight: 600;
    }
    .keys {
      display: grid;
      grid-template-columns: max-content minmax(0, 1fr);
      gap: var(--space-1) var(--space-3);
    }
    .keys dd {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HelpPage {
  protected readonly typed = signal('');
  protected readonly keys = SHORTCUTS;
  protected readonly chapters = computed(() => matching(CHAPTERS, this.typed()));
  protected readonly terms = computed(() => matching(TERMS, this.typed()));
}
