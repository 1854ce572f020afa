import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { BackupComparison, OnDifferent } from '@viaggio/core/document';
import { formatClock, formatDate } from '@viaggio/core/units';
import { KINDS } from '../../api/api';
import type { Kind, Problem } from '../../api/api';
import { counted } from '../../basics/counted';
import { FileDrop } from '../../basics/file-drop';
import { Preferences } from '../../device/preferences';
import { ProblemNote } from '../../basics/problem-note';
import { Items } from '../../state/items.actions';
import { Backups } from './backups';
import type { Sent } from './backups';
import { inWorld } from '../../api/world';

type Part = Kind | 'samples' | 'photos';
const TITLES: Readonly<Record<Part, string>> = {
  gear: 'Gear',
  rigs: 'Rigs',
  days: 'Days',
  log: 'Log',
  recordings: 'Recordings',
  sheets: 'Bench sheets',
  rules: 'Flight rules',
  trips: 'Trips',
  samples: 'Samples of recordings',
  photos: 'Photographs',
};

const PARTS: readonly Part[] = [...KINDS, 'samples', 'photos'];

type State =
  | { readonly is: 'nothing' }
  | { readonly is: 'sending'; readonly what: string }
  | { readonly is: 'failed'; readonly problem: Problem }
  | { readonly is: 'compared'; readonly file: File; readonly comparison: BackupComparison }
  | { readonly is: 'restored'; readonly file: File; readonly says: string };

/** Everything out as one file, and in again: what a file would bring is shown before anything is changed. */
@Component({
  selector: 'app-backup-page',
  imports: [FileDrop, ProblemNote],
  templateUrl: './backup-page.html',
  styles: `
    .side {
      max-width: 44rem;
    }
    td:not(:first-child),
    th:not(:first-child) {
      text-align: right;
    }
    progress {
      width: 100%;
      max-width: 24rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BackupPage {
  private readonly backups = inject(Backups);
  private readonly preferences = inject(Preferences);
  private readonly store = inject(Store);
  private sent: Sent | undefined;
  protected readonly state = signal<State>({ is: 'nothing' });
  protected readonly share = signal(0);
  protected readonly different = signal<OnDifferent>('keep');
  protected readonly takeSettings = signal(false);
  protected readonly titles = TITLES;
  protected readonly parts = PARTS;
  /** With the settings of this device, which the server does not keep. */
  protected readonly address = computed(() =>
    inWorld(`/api/backup?settings=${encodeURIComponent(JSON.stringify(this.preferences.all()))}`),
  );
  protected readonly sums = computed(() => {
    const state = this.state();
    return state.is === 'compared' ? sumsOf(state.comparison) : { new: 0, different: 0 };
  });
  /** How many things a restore would bring, as it is chosen now. */
  protected readonly brings = computed(() => this.sums().new + (this.different() === 'take' ? this.sums().different : 0));
  protected readonly counted = counted;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.cancel());
  }

  protected compare(file: File): void {
    void this.send(
      `Reading ${file.name}`,
      this.backups.compare(file, (share) => this.share.set(share)),
      (comparison) => {
        this.different.set('keep');
        this.takeSettings.set(false);
        this.state.set({ is: 'compared', file, comparison });
      },
    );
  }

  protected restore(file: File, { settings }: BackupComparison): void {
    const taken = this.takeSettings();
    const different = this.different();
    void this.send(
      `Restoring from ${file.name}`,
      this.backups.restore(file, different, (share) => this.share.set(share)),
      (restored) => {
        // by what was here when it was done: somebody may have changed something since it was compared
        const sums = sumsOf(restored);
        const brings = sums.new + (different === 'take' ? sums.different : 0);
        if (taken && settings) this.preferences.take(settings);
        this.store.dispatch(Items.load());
        const things = brings === 0 ? '' : `${counted(brings, 'thing')} ${brings === 1 ? 'was' : 'were'} brought from ${file.name}. `;
        this.state.set({
          is: 'restored',
          file,
          says: `${things}${taken ? 'The settings of this device are those of the backup.' : ''}`.trim(),
        });
      },
    );
  }

  protected cancel(): void {
    this.sent?.cancel();
  }

  protected again(): void {
    this.state.set({ is: 'nothing' });
  }

  protected when(moment: string): string {
    const at = new Date(moment);
    const two = (part: number) => String(part).padStart(2, '0');
    const date = formatDate(`${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`);
    return `${date}, ${formatClock(`${two(at.getHours())}:${two(at.getMinutes())}`)}`;
  }

  private async send(what: string, sent: Sent, then: (comparison: BackupComparison) => void): Promise<void> {
    this.sent = sent;
    this.share.set(0);
    this.state.set({ is: 'sending', what });
    try {
      then(await sent.answer);
    } catch (problem) {
      this.state.set(problem === undefined ? { is: 'nothing' } : { is: 'failed', problem: problem as Problem });
    }
  }
}

function sumsOf({ kinds }: BackupComparison): { readonly new: number; readonly different: number } {
  const of = (what: 'new' | 'different'): number => PARTS.reduce((sum, part) => sum + kinds[part][what], 0);
  return { new: of('new'), different: of('different') };
}
