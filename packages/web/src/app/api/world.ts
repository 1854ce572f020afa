import type { HttpInterceptorFn } from '@angular/common/http';

/** Whose things these pages show: a person's own, or the demo crew's. It stands in the address, so each tab has its own. */
export type World = 'own' | 'demo';

/** What each is called. */
export const WORLD_TITLES: Readonly<Record<World, string>> = { own: 'My kit', demo: 'Demo crew' };

/** Where the pages of each begin. */
export const WORLD_BASES: Readonly<Record<World, string>> = { own: '/', demo: '/demo/' };

export function thisWorld(path = location.pathname): World {
  return /^\/demo(\/|$)/.test(path) ? 'demo' : 'own';
}

/** An address as it is in a world, a page's or the server's: `/api/gear` of the demo crew's is `/demo/api/gear`. */
export function inWorld(address: string, world = thisWorld()): string {
  return `${WORLD_BASES[world]}${address.slice(1)}`;
}

/** What the tab keeps for itself belongs to one world, as what it was made of. */
export function keyInWorld(key: string, world = thisWorld()): string {
  return world === 'own' ? key : `${key}.${world}`;
}

/** Whatever is asked of the server is asked of the world that the pages are of. */
export const askInWorld: HttpInterceptorFn = (request, next) =>
  next(request.url.startsWith('/api/') ? request.clone({ url: inWorld(request.url) }) : request);
