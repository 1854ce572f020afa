import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { gearTitle } from '@viaggio/core/gear';
import type { Borrowed, Gear } from '@viaggio/core/gear';
import { formatDate } from '@viaggio/core/units';
import { PickerField } from '../../../fields/picker-field';
import type { Choice } from '../../../fields/picker-field';
import { CheckField } from '../../../fields/check-field';
import { DateField } from '../../../fields/date-field';
import { SelectField } from '../../../fields/select-field';
import { TextField } from '../../../fields/text-field';
import { KIND_TITLES } from '../../../parts/gear/kinds';
import { localDate } from '../../../device/dates';
import { Items } from '../../../state/items.actions';
import { selectGear } from '../../../state/items.selectors';
import { BORROWED } from './borrowed-fields';

interface Line {
  readonly id: string;
  readonly title: string;
  readonly borrowed: Borrowed;
  readonly says: string;
  readonly is: 'here' | 'late' | 'back';
}

/** What belongs to somebody else: from whom, until when, in which state it came and goes. Prints as a sheet to sign. */
@Component({
  selector: 'app-borrowed-page',
  imports: [CheckField, DateField, PickerField, RouterLink, SelectField, TextField],
  templateUrl: './borrowed-page.html',
  styleUrl: './borrowed-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BorrowedPage {
  private readonly store = inject(Store);
  private readonly gear = this.store.selectSignal(selectGear);
  protected readonly fields = BORROWED;
  protected readonly hows = [
    ['borrowed', 'borrowed'],
    ['rented', 'rented'],
  ] as const;
  protected readonly lines = computed((): readonly Line[] => {
    const today = localDate(new Date());
    const rank = { late: 0, here: 1, back: 2 } as const;
    return this.gear()
      .flatMap(({ id, body }): Line[] => {
        const { borrowed } = body;
        if (!borrowed) return [];
        const is = borrowed.back ? 'back' : borrowed.until !== undefined && borrowed.until < today ? 'late' : 'here';
        const until = borrowed.until === undefined ? 'until when is not entered' : `back by ${formatDate(borrowed.until)}`;
        return [
          {
            id,
            title: gearTitle(body),
            borrowed,
            is,
            says: is === 'back' ? `given back ${formatDate(borrowed.back!.on)}` : is === 'late' ? `■ overdue: ${until}` : until,
          },
        ];
      })
      .sort((a, b) => rank[a.is] - rank[b.is] || (a.borrowed.until ?? '9').localeCompare(b.borrowed.until ?? '9'));
  });
  protected readonly choices = computed((): readonly Choice[] =>
    this.gear()
      .filter(({ body }) => !body.borrowed && !body.archived)
      .map(({ id, body }) => ({ value: id, title: gearTitle(body), group: KIND_TITLES[body.kind].one })),
  );

  protected add(id: string | undefined): void {
    if (id !== undefined && id !== '') this.set(id, { how: 'rented', from: 'From whom', out: { on: localDate(new Date()) } }, 'added');
  }

  protected change({ id, borrowed }: Line, changes: Partial<Borrowed>, field: string): void {
    this.set(id, { ...borrowed, ...changes }, field);
  }

  protected until({ id, borrowed }: Line, until: string | undefined): void {
    const { until: _until, ...rest } = borrowed;
    this.set(id, until === undefined ? rest : { ...rest, until }, 'until');
  }

  /** The state in which it came, or goes back. */
  protected state({ id, borrowed }: Line, way: 'out' | 'back', state: string | undefined): void {
    const { state: _state, ...rest } = borrowed[way] ?? { on: localDate(new Date()) };
    this.set(id, { ...borrowed, [way]: state === undefined ? rest : { ...rest, state } }, `${way} state`);
  }

  /** It came damaged: nothing is fed with it before it was looked at. */
  protected damaged({ id, borrowed }: Line, isDamaged: boolean): void {
    const { damaged: _damaged, ...rest } = borrowed.out ?? { on: localDate(new Date()) };
    this.set(id, { ...borrowed, out: isDamaged ? { ...rest, damaged: true } : rest }, 'damaged');
  }

  protected giveBack({ id, borrowed }: Line, isBack: boolean): void {
    const { back: _back, ...rest } = borrowed;
    this.set(id, isBack ? { ...rest, back: { on: localDate(new Date()) } } : rest, `back ${Date.now()}`);
  }

  protected remove(id: string): void {
    const body = this.gear().find((one) => one.id === id)?.body;
    if (!body) return;
    const { borrowed: _borrowed, ...rest } = body;
    this.edit(id, rest, `owned ${Date.now()}`);
  }

  protected print(): void {
    window.print();
  }

  private set(id: string, borrowed: Borrowed, field: string): void {
    const body = this.gear().find((one) => one.id === id)?.body;
    if (body) this.edit(id, { ...body, borrowed }, `borrowed ${field}`);
  }

  private edit(id: string, body: Gear, field: string): void {
    this.store.dispatch(Items.edit({ kind: 'gear', id, body, field, at: Date.now() }));
  }
}
