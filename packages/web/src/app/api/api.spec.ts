import { provideHttpClient, withFetch } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { Rig } from '@viaggio/core/gear';
import { Api } from './api';

describe('saving', () => {
  const rig = (note: string): Rig => ({ name: 'Deck', note, devices: [{ gearId: 'a' }], links: [] });
  let api: Api;
  let http: HttpTestingController;
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(withFetch()), provideHttpClientTesting()] });
    [api, http] = [TestBed.inject(Api), TestBed.inject(HttpTestingController)];
  });

  it.each<[string, Rig, boolean, boolean]>([
    ['an ordinary save does not outlive the page, so a day of any size is saved', rig('x'.repeat(100_000)), false, false],
    ['a save on leaving does', rig('short'), true, true],
    ['not where the browser would refuse it for its size', rig('ä'.repeat(32_000)), true, false],
  ])('%s', (_what, body, leaving, keepalive) => {
    api.save('rigs', 'r', 3, body, { leaving }).subscribe();
    const { request } = http.expectOne('/api/rigs/r');
    expect([request.headers.get('If-Match'), request.keepalive]).toEqual(['"3"', keepalive]);
  });
});
