import { playedRig } from '@viaggio/core/measure';
import { SimulatedMeter } from '../meters/simulated-meter';
import { parsePlan } from '../plan/read-plan';
import { tellIssues } from './evaluate';
import type { Output } from './solve';

const SECONDS_EACH = 300;

/**
 * `viaggio meter FILE --rig ID`: plays a rig of a plan document to whoever asks like a bench meter, on loopback, until it
 * is ended. Returns the exit code of a plan that cannot be played; otherwise the meter, and the port it listens on.
 */
export async function playMeter(
  text: string,
  rigId: string,
  port: number,
  { err }: Output,
): Promise<number | { readonly meter: SimulatedMeter; readonly port: number }> {
  const read = parsePlan(text);
  if (!read.ok) return tellIssues(read.issues, err);
  const rig = read.plan.rigs.find(({ id, body }) => id === rigId || body.name === rigId)?.body;
  const gear = new Map(read.plan.gear.map(({ id, body }) => [id, body]));
  const signal = rig && playedRig(rig, gear, { secondsEach: SECONDS_EACH });
  if (!signal) {
    err(`--rig: expected the identifier of a rig that a battery feeds, with its figures; got “${rigId}”`);
    return 1;
  }
  const meter = new SimulatedMeter();
  meter.play(signal);
  return { meter, port: await meter.listen(port) };
}

/** `viaggio meter FILE --rig ID`: plays until it is told to end. Returns the exit code. */
export async function meterUntilEnded(text: string, rigId: string, port: string, output: Output): Promise<number> {
  const wanted = /^\d{1,5}$/.test(port) ? Number(port) : Number.NaN;
  if (!(wanted <= 65_535)) {
    output.err(`--port: expected 0 to 65535; got “${port}”`);
    return 2;
  }
  const playing = await playMeter(text, rigId, wanted, output);
  if (typeof playing === 'number') return playing;
  output.out(`listening on 127.0.0.1:${playing.port}`);
  await new Promise((resolve) => {
    process.once('SIGINT', resolve);
    process.once('SIGTERM', resolve);
  });
  await playing.meter.close();
  return 0;
}
