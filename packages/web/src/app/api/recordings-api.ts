import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { slotsFromBytes } from '@viaggio/core/measure';
import type { Recording, Slots } from '@viaggio/core/measure';
import { map } from 'rxjs';
import type { Observable } from 'rxjs';
import { told } from './api';
import type { Saved } from './api';

export interface Meter {
  readonly id: string;
  readonly name: string;
  readonly address: string;
  readonly simulated: boolean;
}
export interface Live {
  readonly id: string;
  readonly meterId: string;
  readonly about: Pick<Recording, 'name' | 'meterAt' | 'deviceId' | 'rigId' | 'batteryId' | 'lostShare'>;
  readonly startedAt: string;
  readonly state: 'connecting' | 'connected' | 'away' | 'nonsense';
  readonly says: string;
  readonly rows: number;
  readonly seconds: number;
  readonly lost: number;
  readonly doubts: number;
}
export interface LiveEvent extends Live {
  /** `[seconds, volts, amps]` */
  readonly points: readonly (readonly [number, number, number])[];
  readonly ended: boolean;
}
export type Trouble = 'stall' | 'nonsense' | 'disconnect' | 'banner' | 'doubled' | 'echo';

const SLOTS = 'application/vnd.viaggio.slots';

/** Samples and originals of recordings, and meters, over HTTP. Every error is a `Problem`. */
@Injectable({ providedIn: 'root' })
export class RecordingsApi {
  private readonly http = inject(HttpClient);

  slots(id: string): Observable<Slots> {
    return told(
      this.http.get(`/api/recordings/${id}/slots`, { responseType: 'arraybuffer' }).pipe(
        map((bytes) => {
          const slots = slotsFromBytes(new Uint8Array(bytes));
          if (!slots) throw new Error('The samples are not readable.');
          return slots;
        }),
      ),
    );
  }

  keepSlots(id: string, slots: Uint8Array<ArrayBuffer>): Observable<unknown> {
    return told(this.http.put(`/api/recordings/${id}/slots`, new Blob([slots], { type: SLOTS }), { headers: { 'Content-Type': SLOTS } }));
  }

  keepOriginal(id: string, name: string, gzip: Blob): Observable<unknown> {
    const headers = { 'Content-Type': 'application/gzip' };
    return told(this.http.put(`/api/recordings/${id}/original`, gzip, { headers, params: { name } }));
  }

  meters(): Observable<readonly Meter[]> {
    return told(this.http.get<readonly Meter[]>('/api/meters'));
  }

  /** What a meter shows now. */
  read(meterId: string): Observable<{ readonly voltageV: number; readonly currentA: number }> {
    return told(this.http.post<{ readonly voltageV: number; readonly currentA: number }>('/api/meters/read', { meterId }));
  }

  play(rigId: string, secondsEach: number): Observable<Meter> {
    return told(this.http.post<Meter>('/api/meters/simulated/play', { rigId, secondsEach }));
  }

  trouble(kind: Trouble, seconds: number): Observable<unknown> {
    return told(this.http.post('/api/meters/simulated/trouble', { kind, seconds }));
  }

  live(): Observable<readonly Live[]> {
    return told(this.http.get<readonly Live[]>('/api/live'));
  }

  start(meterId: string, everyMs: number, about: Live['about']): Observable<Live> {
    return told(this.http.post<Live>('/api/live', { meterId, everyMs, about }));
  }

  stop(id: string): Observable<Saved<Recording>> {
    return told(this.http.post<Saved<Recording>>(`/api/live/${id}/stop`, null));
  }

  discard(id: string): Observable<unknown> {
    return told(this.http.delete(`/api/live/${id}`));
  }
}
