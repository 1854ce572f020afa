import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { ProblemNote } from '../shared/problem-note';
import { selectLoading } from '../state/items.selectors';
import { RigSheet } from './rig-sheet';

/** The frame of one rig's pages: its name, its acts, and the way between rig, comparison, balance and history. */
@Component({
  selector: 'app-rig-page',
  imports: [ProblemNote, RouterLink, RouterLinkActive, RouterOutlet],
  providers: [RigSheet],
  template: `
    @let current = sheet.rig();
    @if (current) {
      <div class="top">
        <h1>{{ current.name }}</h1>
        @if (sheet.entry()?.origin === 'demo') {
          <span class="badge text-bg-secondary">demo</span>
        }
        <div class="ms-auto d-flex flex-wrap gap-2 acts">
          <button type="button" class="btn btn-sm btn-outline-secondary" (click)="copyLink()">
            {{ copied() ? 'Copied' : 'Copy link' }}
          </button>
          <button type="button" class="btn btn-sm btn-outline-secondary" (click)="sheet.duplicate()">Duplicate</button>
          <button type="button" class="btn btn-sm btn-outline-secondary" (click)="print()">Print</button>
          <button type="button" class="btn btn-sm btn-outline-danger" (click)="remove()">Delete</button>
        </div>
      </div>
      @if (current.note) {
        <p class="text-body-secondary mb-2">{{ current.note }}</p>
      }
      <nav class="pages" aria-label="Pages of this rig">
        <a routerLink="./" routerLinkActive="active" [routerLinkActiveOptions]="{ exact: true }" ariaCurrentWhenActive="page">Rig</a>
        <a routerLink="./compare" routerLinkActive="active" ariaCurrentWhenActive="page">Compare</a>
        <a routerLink="./balance" routerLinkActive="active" ariaCurrentWhenActive="page">Balance</a>
        <a routerLink="./unattended" routerLinkActive="active" ariaCurrentWhenActive="page">Unattended</a>
        <a routerLink="./history" routerLinkActive="active" ariaCurrentWhenActive="page">History</a>
      </nav>
      @if (sheet.refused(); as problem) {
        <app-problem-note [problem]="problem" />
      }
      <router-outlet />
    } @else if (loading().is === 'loading') {
      <p role="status">Loading …</p>
    } @else if (loading().is === 'loaded') {
      <h1>There is no such rig</h1>
      <p>It may have been deleted. <a routerLink="/rigs">See all rigs</a>.</p>
    }
  `,
  styleUrl: './rig-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RigPage {
  /** From the address. */
  readonly id = input.required<string>();
  protected readonly sheet = inject(RigSheet);
  private readonly router = inject(Router);
  protected readonly loading = inject(Store).selectSignal(selectLoading);
  protected readonly copied = signal(false);

  constructor() {
    effect(() => this.sheet.id.set(this.id()));
  }

  protected async copyLink(): Promise<void> {
    await navigator.clipboard.writeText(location.href);
    this.copied.set(true);
    setTimeout(() => this.copied.set(false), 2000);
  }

  protected async remove(): Promise<void> {
    this.sheet.remove();
    await this.router.navigate(['/rigs']);
  }

  protected print(): void {
    window.print();
  }
}
