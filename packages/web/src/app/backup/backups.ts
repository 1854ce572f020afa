import { Injectable } from '@angular/core';
import type { Kind, Problem } from '../api/api';

export interface KindCompared {
  readonly new: number;
  readonly same: number;
  readonly different: number;
  readonly onlyHere: number;
}

/** What a backup holds beside what is here. */
export interface Comparison {
  readonly madeAt: string;
  readonly kinds: Readonly<Record<Kind | 'samples' | 'photos', KindCompared>>;
  readonly different: readonly { readonly kind: Kind; readonly id: string; readonly title: string; readonly says: string }[];
  readonly settings?: object;
}

export type OnDifferent = 'keep' | 'take';

/** A backup on its way to the server. */
export interface Sent {
  /** Rejects with a `Problem`, or with `undefined` where it was cancelled. */
  readonly answer: Promise<Comparison>;
  readonly cancel: () => void;
}

const UNREACHABLE: Problem = {
  code: 'unreachable',
  title: 'The server does not answer',
  detail: 'The connection was lost while the backup was sent.',
  remedy: 'Nothing was changed. Look whether Viaggio runs, then try again.',
};

/** Sends backups. By XMLHttpRequest: `fetch` does not tell how much of a body has gone out. */
@Injectable({ providedIn: 'root' })
export class Backups {
  compare(file: Blob, gone: (share: number) => void): Sent {
    return this.send('/api/backup/compare', file, gone);
  }

  restore(file: Blob, different: OnDifferent, gone: (share: number) => void): Sent {
    return this.send(`/api/backup/restore?different=${different}`, file, gone);
  }

  private send(path: string, file: Blob, gone: (share: number) => void): Sent {
    const request = new XMLHttpRequest();
    const answer = new Promise<Comparison>((resolve, reject) => {
      request.open('POST', path);
      request.setRequestHeader('Content-Type', 'application/zip');
      request.responseType = 'json';
      request.upload.onprogress = ({ loaded, total }) => gone(total === 0 ? 1 : loaded / total);
      request.onload = () =>
        request.status === 200
          ? resolve(request.response as Comparison)
          : // eslint-disable-next-line @typescript-eslint/prefer-promise-reject-errors -- a Problem, as everywhere
            reject((request.response as Problem | null) ?? UNREACHABLE);
      // eslint-disable-next-line @typescript-eslint/prefer-promise-reject-errors
      request.onerror = () => reject(UNREACHABLE);
      // eslint-disable-next-line @typescript-eslint/prefer-promise-reject-errors
      request.onabort = () => reject(undefined);
      request.send(file);
    });
    return { answer, cancel: () => request.abort() };
  }
}
