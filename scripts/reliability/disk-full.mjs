// A disk that is full: writes are refused with the reason, reads go on, and it goes on by itself when there is room.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { newFolder, newGear, pause, remove, send, start } from './installation.mjs';

const DISK = '320m';

export async function diskFull() {
  const title = 'A disk that is full';
  const folder = newFolder();
  const mounted =
    process.getuid() === 0 && spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK},mode=755`, 'tmpfs', folder]).status === 0;
  if (!mounted) {
    fs.rmSync(folder, { recursive: true });
    return { title, figures: ['not run: it takes a file system of its own, which only root may mount'], failed: false };
  }
  const { url, stop } = await start(folder);
  try {
    const filler = fs.openSync(path.join(folder, 'filler'), 'w');
    let full = false;
    while (!full)
      try {
        fs.writeSync(filler, Buffer.alloc(64 * 1024));
      } catch {
        full = true;
      }
    fs.closeSync(filler);
    const refused = new Map();
    let kept = 0;
    const large = 'x'.repeat(480);
    // until what PostgreSQL had made room for before is used up
    for (const until = performance.now() + 60_000; performance.now() < until && (refused.get(507) ?? 0) + (refused.get(503) ?? 0) < 20;) {
      const items = Array.from({ length: 100 }, () => ({ ...newGear('Full') })).map(({ id, body }) => ({
        id,
        body: { ...body, note: large },
      }));
      const { status } = await send(url, 'POST', '/api/changes', { gear: items }).catch(() => ({ status: 'none' }));
      if (status === 200) kept += items.length;
      else refused.set(status, (refused.get(status) ?? 0) + 1);
    }
    const reads = [];
    for (let n = 0; n < 10; n++) reads.push((await send(url, 'GET', '/api/rigs').catch(() => ({ status: 'none' }))).status);
    fs.rmSync(path.join(folder, 'filler'));
    let backMs;
    for (const since = performance.now(); performance.now() - since < 30_000; await pause(200)) {
      if ((await send(url, 'POST', '/api/changes', { gear: [newGear('Room')] }).catch(() => ({ status: 'none' }))).status !== 200) continue;
      backMs = performance.now() - since;
      break;
    }
    const { body: gear } = await send(url, 'GET', '/api/gear', undefined, {}, 60_000);
    const there = gear.filter(({ body }) => body.name === 'Full').length;
    const bad = [...refused.keys()].filter((status) => status !== 507 && status !== 503);
    return {
      title,
      figures: [
        `writes refused: ${[...refused].map(([status, times]) => `${times} with ${status}`).join(', ') || 'none'}`,
        `reads while it was full: ${reads.filter((status) => status === 200).length} of ${reads.length}`,
        `${kept} acknowledged, ${there} there; ${backMs === undefined ? 'it did not go on' : `written again after ${Math.round(backMs)} ms`}`,
      ],
      failed: refused.size === 0 || bad.length > 0 || !reads.includes(200) || backMs === undefined || there < kept,
    };
  } finally {
    await stop();
    spawnSync('umount', ['-l', folder]);
    await remove(folder);
  }
}
