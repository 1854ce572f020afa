import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';

let lastId = 0;

/** A place to choose a file, or to drop one. */
@Component({
  selector: 'app-file-drop',
  template: `
    <div
      class="drop"
      [class.over]="over()"
      (dragover)="$event.preventDefault(); over.set(true)"
      (dragleave)="over.set(false)"
      (drop)="drop($event)"
    >
      <label class="form-label" [for]="id">{{ says() }}</label>
      <input
        #chooser
        type="file"
        class="form-control"
        [id]="id"
        [accept]="accept()"
        (change)="chooser.files?.[0] && chosen.emit(chooser.files![0]!)"
      />
    </div>
  `,
  styles: `
    :host {
      display: block;
    }
    .drop {
      max-width: 36rem;
      padding: 1.25rem;
      border: 2px dashed var(--bs-border-color);
      border-radius: var(--bs-border-radius);
    }
    .over {
      background: var(--bs-tertiary-bg);
      border-color: var(--journey);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FileDrop {
  /** Endings and media types, apart by commas. */
  readonly accept = input.required<string>();
  readonly says = input('Choose a file, or drop it here');
  readonly chosen = output<File>();
  protected readonly id = `file-${++lastId}`;
  protected readonly over = signal(false);

  protected drop(event: DragEvent): void {
    event.preventDefault();
    this.over.set(false);
    const file = event.dataTransfer?.files[0];
    if (file) this.chosen.emit(file);
  }
}
