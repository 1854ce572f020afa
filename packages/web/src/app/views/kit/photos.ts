import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../../api/api';
import type { Problem } from '../../api/api';
import { Icon } from '../../basics/icon';
import { ProblemNote } from '../../basics/problem-note';
import { smallerPicture } from '../../device/smaller-picture';
import { inWorld } from '../../api/world';

/** Photographs of a piece of gear: its label, its plug, the scratch it had when it came. */
@Component({
  selector: 'app-photos',
  imports: [Icon, ProblemNote],
  template: `
    <div class="row-of" role="group" aria-label="Photographs">
      @for (id of ids(); track id; let index = $index) {
        <div class="photo">
          <a [href]="addressOf(id)" target="_blank" rel="noopener">
            <img loading="lazy" [src]="addressOf(id)" [alt]="'Photograph ' + (index + 1)" />
          </a>
          <button type="button" class="btn icon-button" [attr.aria-label]="'Delete photograph ' + (index + 1)" (click)="remove(id)">
            <app-icon name="close" />
          </button>
        </div>
      }
      <label class="add">
        <app-icon name="add" /><span>{{ busy() ? 'Saving …' : 'Photograph' }}</span>
        <input #chooser type="file" accept="image/*" class="visually-hidden" [disabled]="busy()" (change)="add(chooser)" />
      </label>
    </div>
    @if (gone(); as last) {
      <p class="small mb-1" role="status">
        A photograph is deleted. <button type="button" class="btn btn-link btn-sm p-0 align-baseline" (click)="putBack(last)">Undo</button>
      </p>
    }
    @if (problem(); as failed) {
      <app-problem-note [problem]="failed" />
    }
  `,
  styles: `
    .row-of {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-2);
      margin-bottom: var(--space-2);
    }
    .photo {
      position: relative;
    }
    img,
    .add {
      width: 5rem;
      height: 5rem;
      object-fit: cover;
      border-radius: var(--radius);
    }
    .photo button {
      position: absolute;
      top: 0;
      right: 0;
      min-width: 1.75rem;
      min-height: 1.75rem;
      background: color-mix(in srgb, var(--bs-body-bg) 80%, transparent);
    }
    .add {
      display: flex;
      flex-direction: column;
      align-items: center;
      justify-content: center;
      font-size: var(--type-note);
      color: var(--bs-secondary-color);
      border: 1px dashed var(--bs-border-color);
      cursor: pointer;
    }
    .add:focus-within {
      outline: 2px solid var(--journey);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Photos {
  protected readonly addressOf = (id: string): string => inWorld(`/api/photos/${id}`);

  readonly gearId = input.required<string>();
  private readonly api = inject(Api);
  protected readonly ids = signal<readonly string[]>([]);
  protected readonly busy = signal(false);
  protected readonly problem = signal<Problem | undefined>(undefined);
  /** What was deleted last, as long as it can be put back. */
  protected readonly gone = signal<{ readonly id: string; readonly jpeg: Blob } | undefined>(undefined);

  constructor() {
    effect((onCleanup) => {
      this.ids.set([]);
      this.gone.set(undefined);
      this.problem.set(undefined);
      const asked = this.api.photos(this.gearId()).subscribe({
        next: (found) => this.ids.set(found.map(({ id }) => id)),
        error: (problem: Problem) => this.problem.set(problem),
      });
      onCleanup(() => asked.unsubscribe());
    });
  }

  protected async add(chooser: HTMLInputElement): Promise<void> {
    const file = chooser.files?.[0];
    chooser.value = '';
    if (!file) return;
    this.busy.set(true);
    let jpeg: Blob | undefined;
    try {
      jpeg = await smallerPicture(file);
    } catch {
      this.problem.set(unreadable(file.name));
    }
    if (jpeg) await this.keep(crypto.randomUUID(), jpeg);
    this.busy.set(false);
  }

  protected async remove(id: string): Promise<void> {
    await this.asked(async () => {
      const jpeg = await (await fetch(this.addressOf(id))).blob();
      await firstValueFrom(this.api.deletePhoto(id));
      this.ids.update((before) => before.filter((one) => one !== id));
      this.gone.set({ id, jpeg });
    });
  }

  protected async putBack({ id, jpeg }: { readonly id: string; readonly jpeg: Blob }): Promise<void> {
    this.gone.set(undefined);
    await this.keep(id, jpeg);
  }

  private async keep(id: string, jpeg: Blob): Promise<void> {
    await this.asked(async () => {
      await firstValueFrom(this.api.keepPhoto(id, this.gearId(), jpeg));
      this.ids.update((before) => [...before, id]);
    });
  }

  private async asked(act: () => Promise<void>): Promise<void> {
    this.problem.set(undefined);
    try {
      await act();
    } catch (problem) {
      this.problem.set(problem as Problem);
    }
  }
}

function unreadable(name: string): Problem {
  return {
    code: 'not-a-picture',
    title: 'That is no picture',
    detail: `Expected a photograph (JPEG, PNG, WebP), got “${name}”.`,
    remedy: 'Take it again, or save it as JPEG.',
  };
}
