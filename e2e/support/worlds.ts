import type { APIRequestContext, BrowserContext, Page } from '@playwright/test';

/** Whose things a journey is about: a person's own, or the demo crew's. Addresses are written the same for both. */
export type World = 'own' | 'demo';

const BASES: Readonly<Record<World, string>> = { own: '', demo: '/demo' };

/** `/rigs/new` of the demo crew is `/demo/rigs/new`; whole addresses, and those that name their world, stay as they are. */
export function inWorld(world: World, address: string): string {
  return address.startsWith('/') && !/^\/demo(\/|$)/.test(address) ? `${BASES[world]}${address}` : address;
}

const ASKING = ['get', 'post', 'put', 'delete', 'fetch', 'head', 'patch'] as const;

/** What is asked of the server is asked of that world. */
export function askingIn(world: World, request: APIRequestContext): APIRequestContext {
  for (const method of ASKING) {
    const ask: APIRequestContext['get'] = request[method].bind(request);
    request[method] = (async (address: string, options?: Parameters<typeof ask>[1]) =>
      ask(inWorld(world, address), options)) as (typeof request)[typeof method];
  }
  return request;
}

function goingIn(world: World, page: Page): Page {
  const goto = page.goto.bind(page);
  page.goto = async (address, options) => goto(inWorld(world, address), options);
  return page;
}

/** Every page of it goes there. */
export function browsingIn(world: World, context: BrowserContext): BrowserContext {
  askingIn(world, context.request);
  const open = context.newPage.bind(context);
  context.newPage = async () => goingIn(world, await open());
  return context;
}
