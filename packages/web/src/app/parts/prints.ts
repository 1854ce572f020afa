import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Trip } from '@viaggio/core/travel';
import { firstValueFrom } from 'rxjs';
import { toProblem } from '../api/api';
import type { Problem } from '../api/api';
import { download } from '../device/download';
import { Items } from '../state/items.actions';

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

/** Where paper is of the Letter size. */
const LETTER = new Set(['US', 'CA', 'MX', 'PH', 'CL', 'CO']);

/** Sheets that the server makes, handed over as files; what goes wrong is told where acts are told. */
@Injectable({ providedIn: 'root' })
export class Prints {
  private readonly http = inject(HttpClient);
  private readonly store = inject(Store);

  /** Of a day, with the trip that it belongs to; on the paper that is usual where this device is at home. */
  ofDay(dayId: string, trips: readonly { readonly id: string; readonly body: Trip }[]): Promise<void> {
    const trip = trips.find(({ body }) => body.dayIds?.includes(dayId));
    return this.powerSheet({ paper: usualPaper(), dayId, ...(trip && { tripId: trip.id }) });
  }

  ofRig(rigId: string): Promise<void> {
    return this.powerSheet({ paper: usualPaper(), rigIds: [rigId] });
  }

  powerSheet(order: SheetOrderRequest): Promise<void> {
    return this.get('/api/prints/power-sheet', order, 'Power sheet.pdf');
  }

  tags(order: TagOrderRequest): Promise<void> {
    return this.get('/api/prints/tags', order, 'Tags.pdf');
  }

  private async get(path: string, order: object, name: string): Promise<void> {
    try {
      const request = this.http.post(path, order, { observe: 'response', responseType: 'blob' });
      const { body, headers } = await firstValueFrom(request);
      download(nameIn(headers.get('Content-Disposition')) ?? name, body ?? new Blob(), 'application/pdf');
    } catch (error) {
      this.store.dispatch(Items.actFailed({ problem: await problemIn(error) }));
    }
  }
}

function usualPaper(): 'a4' | 'letter' {
  return LETTER.has(new Intl.Locale(navigator.language).maximize().region ?? '') ? 'letter' : 'a4';
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
