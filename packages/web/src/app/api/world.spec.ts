import { HttpHeaders, HttpRequest } from '@angular/common/http';
import { of } from 'rxjs';
import { askInWorld, inWorld, keyInWorld, thisWorld } from './world';

describe('whose things the pages show', () => {
  it.each([
    ['/', 'own'],
    ['/rigs/demo', 'own'],
    ['/demonstration', 'own'],
    ['/demo', 'demo'],
    ['/demo/', 'demo'],
    ['/demo/rigs/1', 'demo'],
  ])('%s is of %s', (path, world) => expect(thisWorld(path)).toBe(world));

  it('stands in every address of the server, and in what the tab keeps', () => {
    expect([inWorld('/api/gear', 'own'), inWorld('/api/gear', 'demo')]).toEqual(['/api/gear', '/demo/api/gear']);
    expect(keyInWorld('steps', 'own')).not.toBe(keyInWorld('steps', 'demo'));
  });
});

describe('what is asked of the server', () => {
  const asked = (url: string): string => {
    let seen = '';
    askInWorld(new HttpRequest('GET', url, { headers: new HttpHeaders() }), (request) => {
      seen = request.url;
      return of();
    });
    return seen;
  };
  afterEach(() => history.replaceState(null, '', '/'));

  it('is asked of the world that the pages are of', () => {
    expect(asked('/api/gear')).toBe('/api/gear');
    history.replaceState(null, '', '/demo/kit');
    expect(asked('/api/gear')).toBe('/demo/api/gear');
    // named already, or not of the interface
    expect(asked('/demo/api/gear')).toBe('/demo/api/gear');
    expect(asked('/help-pictures/kit.png')).toBe('/help-pictures/kit.png');
  });
});
