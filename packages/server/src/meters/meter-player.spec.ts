import { build } from 'esbuild';
import { mkdtempSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { playerApart } from './meter-player';

const SIGNAL = { stepS: 1, voltageV: new Float64Array(1000).fill(16.5), currentA: new Float64Array(1000).fill(1.1) };
const folder = mkdtempSync(path.join(os.tmpdir(), 'viaggio-meter-'));
const file = path.join(folder, 'meter.mjs');
beforeAll(async () => {
  const root = path.join(__dirname, '../..');
  await build({ entryPoints: [path.join(__dirname, 'meter-process.ts')], outfile: file, bundle: true, platform: 'node', format: 'esm', tsconfig: path.join(root, 'tsconfig.json'), packages: 'external' }); // prettier-ignore
});
afterAll(() => rmSync(folder, { recursive: true }));

function ask(port: number, question: string): Promise<string> {
  return new Promise((resolve, reject) => {
    const socket = connect(port, '127.0.0.1').setEncoding('utf8');
    socket.once('error', reject);
    socket.once('data', (text: unknown) => {
      socket.destroy();
      resolve(String(text).trim());
    });
    socket.write(`${question}\n`);
  });
}

describe('a meter that plays in a process of its own', () => {
  it('answers there, makes trouble when it is told to, plays anew after it was killed, and ends', async () => {
    const player = playerApart(file);
    const port = await player.play(SIGNAL);
    expect(await ask(port, '*IDN?')).toBe('Viaggio,Simulated meter,0,1.0');
    expect(Number(await ask(port, 'MEAS:VOLT?'))).toBeCloseTo(16.5, 0);
    expect(await player.play(SIGNAL)).toBe(port);
    player.makeTrouble('nonsense', 60);
    await new Promise((resolve) => setTimeout(resolve, 200));
    expect(await ask(port, 'MEAS:VOLT?')).toBe('#%&/?!');
    await player.end();
    await expect(ask(port, '*IDN?')).rejects.toThrow();
    const next = await player.play(SIGNAL);
    expect(await ask(next, 'MEAS:VOLT?')).toMatch(/^1\.6/);
    await player.end();
  });

  it('that does not start is told', async () => {
    await expect(playerApart(path.join(folder, 'none.mjs')).play(SIGNAL)).rejects.toThrow('The simulated meter ended.');
  });
});
