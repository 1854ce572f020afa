import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { toProblem } from '../api/api';
import type { Problem } from '../api/api';
import { download } from '../shared/download';

export interface SheetOrderRequest {
  readonly paper: 'a4' | 'letter';
  readonly dayId?: string;
  readonly tripId?: string;
  readonly rigIds?: readonly string[];
}

export interface TagOrderRequest {
  readonly gearIds: readonly string[];
  readonly format: string;
  readonly skip?: number;
  readonly origin: string;
}

/** Sheets that the server makes, handed over as files. Each call answers with what went wrong, if anything did. */
@Injectable({ providedIn: 'root' })
export class Prints {
  private readonly http = inject(HttpClient);

  powerSheet(order: SheetOrderRequest): Promise<Problem | undefined> {
    return this.get('/api/prints/power-sheet', order, 'Power sheet.pdf');
  }

  tags(order: TagOrderRequest): Promise<Problem | undefined> {
    return this.get('/api/prints/tags', order, 'Tags.pdf');
  }

  private async get(path: string, order: object, name: string): Promise<Problem | undefined> {
    try {
      const request = this.http.post(path, order, { observe: 'response', responseType: 'blob' });
      const { body, headers } = await firstValueFrom(request);
      download(nameIn(headers.get('Content-Disposition')) ?? name, body ?? new Blob(), 'application/pdf');
      return undefined;
    } catch (error) {
      return problemIn(error);
    }
  }
}

/** Where a file was expected the server's words come as one too. */
async function problemIn(error: unknown): Promise<Problem> {
  if (!(error instanceof HttpErrorResponse) || !(error.error instanceof Blob)) return toProblem(error);
  try {
    return JSON.parse(await error.error.text()) as Problem;
  } catch {
    return toProblem(undefined);
  }
}

/** The name that the server gave the file (RFC 6266); the plain one where it gave two. */
function nameIn(disposition: string | null): string | undefined {
  const [, encoded] = /filename\*=UTF-8''([^;]+)/i.exec(disposition ?? '') ?? [];
  if (encoded !== undefined) return decodeURIComponent(encoded);
  return /filename="([^"]+)"/.exec(disposition ?? '')?.[1];
}
