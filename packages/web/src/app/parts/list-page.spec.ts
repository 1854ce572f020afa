import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { RouterOutlet, provideRouter } from '@angular/router';
import { RouterTestingHarness } from '@angular/router/testing';
import { Store, provideStore } from '@ngrx/store';
import { PageTabs } from '../basics/page-tabs';
import { Items } from '../state/items.actions';
import { itemsReducer } from '../state/items.reducer';
import { ListPage } from './list-page';
import type { ListGroup } from './list-page';
import { SectionPage } from './section-page';

const text = (element: Element | null | undefined): string => (element?.textContent ?? '').replace(/\s+/g, ' ').trim();

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ListPage],
  template: `
    <app-list-page heading="Leads" about="What joins what." [groups]="groups">
      <button acts>New lead</button>
      <ng-template let-row
        ><span class="note">{{ row.note }}</span></ng-template
      >
      <p empty>No lead yet.</p>
    </app-list-page>
  `,
})
class Leads {
  groups: readonly ListGroup[] = [];
}

async function leads(groups: readonly ListGroup[]): Promise<HTMLElement> {
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  const fixture: ComponentFixture<Leads> = TestBed.createComponent(Leads);
  fixture.componentInstance.groups = groups;
  await fixture.whenStable();
  return fixture.nativeElement as HTMLElement;
}

describe('a page that lists things', () => {
  const rows = [
    { id: 'a', title: 'D-tap lead', link: ['/leads', 'a'], note: '0.5 m' },
    { id: 'b', title: 'Trigger lead', link: ['/leads', 'b'], note: '1 m' },
  ];

  it('has a heading, what can be begun, and each thing where it opens, with what is said of it', async () => {
    const page = await leads([{ rows }]);
    expect(text(page.querySelector('h1'))).toBe('Leads');
    expect(text(page.querySelector('.page-acts'))).toBe('New lead');
    const [first, second] = [...page.querySelectorAll('a')];
    expect([first!.getAttribute('href'), ...[...first!.children].map(text)]).toEqual(['/leads/a', 'D-tap lead', '0.5 m']);
    expect([...second!.children].map(text)).toEqual(['Trigger lead', '1 m']);
    // the only group needs no title
    expect(page.querySelector('h2')).toBeNull();
    expect(text(page)).not.toContain('No lead yet');
  });

  it('names its groups where there are several', async () => {
    const page = await leads([
      { title: 'Yours', rows: rows.slice(0, 1) },
      { title: 'The demo crew', rows: rows.slice(1) },
    ]);
    expect([...page.querySelectorAll('section')].map((one) => one.getAttribute('aria-label'))).toEqual(['Yours', 'The demo crew']);
    expect([...page.querySelectorAll('h2')].map(text)).toEqual(['Yours', 'The demo crew']);
  });

  it('says what to do where there is nothing', async () => {
    const page = await leads([]);
    expect(text(page)).toContain('No lead yet.');
    expect(page.querySelectorAll('a')).toHaveLength(0);
  });
});

@Component({ changeDetection: ChangeDetectionStrategy.OnPush, template: '<h1>Tags</h1>' })
class Tags {}
@Component({ changeDetection: ChangeDetectionStrategy.OnPush, template: '<h1>Trips</h1>' })
class Trips {}

describe('the frame of a part with several pages', () => {
  const section = { name: 'Pack', tabs: [{ title: 'Trips', link: '/pack/trips' }, { title: 'Tags', link: '/pack/tags' }] }; // prettier-ignore

  async function opened(path: string): Promise<HTMLElement> {
    TestBed.configureTestingModule({
      providers: [
        provideStore({ items: itemsReducer }),
        provideRouter([{ path: 'pack', component: Frame, children: [{ path: 'trips', component: Trips }, { path: 'tags', component: Tags }] }]), // prettier-ignore
      ],
    });
    const harness = await RouterTestingHarness.create();
    await harness.navigateByUrl(path);
    await harness.fixture.whenStable();
    return harness.fixture.nativeElement as HTMLElement;
  }

  @Component({
    changeDetection: ChangeDetectionStrategy.OnPush,
    imports: [SectionPage],
    template: '<app-section-page [section]="section" />',
  })
  class Frame {
    readonly section = section;
  }

  it('marks the page that is open, and says that things load under a heading of its own', async () => {
    const page = await opened('/pack/tags');
    expect(page.querySelector('nav')?.getAttribute('aria-label')).toBe('Pages of Pack');
    expect([...page.querySelectorAll('nav a')].map((one) => [text(one), one.getAttribute('aria-current')])).toEqual([
      ['Trips', null],
      ['Tags', 'page'],
    ]);
    expect(text(page.querySelector('h1'))).toBe('Pack');
    TestBed.inject(Store).dispatch(Items.loaded({ saved: {} }));
    await new Promise((resolve) => setTimeout(resolve));
    expect(text(page.querySelector('[role=status]'))).toBe('');
  });
});

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PageTabs, RouterOutlet],
  template: '<nav [appPageTabs]="tabs" aria-label="Pages"></nav><router-outlet />',
})
class Log {
  readonly tabs = [{ title: 'All', link: '/log', exact: true as const }, { title: 'Draws', link: '/log/draws' }]; // prettier-ignore
}

it('a page whose address begins those of the others is marked only when it is open itself', async () => {
  TestBed.configureTestingModule({
    providers: [provideRouter([{ path: 'log', component: Log, children: [{ path: 'draws', component: Tags }] }])],
  });
  const harness = await RouterTestingHarness.create();
  await harness.navigateByUrl('/log/draws');
  const current = () =>
    [...(harness.fixture.nativeElement as HTMLElement).querySelectorAll('a')]
      .filter((one) => one.getAttribute('aria-current') === 'page')
      .map(text);
  expect(current()).toEqual(['Draws']);
  await harness.navigateByUrl('/log');
  expect(current()).toEqual(['All']);
});
