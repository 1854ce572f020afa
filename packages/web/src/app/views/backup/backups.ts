import { Injectable } from '@angular/core';
import type { BackupComparison, OnDifferent } from '@viaggio/core/document';
import type { Problem } from '../../api/api';
import { inWorld } from '../../api/world';

/** A backup on its way to the server. */
export interface Sent {
  /** Rejects with a `Problem`, or with `undefined` where it was cancelled. */
  readonly answer: Promise<BackupComparison>;
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
    const answer = new Promise<BackupComparison>((resolve, reject) => {
      // eslint-disable-next-line @typescript-eslint/prefer-promise-reject-errors -- a Problem, as everywhere
      const refuse = (problem?: Problem): void => reject(problem);
      request.open('POST', inWorld(path));
      request.setRequestHeader('Content-Type', 'application/zip');
      request.responseType = 'json';
      request.upload.onprogress = ({ loaded, total }) => gone(total === 0 ? 1 : loaded / total);
      request.onload = () =>
        request.status === 200
          ? resolve(request.response as BackupComparison)
          : refuse((request.response as Problem | null) ?? UNREACHABLE);
      request.onerror = () => refuse(UNREACHABLE);
      request.onabort = () => refuse();
      request.send(file);
    });
    return { answer, cancel: () => request.abort() };
  }
}
