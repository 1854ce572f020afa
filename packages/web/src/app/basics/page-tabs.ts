import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';

export interface PageTab {
  readonly title: string;
  readonly link: string;
  /** Its address begins those of the others. */
  readonly exact?: true;
}

/** The way between the pages of one thing. */
@Component({
  selector: 'nav[appPageTabs]',
  imports: [RouterLink, RouterLinkActive],
  host: { class: 'pages' },
  template: `
    @for (tab of tabs(); track tab.title) {
      <a
        [routerLink]="tab.link"
        routerLinkActive="active"
        [routerLinkActiveOptions]="{ exact: tab.exact ?? false }"
        ariaCurrentWhenActive="page"
        >{{ tab.title }}</a
      >
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PageTabs {
  readonly tabs = input.required<readonly PageTab[]>({ alias: 'appPageTabs' });
}
