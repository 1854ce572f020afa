import type { Request, RequestHandler } from 'express';
import { AppError } from '../errors';

const LOOPBACK = /^(localhost|127(?:\.\d{1,3}){3}|\[::1\])$/i;

/**
 * Lets nobody but Viaggio's own pages, and programs that are no browser, act here. A page of another site could
 * otherwise post to 127.0.0.1, or reach it under a name of its own that resolves there. `names`: what this machine is
 * called beside loopback, without port, in small letters.
 */
export function sameOriginOnly(names: readonly string[] = []): RequestHandler {
  return (request, _response, next) => {
    const host = (request.get('Host') ?? '').toLowerCase();
    const name = host.replace(/:\d+$/, '');
    if (!LOOPBACK.test(name) && !names.includes(name))
      throw new AppError('foreign-origin', `“${host.slice(0, 60)}” is no name of this machine. VIAGGIO_NAMES says which there are.`);
    const origin = request.get('Origin');
    if (origin !== undefined && hostOf(origin) !== host)
      throw new AppError('foreign-origin', `The request comes from ${origin.slice(0, 60)}.`);
    if (request.get('Sec-Fetch-Site') === 'cross-site' && !isFollowedLink(request))
      throw new AppError('foreign-origin', 'The request comes from a page of another site.');
    next();
  };
}

/** A link of another site may be followed to a page; what pages are made of, and what acts, is asked for from here alone. */
function isFollowedLink(request: Request): boolean {
  return request.method === 'GET' && request.get('Sec-Fetch-Mode') === 'navigate' && !/^\/(demo\/)?api\//i.test(request.path);
}

function hostOf(origin: string): string | undefined {
  return URL.canParse(origin) ? new URL(origin).host : undefined;
}
