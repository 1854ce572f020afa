// The heaviest that may be asked, beside short questions: nobody waits for somebody else.
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import { Readable } from 'node:stream';
import { pause, send } from './installation.mjs';

const AIM_MS = 50;
const UPLOAD_MB = 120;
const AIM_RSS_MB = 300;

/** Documents that take as long as is allowed, several at once, while `GET /api/health` is asked all the time. */
export async function heavyDocuments(url, { seconds }) {
  const { body: plan } = await send(url, 'GET', '/demo/api/plan');
  const asks = [
    { ask: { runs: 2000 } },
    { ask: { days: true, plans: true, dayRuns: 2000, runs: 0 } },
    { ask: { rigs: plan.rigs.slice(0, 1).map(({ id }) => id), feeds: true, assignments: true, purchases: true, runs: 0 } },
    { gear: Array.from({ length: 2000 }, () => ({ ...plan.gear[0], id: randomUUID() })) },
  ];
  const until = performance.now() + seconds * 1000;
  const heavy = { answered: 0, refused: new Map(), longestMs: 0 };
  let n = 0;
  const ask = async () => {
    while (performance.now() < until) {
      const since = performance.now();
      const document = { ...plan, ...asks[n % asks.length], name: `Heavy ${n++}` }; // never the same twice
      const { status } = await send(url, 'POST', n % 4 === 0 ? '/api/plan/read' : '/api/evaluate', document, {}, 120_000).catch(
        (error) => ({ status: error.name }),
      );
      heavy.longestMs = Math.max(heavy.longestMs, performance.now() - since);
      if (status === 200) heavy.answered++;
      else heavy.refused.set(status, (heavy.refused.get(status) ?? 0) + 1);
    }
  };
  const health = [];
  const look = async () => {
    while (performance.now() < until) {
      const since = performance.now();
      const { status } = await send(url, 'GET', '/api/health');
      if (status !== 200) heavy.refused.set(`health ${status}`, 1);
      health.push(performance.now() - since);
      await pause(10);
    }
  };
  await Promise.all([ask(), ask(), ask(), ask(), look()]);
  health.sort((a, b) => a - b);
  const p99 = health[Math.floor(health.length * 0.99)];
  const bad = [...heavy.refused.keys()].filter((status) => ![413, 422, 503].includes(status));
  return {
    title: `The heaviest documents, four at once, for ${seconds} s`,
    figures: [
      `health, ${health.length} times: p50 ${health[health.length >> 1].toFixed(1)} ms, p99 ${p99.toFixed(1)} ms (aim ${AIM_MS}), longest ${health.at(-1).toFixed(1)} ms`,
      `${heavy.answered} answered, ${[...heavy.refused].map(([status, times]) => `${times} with ${status}`).join(', ') || 'none refused'}, longest ${(heavy.longestMs / 1000).toFixed(1)} s`,
      ...(p99 > AIM_MS ? ['the aim was missed'] : []),
    ],
    // how fast is told, not judged: machines are noisy
    failed: bad.length > 0,
  };
}

/** Four originals of recordings at once. `pid`: the server, of which the memory is read. */
export async function uploads(url, pid) {
  const { body: slots } = await bytesOf(url, '/demo/api/recordings/0d0c0000-0000-4000-8000-000000005501/slots');
  const memory = { before: rssMb(pid), most: 0 };
  let busy = true;
  const watching = (async () => {
    for (; busy; await pause(50)) memory.most = Math.max(memory.most, rssMb(pid));
  })();
  const piece = Buffer.alloc(1024 * 1024, 1);
  piece.set([0x1f, 0x8b]);
  const put = async () => {
    const id = randomUUID();
    await fetch(new URL(`/api/recordings/${id}/slots`, url), {
      method: 'PUT',
      headers: { 'Content-Type': 'application/vnd.viaggio.slots' },
      body: slots,
    });
    const body = Readable.from(Array.from({ length: UPLOAD_MB }, () => piece));
    const headers = { 'Content-Type': 'application/gzip' };
    const init = /** @type {RequestInit} */ ({ method: 'PUT', headers, body: Readable.toWeb(body), duplex: 'half' });
    const sent = await fetch(new URL(`/api/recordings/${id}/original`, url), init);
    const back = await fetch(new URL(`/api/recordings/${id}/original`, url));
    let length = 0;
    for await (const part of Readable.fromWeb(/** @type {import('node:stream/web').ReadableStream} */ (back.body))) length += part.length;
    return sent.status === 204 && length === UPLOAD_MB * 1024 * 1024;
  };
  const whole = (await Promise.all([put(), put(), put(), put()])).filter(Boolean).length;
  busy = false;
  await watching;
  return {
    title: `Four files of ${UPLOAD_MB} MB, sent at once and fetched again`,
    figures: [`${whole} of 4 whole; the server took ${memory.most} MB at most, ${memory.before} before (aim ${AIM_RSS_MB})`],
    failed: whole < 4,
  };
}

async function bytesOf(url, at) {
  return { body: Buffer.from(await (await fetch(new URL(at, url))).arrayBuffer()) };
}

function rssMb(pid) {
  return Math.round(Number(/^VmRSS:\s*(\d+)/m.exec(fs.readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024);
}
