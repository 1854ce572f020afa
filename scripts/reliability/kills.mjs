// kill -9 of each process under a writer: no write that was acknowledged is lost.
import { newFolder, newGear, pause, processesOf, remove, send, start } from './installation.mjs';

const VICTIMS = ['postmaster', 'server', 'guard', 'start'];
/** The writer works so long between two kills. */
const BETWEEN_MS = [150, 1200];
const BACK_WITHIN_MS = 30_000;

/** `kills` of them, in turn; what is left is started again as a person would. */
export async function kills({ kills: count }) {
  const folder = newFolder();
  let running = await start(folder);
  const acknowledged = new Map();
  let writing = true;
  let sent = 0;
  const writer = async () => {
    while (writing) {
      const item = newGear(`Write ${++sent}`);
      try {
        const { status } = await send(running.url, 'POST', '/api/changes', { gear: [item] }, {}, 8000);
        if (status === 200) acknowledged.set(item.id, item.body.name);
        else await pause(50);
      } catch {
        await pause(50); // killed: perhaps kept, perhaps not
      }
    }
  };
  const writers = [writer(), writer()];
  const backMs = [];
  let failure;
  try {
    for (let n = 0; n < count; n++) {
      await pause(BETWEEN_MS[0] + Math.random() * (BETWEEN_MS[1] - BETWEEN_MS[0]));
      const victim = VICTIMS[n % VICTIMS.length];
      const pid = await pidOf(victim, () => processesOf(folder, running.child));
      const since = performance.now();
      process.kill(pid, 'SIGKILL');
      // a killed database, or its guard, is brought back by the start command; the rest by whoever starts it again
      if (victim === 'server' || victim === 'start') {
        await running.ended;
        running = await start(folder);
      }
      await untilWritable(() => running.url);
      if (victim === 'postmaster' || victim === 'guard') backMs.push(performance.now() - since);
    }
  } catch (error) {
    failure = error;
  }
  writing = false;
  await Promise.all(writers);
  const { body: gear } = failure ? { body: [] } : await send(running.url, 'GET', '/api/gear', undefined, {}, 60_000);
  const kept = new Map(gear.map(({ id, body }) => [id, body.name]));
  const lost = failure ? undefined : [...acknowledged].filter(([id, name]) => kept.get(id) !== name).length;
  await running.stop();
  await remove(folder);
  return {
    title: `${count} kills under two writers`,
    figures: failure
      ? [`${failure.message}`]
      : [
          `${acknowledged.size} writes acknowledged of ${sent}, ${lost} lost`,
          `the database was back after ${Math.round(Math.max(0, ...backMs))} ms at most`,
        ],
    failed: failure !== undefined || lost > 0 || acknowledged.size === 0 || Math.max(0, ...backMs) > 10_000,
  };
}

/** Of a process that may be coming back this very moment. */
async function pidOf(victim, processes) {
  for (const until = performance.now() + BACK_WITHIN_MS; performance.now() < until; await pause(20)) {
    try {
      const pid = processes()[victim];
      if (pid > 1) return pid;
    } catch {
      // the database has no number yet
    }
  }
  throw new Error(`There was no ${victim} to kill.`);
}

async function untilWritable(url) {
  for (const until = performance.now() + BACK_WITHIN_MS; performance.now() < until; await pause(50)) {
    try {
      if ((await send(url(), 'POST', '/api/changes', { gear: [newGear('Back')] }, {}, 8000)).status === 200) return;
    } catch {
      // not yet
    }
  }
  throw new Error(`It did not write again within ${BACK_WITHIN_MS / 1000} s.`);
}
