import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Forecast, ForecastAsk } from '@viaggio/core/day';
import type { Observable } from 'rxjs';
import { told } from '../../../api/api';

export interface ForecastService {
  readonly state: 'off' | 'on';
  readonly simulated: boolean;
}

/** Weather by the hour, by way of the server. Every error is a `Problem`. */
@Injectable({ providedIn: 'root' })
export class ForecastApi {
  private readonly http = inject(HttpClient);

  service(): Observable<ForecastService> {
    return told(this.http.get<ForecastService>('/api/forecast/service'));
  }

  turn(on: boolean): Observable<ForecastService> {
    return told(this.http.post<ForecastService>('/api/forecast/service', { on }));
  }

  ask(ask: ForecastAsk): Observable<Forecast> {
    return told(this.http.post<Forecast>('/api/forecast', ask));
  }
}
