// A database that says nothing: everybody hears of it in time, and it goes on when it does.
import { newFolder, newGear, pause, postgresPids, remove, send, start } from './installation.mjs';

const HEARD_WITHIN_MS = 6500;

export async function databaseStopped({ requests }) {
  const folder = newFolder();
  const { url, stop } = await start(folder);
  const pids = postgresPids(folder);
  try {
    await send(url, 'GET', '/api/gear');
    for (const pid of pids) process.kill(pid, 'SIGSTOP');
    const answers = [];
    for (let n = 0; n < requests; n++) {
      answers.push(
        timed(() =>
          n % 3 === 0
            ? send(url, 'POST', '/api/changes', { gear: [newGear('Stopped')] })
            : send(url, 'GET', n % 2 ? '/api/rigs' : '/api/health'),
        ),
      );
      await pause(100);
    }
    const said = await Promise.all(answers);
    for (const pid of pids) process.kill(pid, 'SIGCONT');
    const longest = Math.max(...said.map(({ ms }) => ms));
    const others = said.filter(({ status }) => status !== 503);
    let backMs;
    for (const since = performance.now(); performance.now() - since < 15_000; await pause(100)) {
      if ((await send(url, 'POST', '/api/changes', { gear: [newGear('After')] })).status !== 200) continue;
      backMs = performance.now() - since;
      break;
    }
    return {
      title: `A database that is stopped, ${requests} requests`,
      figures: [
        `${said.length - others.length} of ${said.length} answered 503, after ${Math.round(longest)} ms at most`,
        backMs === undefined ? 'it did not go on' : `written again ${Math.round(backMs)} ms after it went on`,
      ],
      failed: others.length > 0 || longest > HEARD_WITHIN_MS || backMs === undefined,
    };
  } finally {
    for (const pid of postgresPids(folder)) process.kill(pid, 'SIGCONT');
    await stop();
    await remove(folder);
  }
}

async function timed(ask) {
  const since = performance.now();
  const { status } = await ask().catch((error) => ({ status: error.name }));
  return { status, ms: performance.now() - since };
}
