import { LOW_WATER } from '@viaggio/core/demo';
import { PLAN_FORMAT, PLAN_VERSION } from '@viaggio/core/document';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ScpiClient } from '../meters/scpi-client';
import { playMeter } from './meter';

const PLAN = JSON.stringify({ format: PLAN_FORMAT, version: PLAN_VERSION, gear: LOW_WATER.gear, rigs: LOW_WATER.rigs });
const BIN = path.join(__dirname, '../../bin/viaggio.mjs');
const folder = mkdtempSync(path.join(tmpdir(), 'viaggio-meter-'));
afterAll(() => rmSync(folder, { recursive: true }));

describe('viaggio meter', () => {
  it('plays a rig to whoever asks, and ends when it is told to', async () => {
    const file = path.join(folder, 'plan.json');
    writeFileSync(file, PLAN);
    const child = spawn(process.execPath, [BIN, 'meter', file, '--rig', 'Wheelhouse'], { stdio: ['ignore', 'pipe', 'inherit'] });
    const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
    const line = await new Promise<string>((resolve) => child.stdout.once('data', (bytes: Buffer) => resolve(String(bytes))));
    const port = Number(/^listening on 127\.0\.0\.1:(\d+)$/m.exec(line)![1]);
    const client = await ScpiClient.open('127.0.0.1', port, 2000);
    expect(await client.query('*IDN?')).toContain('Simulated meter');
    expect(Number(await client.query('MEAS:VOLT:DC?'))).toBeGreaterThan(16);
    client.close();
    child.kill('SIGTERM');
    expect(await ended).toBe(0);
  }, 30_000);

  it('names what it cannot play', async () => {
    const errors: string[] = [];
    const output = { out: () => undefined, err: (line: string) => void errors.push(line) };
    expect(await playMeter(PLAN, 'Nobody’s', 0, output)).toBe(1);
    expect(await playMeter('{', 'Wheelhouse', 0, output)).toBe(1);
    expect(errors).toEqual([expect.stringContaining('got “Nobody’s”'), expect.stringContaining('a JSON document')]);
  });
});
