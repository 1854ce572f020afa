import { readLabel } from '@viaggio/core/gear';
import { formatQuantity } from '@viaggio/core/units';
import { sayLabelled } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, output, signal } from '@angular/core';
import { FileDrop } from '../../../basics/file-drop';
import { Recogniser } from './recogniser';
import type { ReadPicture } from './recogniser';

type State =
  | { readonly is: 'waiting' }
  | { readonly is: 'reading'; readonly share: number }
  | { readonly is: 'read'; readonly picture: ReadPicture }
  | { readonly is: 'failed'; readonly message: string };

/** A picture larger than this is no photograph of a label. */
const MOST_BYTES = 25_000_000;

/**
 * A label from a photograph: recognised on this device, shown on the picture, corrected by hand. Nothing of it is used
 * before somebody has looked at it and said so.
 */
@Component({
  selector: 'app-label-photo',
  imports: [FileDrop],
  template: `
    @let now = state();
    @if (now.is === 'waiting' || now.is === 'failed') {
      <app-file-drop accept="image/*" says="Take or drop a picture of the label" (chosen)="read($event)" />
      <p class="hint">Near, straight, with even light. It is read on this device and sent nowhere.</p>
    }
    @if (now.is === 'failed') {
      <p class="verdict-stop" role="alert">{{ now.message }}</p>
    }
    @if (now.is === 'reading') {
      <p role="status" class="mb-1">Reading the picture …</p>
      <progress class="w-100" max="1" aria-label="Read" [value]="now.share"></progress>
      <button type="button" class="btn btn-sm btn-outline-secondary" (click)="cancel()">Cancel</button>
    }
    @if (now.is === 'read') {
      <div class="read">
        <div class="picture">
          <img [src]="now.picture.url" alt="The picture that was read" />
          @for (word of now.picture.label.words; track $index) {
            <span
              class="word"
              [class.doubtful]="word.doubtful"
              [title]="word.text"
              [style.left.%]="(100 * word.box.x0) / now.picture.width"
              [style.top.%]="(100 * word.box.y0) / now.picture.height"
              [style.width.%]="(100 * (word.box.x1 - word.box.x0)) / now.picture.width"
              [style.height.%]="(100 * (word.box.y1 - word.box.y0)) / now.picture.height"
              ><span>{{ word.text }}</span></span
            >
          }
        </div>
        <div>
          <label class="form-label" for="photo-text">What was read: correct it</label>
          <textarea
            #box
            id="photo-text"
            class="form-control"
            rows="3"
            spellcheck="false"
            [value]="text()"
            (input)="text.set(box.value)"
          ></textarea>
          <p class="mt-1 mb-1" role="status">{{ says() }}</p>
          @for (doubt of doubts(); track doubt) {
            <p class="usual-caution">{{ doubt }}</p>
          }
          <div class="d-flex flex-wrap gap-2 mt-2">
            <button type="button" class="btn btn-primary btn-sm" [disabled]="refused()" (click)="use()">Use these figures</button>
            <button type="button" class="btn btn-outline-secondary btn-sm" (click)="state.set({ is: 'waiting' })">Another picture</button>
          </div>
        </div>
      </div>
    }
  `,
  styles: `
    .hint {
      font-size: var(--type-note);
      color: var(--bs-secondary-color);
    }
    .read {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 18rem), 1fr));
      gap: var(--space-4);
    }
    .picture {
      position: relative;
    }
    img {
      display: block;
      width: 100%;
      border-radius: var(--radius);
    }
    .word {
      position: absolute;
      border: 1.5px solid #1f6b45;
      background: rgb(255 255 255 / 0.12);
    }
    .word span {
      position: absolute;
      top: 100%;
      left: 0;
      padding: 0 0.2rem;
      font-size: 0.7rem;
      line-height: 1.2;
      white-space: nowrap;
      color: #fff;
      background: #1f6b45;
    }
    .word.doubtful {
      border: 2.5px dashed #a92a1e;
    }
    .word.doubtful span {
      background: #a92a1e;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LabelPhoto {
  /** The text, once somebody has said that it is right. */
  readonly used = output<string>();
  private readonly recogniser = inject(Recogniser);
  protected readonly state = signal<State>({ is: 'waiting' });
  protected readonly text = signal('');
  private turn = 0;
  private readonly label = computed(() => readLabel(this.text()));
  protected readonly refused = computed(() => this.label().refused !== undefined);
  protected readonly says = computed(() => {
    const { refused, reads } = this.label();
    if (refused) return this.text().trim() === '' ? 'No figure was read.' : `Not understood: expected ${refused.expected}.`;
    const { voltageV, capacityAh, energyWh } = reads;
    const figures = [
      ...(voltageV === undefined ? [] : [formatQuantity(voltageV, 'V')]),
      ...(capacityAh === undefined ? [] : [formatQuantity(capacityAh, 'Ah')]),
      ...(energyWh === undefined ? [] : [formatQuantity(energyWh, 'Wh')]),
    ];
    return figures.length === 0 ? 'Read.' : `Read as ${figures.join(', ')}.`;
  });
  /** Of the picture; what was corrected by hand is nobody’s doubt any more. */
  protected readonly doubts = computed((): readonly string[] => {
    const state = this.state();
    return state.is === 'read' && this.text() === state.picture.label.text ? state.picture.label.doubts.map(sayLabelled) : [];
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.state().is === 'reading' && void this.recogniser.cancel());
  }

  protected async read(file: File): Promise<void> {
    if (!file.type.startsWith('image/') || file.size > MOST_BYTES) {
      this.state.set({ is: 'failed', message: `Expected a picture of at most 25 MB, got ${file.name || 'something else'}.` });
      return;
    }
    const turn = ++this.turn;
    this.state.set({ is: 'reading', share: 0 });
    try {
      const picture = await this.recogniser.read(file, (share) => this.turn === turn && this.state.set({ is: 'reading', share }));
      if (this.turn !== turn) return;
      this.text.set(picture.label.text);
      this.state.set({ is: 'read', picture });
    } catch (error) {
      if (this.turn === turn) this.state.set({ is: 'failed', message: `The picture could not be read: ${said(error)}` });
    }
  }

  protected cancel(): void {
    this.turn++;
    this.state.set({ is: 'waiting' });
    void this.recogniser.cancel();
  }

  protected use(): void {
    this.used.emit(this.text());
    this.state.set({ is: 'waiting' });
  }
}

function said(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
