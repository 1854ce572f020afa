import { ChangeDetectionStrategy, Component, DestroyRef, afterNextRender, inject, signal, viewChild } from '@angular/core';
import type { ElementRef } from '@angular/core';
import { NgbActiveModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { codeReader } from './decoder';

/** Pictures a second that are looked at. */
const EVERY_MS = 160;
/** The longer side of what is looked at: a tag that fills a third of the picture is read. */
const LOOKED_AT = 960;
/** The same code again counts after so long. */
const AGAIN_MS = 2500;

type CameraState = 'starting' | 'on' | 'refused' | 'none' | 'unsafe';

/** What the person reads of a code that was found. */
export interface Scanned {
  readonly isKnown: boolean;
  readonly says: string;
}

/** The camera, looking for a tag; a typed tag does the same. */
@Component({
  selector: 'app-scan-dialog',
  template: `
    <div class="modal-header">
      <h2 class="modal-title fs-5" id="scan-title">{{ title }}</h2>
      <button type="button" class="btn-close" aria-label="Close" (click)="modal.dismiss()"></button>
    </div>
    <div class="modal-body">
      <div class="camera" [class.off]="camera() !== 'on'">
        <video #video muted playsinline aria-label="What the camera sees"></video>
        @switch (camera()) {
          @case ('starting') {
            <p role="status">The camera starts …</p>
          }
          @case ('refused') {
            <p>The camera may not be used here. Allow it in the browser, or type the tag.</p>
          }
          @case ('none') {
            <p>No camera was found. Type the tag.</p>
          }
          @case ('unsafe') {
            <p>Browsers give the camera only to https, or on the machine that runs Viaggio. Type the tag.</p>
          }
        }
      </div>
      <form class="typed" (submit)="$event.preventDefault(); type(tag.value); tag.value = ''">
        <label class="form-label" for="scan-tag">Or type the tag</label>
        <div class="input-group">
          <input #tag id="scan-tag" class="form-control" autocomplete="off" autocapitalize="characters" placeholder="V3" />
          <button class="btn btn-primary">Go</button>
        </div>
      </form>
      <p class="found" role="status" [class.unknown]="last() && !last()!.isKnown">{{ last()?.says }}</p>
    </div>
  `,
  styles: `
    .camera {
      position: relative;
      aspect-ratio: 4 / 3;
      overflow: hidden;
      background: #000;
      border-radius: var(--radius);
    }
    .camera.off {
      aspect-ratio: auto;
      color: inherit;
      background: var(--bs-tertiary-bg);
    }
    .camera.off video {
      display: none;
    }
    .camera p {
      margin: 0;
      padding: var(--space-4);
    }
    video {
      width: 100%;
      height: 100%;
      object-fit: cover;
    }
    .typed {
      margin-top: var(--space-3);
    }
    .typed input,
    .typed .btn {
      min-height: 3rem;
      font-size: 1.1rem;
    }
    .found {
      min-height: 1.5em;
      margin: var(--space-3) 0 0;
      font-weight: 600;
      color: var(--good);
    }
    .found.unknown {
      color: var(--stop);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScanDialog {
  protected readonly modal = inject(NgbActiveModal);
  private readonly video = viewChild.required<ElementRef<HTMLVideoElement>>('video');
  protected readonly camera = signal<CameraState>('starting');
  protected readonly last = signal<Scanned | undefined>(undefined);
  title = 'Scan a tag';
  /** What is done with a code; closes after the first known one where `once`. */
  found: (text: string) => Scanned = () => ({ isKnown: false, says: '' });
  once = true;
  private stream: MediaStream | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private ended = false;
  private before = { text: '', at: 0 };

  constructor() {
    afterNextRender(() => void this.start());
    inject(DestroyRef).onDestroy(() => this.end());
  }

  protected type(text: string): void {
    if (text.trim() !== '') this.tell(text);
  }

  private async start(): Promise<void> {
    const { mediaDevices } = navigator as { mediaDevices?: MediaDevices };
    if (!window.isSecureContext || !mediaDevices) {
      this.camera.set('unsafe');
      return;
    }
    try {
      this.stream = await mediaDevices.getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1280 } } });
    } catch (error) {
      this.camera.set(error instanceof DOMException && error.name === 'NotAllowedError' ? 'refused' : 'none');
      return;
    }
    if (this.ended) {
      this.end();
      return;
    }
    const video = this.video().nativeElement;
    video.srcObject = this.stream;
    await video.play();
    this.camera.set('on');
    void this.look(document.createElement('canvas'));
  }

  private async look(canvas: HTMLCanvasElement): Promise<void> {
    const read = await codeReader();
    const video = this.video().nativeElement;
    const next = async (): Promise<void> => {
      if (this.ended) return;
      const scale = Math.min(1, LOOKED_AT / Math.max(video.videoWidth, video.videoHeight, 1));
      canvas.width = Math.round(video.videoWidth * scale);
      canvas.height = Math.round(video.videoHeight * scale);
      const context = canvas.getContext('2d', { willReadFrequently: true });
      if (context && canvas.width > 0 && canvas.height > 0) {
        context.drawImage(video, 0, 0, canvas.width, canvas.height);
        const text = await read(context.getImageData(0, 0, canvas.width, canvas.height));
        if (text !== undefined && !this.ended) this.see(text);
      }
      this.timer = setTimeout(() => void next(), EVERY_MS);
    };
    await next();
  }

  /** The camera goes on seeing what lies before it: one tag is one act. */
  private see(text: string): void {
    const now = Date.now();
    const isSame = text === this.before.text && now - this.before.at < AGAIN_MS;
    this.before = { text, at: now };
    if (!isSame) this.tell(text);
  }

  private tell(text: string): void {
    const told = this.found(text);
    this.last.set(told);
    if (told.isKnown) navigator.vibrate?.(60);
    if (told.isKnown && this.once) this.modal.close(text);
  }

  private end(): void {
    this.ended = true;
    clearTimeout(this.timer);
    for (const track of this.stream?.getTracks() ?? []) track.stop();
  }
}
