import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MomentField } from '../sheet/moment-field';
import { MoveList } from './move-list';
import type { Move, MoveEdit } from './move-list';

@Component({ selector: 'app-moment-field', changeDetection: ChangeDetectionStrategy.OnPush, template: '' })
class PlainMoment {
  readonly label = input('');
  readonly minute = input(0);
  readonly minuteChange = output<number>();
}

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MoveList],
  template: `
    <app-move-list heading="Changes" none="Nothing is changed." [moves]="moves" (edited)="edits.push($event)">
      <ng-template #more let-move
        ><em>{{ move.of }}</em></ng-template
      >
      <p>below all</p>
    </app-move-list>
  `,
})
class Changes {
  moves: readonly Move<string>[] = [];
  readonly edits: { readonly of: string; readonly as: MoveEdit }[] = [];
}

async function changes(moves: readonly Move<string>[]) {
  TestBed.overrideComponent(MoveList, { remove: { imports: [MomentField] }, add: { imports: [PlainMoment] } });
  const fixture = TestBed.createComponent(Changes);
  fixture.componentInstance.moves = moves;
  await fixture.whenStable();
  const page = fixture.nativeElement as HTMLElement;
  const press = (label: string) => page.querySelector<HTMLButtonElement>(`button[aria-label="${label}"]`)!.click();
  return { page, press, edits: fixture.componentInstance.edits };
}

const move = (of: string, locked = false): Move<string> => ({ key: of, of, title: `${of} into Deck`, atMin: 600, locked, state: '80 %' });

describe('the changes of a plan', () => {
  it('are locked, let go and taken out, each by its own line', async () => {
    const { page, press, edits } = await changes([move('V1'), move('V2', true)]);
    expect(
      [...page.querySelectorAll('button[aria-pressed]')].map((one) => [one.textContent?.trim(), one.getAttribute('aria-pressed')]),
    ).toEqual([
      ['Lock', 'false'],
      ['Locked', 'true'],
    ]);
    press('Lock: V1 into Deck');
    press('Lock: V2 into Deck');
    press('Remove: V2 into Deck');
    expect(edits).toEqual([
      { of: 'V1', as: { locked: true } },
      { of: 'V2', as: { locked: false } },
      { of: 'V2', as: undefined },
    ]);
    expect([...page.querySelectorAll('em')].map((one) => one.textContent)).toEqual(['V1', 'V2']);
    expect(page.textContent).toContain('below all');
  });

  it('say so where there are none', async () => {
    const { page } = await changes([]);
    expect(page.textContent).toContain('Nothing is changed.');
    expect(page.querySelectorAll('button')).toHaveLength(0);
  });
});
