import { ChangeDetectionStrategy, Component, DestroyRef, computed, effect, inject, signal, viewChild } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { NgbModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { NgbToastModule } from '@ng-bootstrap/ng-bootstrap/toast';
import { Actions, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';
import { tinykeys } from 'tinykeys';
import type { Problem } from './api/api';
import { ConflictDialog } from './shell/conflict-dialog';
import type { ConflictChoice } from './shell/conflict-dialog';
import { Icon } from './basics/icon';
import { ProblemNote } from './basics/problem-note';
import { AppMenu } from './shell/app-menu';
import { SaveStatus } from './shell/save-status';
import { WorldSwitch } from './shell/world-switch';
import { SHORTCUTS } from './basics/shortcuts';
import type { ShortcutAct } from './basics/shortcuts';
import { VIEWS } from './basics/views';
import { Theme } from './device/theme';
import { thisWorld, WORLD_TITLES } from './api/world';
import { Items } from './state/items.actions';
import type { Step } from './state/items';
import { selectConflict, selectLoading, selectRedo, selectUndo } from './state/items.selectors';

/** The frame around every view: where one is, whether it is saved, undo, search, and what must be decided. */
@Component({
  selector: 'app-root',
  imports: [AppMenu, Icon, NgbToastModule, ProblemNote, RouterLink, RouterLinkActive, RouterOutlet, SaveStatus, WorldSwitch],
  templateUrl: './app.html',
  styleUrl: './app.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  protected readonly views = VIEWS;
  /** Whose things the pages show. */
  protected readonly world = WORLD_TITLES[thisWorld()];
  private readonly store = inject(Store);
  private readonly modals = inject(NgbModal);
  private readonly router = inject(Router);

  protected readonly loading = this.store.selectSignal(selectLoading);
  protected readonly undoStep = this.store.selectSignal(selectUndo);
  protected readonly redoStep = this.store.selectSignal(selectRedo);
  /** What was just done as a whole, as long as it is the step that undo takes back. */
  private readonly done = signal<Step | undefined>(undefined);
  protected readonly toast = computed(() => (this.done() === this.undoStep() ? this.done() : undefined));
  protected readonly problem = signal<Problem | undefined>(undefined);
  private readonly conflict = this.store.selectSignal(selectConflict);
  private readonly conflictRef = computed(() => {
    const conflict = this.conflict();
    return (
      conflict && `${conflict.kind}/${conflict.entry.id}/${conflict.entry.sync.is === 'conflict' && conflict.entry.sync.theirs.revision}`
    );
  });

  private readonly menu = viewChild.required(AppMenu);
  private readonly url = toSignal(this.router.events.pipe(map(() => this.router.url)), { initialValue: this.router.url });
  /** Where one is, for the head of a phone. */
  protected readonly place = computed(() => this.views.find(({ path }) => this.url().startsWith(path))?.title ?? 'Viaggio');

  constructor() {
    inject(Theme);
    this.store.dispatch(Items.load());
    const bindings = SHORTCUTS.flatMap(({ press, does }) =>
      press.map((keys) => [keys, (event: KeyboardEvent) => this.shortcut(event, does)]),
    );
    inject(DestroyRef).onDestroy(tinykeys(window, Object.fromEntries(bindings) as Record<string, (event: KeyboardEvent) => void>));
    const actions = inject(Actions).pipe(takeUntilDestroyed());
    actions
      .pipe(ofType(Items.changed))
      .subscribe(({ acting }) => this.done.set(acting.how === 'do' && acting.step.title ? acting.step : undefined));
    actions.pipe(ofType(Items.actFailed, Items.changeFailed)).subscribe(({ problem }) => this.problem.set(problem));
    effect(() => {
      if (this.conflictRef() !== undefined) void this.decide();
    });
  }

  protected undo(): void {
    this.store.dispatch(Items.undo());
  }

  protected redo(): void {
    this.store.dispatch(Items.redo());
  }

  protected dismiss(): void {
    this.done.set(undefined);
  }

  protected async search(): Promise<void> {
    // asked for before it is needed by few: it is not part of the first load
    const { SearchDialog } = await import('./shell/search-dialog');
    if (this.modals.hasOpenModals()) return;
    this.modals.open(SearchDialog, { ariaLabelledBy: 'search-title', scrollable: false }).result.catch(() => undefined);
  }

  /** Nothing is done while somebody types, or while something must be answered first. */
  private shortcut(event: KeyboardEvent, does: ShortcutAct): void {
    if (isTypedIn(event.target) || this.modals.hasOpenModals()) return;
    if ('go' in does) void this.router.navigate([does.go]);
    else if (does.act === 'undo') this.undo();
    else if (does.act === 'redo') this.redo();
    else if (does.act === 'search') void this.search();
    else if (does.act === 'keys') this.menu().showKeys();
    else return; // what is open closes itself
    event.preventDefault();
  }

  /** Both states are kept until a person has chosen; there is no way around the choice. */
  private async decide(): Promise<void> {
    const conflict = this.conflict();
    if (!conflict || this.modals.hasOpenModals()) return;
    const { kind, entry } = conflict;
    const dialog = this.modals.open(ConflictDialog, { ariaLabelledBy: 'conflict-title', backdrop: 'static', keyboard: false, size: 'lg' });
    const choice = (await dialog.result) as ConflictChoice;
    const ref = { kind, id: entry.id };
    const at = Date.now();
    if (choice === 'mine') this.store.dispatch(Items.keepMine({ ...ref, at }));
    else if (choice === 'theirs') this.store.dispatch(Items.takeTheirs({ ...ref, at }));
    else if (kind === 'rigs' || kind === 'days')
      this.store.dispatch(Items.keepBoth({ kind, id: entry.id, copyId: crypto.randomUUID(), at }));
  }
}

/** Where keys are letters. In a box that is ticked or a slider they are not, and a tick is taken back like all else. */
function isTypedIn(target: EventTarget | null): boolean {
  if (target instanceof HTMLInputElement) return !['checkbox', 'radio', 'range', 'button', 'file'].includes(target.type);
  return target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement;
}
