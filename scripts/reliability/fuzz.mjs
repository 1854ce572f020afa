// Requests that nobody would send: each is answered, none with a 500, and the export works after them.
import { send } from './installation.mjs';

/** Fails of whoever asks, or of what is away; never of the inside. */
const SOUND = new Set([200, 201, 204, 400, 403, 404, 405, 409, 412, 413, 415, 422, 428, 502, 503]);
const AT_ONCE = 16;
const STRINGS = [
  '',
  ' ',
  '\u0000',
  '\ud800',
  '__proto__',
  'constructor',
  'toString',
  '/',
  '//',
  '~1',
  '../..',
  '=1+1',
  '\r\nBEGIN:VEVENT',
  '💡'.repeat(99),
  'x'.repeat(5000),
  '-0',
  'NaN',
  '1e999',
  "'; DROP TABLE gear; --",
  '{{7*7}}',
  '%00',
];
const NUMBERS = [0, -0, -1, 1, 0.1, 1e-320, 1e308, 2 ** 31, 2 ** 53, -(2 ** 63), 65536];

export async function fuzz(url, { requests, seed = 1 }) {
  const random = randomOf(seed);
  const pick = (list) => list[Math.floor(random() * list.length)];
  const { body: document } = await send(url, 'GET', '/api/openapi.json');
  // one's own world, and the demo crew's, which has things in it
  const operations = Object.entries(document.paths).flatMap(([at, methods]) =>
    Object.keys(methods).flatMap((method) => ['', '/demo'].map((world) => ({ at: world + at, method: method.toUpperCase() }))),
  );
  const { body: plan } = await send(url, 'GET', '/demo/api/plan');
  const items = Object.values(plan).filter(Array.isArray).flat();
  const ids = [...items.map(({ id }) => id), '00000000-0000-4000-8000-000000000000', 'not-an-id', '%E0%A4%A', '..%2f..'];

  const value = (depth = 0) => {
    const kind = Math.floor(random() * (depth > 3 ? 4 : 7));
    if (kind === 0) return pick(STRINGS);
    if (kind === 1) return pick(NUMBERS);
    if (kind === 2) return pick([true, false, null]);
    if (kind === 3) return pick(ids);
    if (kind === 4) return Array.from({ length: Math.floor(random() * 6) }, () => value(depth + 1));
    if (kind === 5)
      return Object.fromEntries(
        Array.from({ length: Math.floor(random() * 6) }, () => [
          pick([...STRINGS.slice(0, 14), 'id', 'body', 'kind', 'gear', 'rigs', 'path', 'aside', 'rest']),
          value(depth + 1),
        ]),
      );
    return mutated(structuredClone(pick(items)));
  };
  /** A sound thing with one field, somewhere in it, made into something else. */
  const mutated = (thing) => {
    let at = thing;
    for (let depth = 0; depth < 6; depth++) {
      const keys = Object.keys(at);
      if (keys.length === 0) break;
      const key = pick(keys);
      if (typeof at[key] === 'object' && at[key] !== null && random() < 0.7) at = at[key];
      else {
        if (random() < 0.2) delete at[key];
        else at[key] = value(4);
        break;
      }
    }
    return thing;
  };
  const bodyOf = () => {
    const kind = random();
    if (kind < 0.25) return mutated(structuredClone(pick(items)).body);
    if (kind < 0.45)
      return {
        [pick(['gear', 'rigs', 'days', 'log', 'recordings', 'sheets', 'rules', 'trips'])]: [
          mutated(structuredClone(pick(items))),
          { id: pick(ids), revision: pick(NUMBERS), body: value() },
        ],
        rest: value(),
      };
    if (kind < 0.6)
      return mutated({
        ...structuredClone({ gear: plan.gear.slice(0, 6), rigs: plan.rigs.slice(0, 1) }),
        ask: { runs: 2, [pick(['feeds', 'days', 'sizes', 'faults', 'tracePoints', 'x'])]: value() },
        [pick(STRINGS)]: value(),
      });
    return value();
  };
  const one = async () => {
    const { at, method } = pick(operations);
    if (/live|stop|meters\/play|backup/.test(at)) return undefined; // these hold on, or take everything
    const address =
      at.replace('{id}', pick(ids)) +
      (random() < 0.2 ? `?${pick(['gear', 'name', 'x'])}=${encodeURIComponent(pick(['', 'a', '\u0000', ids[0]]))}` : '');
    const raw =
      random() < 0.1 ? Buffer.from(Array.from({ length: Math.floor(random() * 300) }, () => Math.floor(random() * 256))) : undefined;
    const type = raw
      ? pick(['application/json', 'image/jpeg', 'application/gzip', 'application/vnd.viaggio.slots', 'text/plain'])
      : 'application/json';
    const headers = { 'Content-Type': type, ...(random() < 0.8 && { 'If-Match': pick(['"1"', '"2"', '"999999"', '"-1"', 'x', '""']) }) };
    const body = method === 'GET' || method === 'DELETE' ? undefined : (raw ?? JSON.stringify(bodyOf()));
    const response = await fetch(new URL(address, url), {
      method,
      headers,
      signal: AbortSignal.timeout(60_000),
      ...(body !== undefined && { body }),
    });
    await response.arrayBuffer();
    return { status: response.status, told: `${method} ${address} ${String(body).slice(0, 300)}` };
  };

  const statuses = new Map();
  const bad = [];
  let left = requests;
  const worker = async () => {
    while (left-- > 0) {
      const answered = await one().catch((error) => ({ status: error.name, told: error.message }));
      if (!answered) continue;
      statuses.set(answered.status, (statuses.get(answered.status) ?? 0) + 1);
      if (!SOUND.has(answered.status) && bad.length < 5) bad.push(`${answered.status}: ${answered.told}`);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, worker));
  const exported = await send(url, 'GET', '/api/plan', undefined, {}, 60_000);
  const again = await send(url, 'POST', '/api/plan/read', exported.body, {}, 60_000);
  const readable = again.status === 200 || again.status === 413;
  return {
    title: `${requests} requests that nobody would send`,
    figures: [
      [...statuses]
        .sort()
        .map(([status, times]) => `${status}: ${times}`)
        .join(', '),
      `the export after them: ${exported.status}, read again: ${again.status}`,
      ...bad,
      ...(readable ? [] : [JSON.stringify(again.body).slice(0, 400)]),
    ],
    failed: bad.length > 0 || exported.status !== 200 || !readable,
  };
}

/** The same numbers for the same seed (mulberry32). */
function randomOf(seed) {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}
