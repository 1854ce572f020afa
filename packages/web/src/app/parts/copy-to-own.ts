import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { Api } from '../api/api';
import type { Kind, Problem } from '../api/api';
import type { PageAct } from '../basics/page-menu';
import { inWorld, thisWorld } from '../api/world';
import { Items } from '../state/items.actions';

/** Copies a thing of the demo crew's to one's own side, with all that it names, and goes there. */
@Injectable({ providedIn: 'root' })
export class CopyToOwn {
  private readonly api = inject(Api);
  private readonly store = inject(Store);

  /** For the menu of a page; nothing where the thing is one's own already. `at`: where it is looked at over there. */
  acts(kind: Kind, id: () => string, at: () => string): readonly PageAct[] {
    return thisWorld() === 'demo' ? [{ title: 'Copy to my kit', icon: 'copy', do: () => this.copy(kind, id(), at()) }] : [];
  }

  private copy(kind: Kind, id: string, at: string): void {
    this.api.copyToOwn(kind, id).subscribe({
      next: () => location.assign(inWorld(at, 'own')),
      error: (problem: Problem) => this.store.dispatch(Items.actFailed({ problem })),
    });
  }
}
