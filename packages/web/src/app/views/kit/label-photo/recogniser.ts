import { Injectable } from '@angular/core';
import { labelOfPicture } from '@viaggio/core/gear';
import type { PictureLabel, RecognisedWord } from '@viaggio/core/gear';
import type { Page, Worker } from 'tesseract.js';
import { preparedFrom, turnedBy } from './prepare';
import type { Prepared } from './prepare';

/** From here the recogniser, its core and its English data are served; nothing is fetched from elsewhere. */
const FILES = '/ocr-7';
const CORE = 'tesseract-core-simd-lstm.wasm.js';
/** A picture that takes longer is grain, not print. */
const MOST_MS = 60_000;
const TOO_LONG = 'it takes too long. Come nearer, or light it better, so that there is less grain.';
/** Below this mean confidence a picture may stand on its head or its side. */
const UPRIGHT = 55;
const QUARTERS = [90, 270, 180] as const;

/** What was made of a picture: the label, and the picture as it was looked at, with the words’ boxes in its pixels. */
export interface ReadPicture {
  readonly label: PictureLabel;
  readonly url: string;
  readonly width: number;
  readonly height: number;
}

/** Reads labels from photographs, on this device. The recogniser is loaded when it is first asked. */
@Injectable({ providedIn: 'root' })
export class Recogniser {
  private worker: Promise<Worker> | undefined;
  private progress: (share: number) => void = () => undefined;
  private stop: (why: Error) => void = () => undefined;

  /** Reads a picture twice, as it is and evenly lit; what differs is doubted. `progress` is told shares from 0 to 1. */
  async read(picture: Blob, progress: (share: number) => void): Promise<ReadPicture> {
    const steps = { done: 0, of: 2 };
    this.progress = (share) => progress(Math.min(1, (steps.done + share) / steps.of));
    const stopped = new Promise<never>((_, reject) => (this.stop = reject));
    const limit = setTimeout(() => void this.end(new Error(TOO_LONG)), MOST_MS);
    try {
      return await Promise.race([this.looked(picture, steps, progress), stopped]);
    } finally {
      // a picture that was cancelled must not end the one after it
      clearTimeout(limit);
    }
  }

  /** Ends what it is at; the next picture starts it anew. */
  cancel(): Promise<void> {
    return this.end(new Error('cancelled'));
  }

  private async end(why: Error): Promise<void> {
    const worker = this.worker;
    this.worker = undefined;
    this.stop(why);
    await (await worker?.catch(() => undefined))?.terminate();
  }

  private async looked(picture: Blob, steps: { done: number; of: number }, progress: (share: number) => void): Promise<ReadPicture> {
    const worker = await this.started();
    const bitmap = await createImageBitmap(picture);
    let prepared = preparedFrom(bitmap);
    let lit = await wordsOf(worker, prepared.lit);
    if (confidenceOf(lit) < UPRIGHT && labelOfPicture([lit]).label.refused !== undefined) {
      steps.of += QUARTERS.length;
      for (const quarter of QUARTERS) {
        steps.done++;
        const turned = preparedFrom(await turnedBy(bitmap, quarter));
        const words = await wordsOf(worker, turned.lit);
        if (confidenceOf(words) > confidenceOf(lit)) [prepared, lit] = [turned, words];
      }
    }
    steps.done++;
    const plain = await wordsOf(worker, prepared.plain);
    bitmap.close();
    progress(1);
    const { width, height } = prepared.lit;
    return { label: labelOfPicture([lit, plain]), url: urlOf(prepared), width, height };
  }

  /** One that could not be started is tried again with the next picture. */
  private started(): Promise<Worker> {
    this.worker ??= this.start().catch((error: unknown) => {
      this.worker = undefined;
      throw error;
    });
    return this.worker;
  }

  private async start(): Promise<Worker> {
    const { default: tesseract } = await import('tesseract.js');
    return tesseract.createWorker('eng', 1, {
      workerPath: `${FILES}/worker.min.js`,
      corePath: `${FILES}/${CORE}`,
      langPath: FILES,
      gzip: true,
      workerBlobURL: false,
      cacheMethod: 'none',
      logger: ({ status, progress }) => status === 'recognizing text' && this.progress(progress),
    });
  }
}

async function wordsOf(worker: Worker, canvas: HTMLCanvasElement): Promise<readonly RecognisedWord[]> {
  const { data } = await worker.recognize(canvas, {}, { blocks: true });
  return wordsIn(data);
}

function wordsIn({ blocks }: Page): readonly RecognisedWord[] {
  const lines = (blocks ?? []).flatMap(({ paragraphs }) => paragraphs).flatMap(({ lines: of }) => of);
  return lines.flatMap(({ words }, line) =>
    words.map(({ text, confidence, bbox: { x0, y0, x1, y1 } }) => ({ text, confidence, line, box: { x0, y0, x1, y1 } })),
  );
}

/** Of words that could be something; scraps say nothing of how a picture stands. */
function confidenceOf(words: readonly RecognisedWord[]): number {
  const whole = words.filter(({ text }) => text.length > 1);
  return whole.reduce((sum, { confidence }) => sum + confidence, 0) / Math.max(3, whole.length);
}

function urlOf({ shown }: Prepared): string {
  return shown.toDataURL('image/jpeg', 0.85);
}
