import { existsSync, mkdtempSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { LogFile } from './log-file';

let folder: string;
beforeEach(() => void (folder = mkdtempSync(path.join(os.tmpdir(), 'viaggio-log-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

describe('a log file', () => {
  it('is put aside when it is full, three older ones at most, the newest line always in it', () => {
    const file = path.join(folder, 'server.log');
    const log = new LogFile(file, 100);
    for (let n = 0; n < 60; n++) log.write(`line ${String(n).padStart(3, '0')}\n`);
    expect(readFileSync(file, 'utf8')).toMatch(/line 059\n$/);
    const kept = [`${file}.3`, `${file}.2`, `${file}.1`, file].map((one) => readFileSync(one, 'utf8')).join('');
    const numbers = [...kept.matchAll(/line (\d+)/g)].map(([, n]) => Number(n));
    expect(numbers).toEqual(Array.from({ length: numbers.length }, (_, at) => 60 - numbers.length + at));
    expect(existsSync(`${file}.4`)).toBe(false);
  });

  it('is its owner’s only, an older one too, and is gone on with', () => {
    const file = path.join(folder, 'server.log');
    writeFileSync(file, 'before\n', { mode: 0o644 });
    new LogFile(file).write('after\n');
    expect(readFileSync(file, 'utf8')).toBe('before\nafter\n');
    expect(statSync(file).mode & 0o777).toBe(0o600);
  });

  it('drops what finds no room, throws nothing, and says how many when there is room again', () => {
    const gone = path.join(folder, 'gone');
    const log = new LogFile(path.join(gone, 'server.log'));
    log.write('one\n');
    log.write('two\n');
    mkdirSync(gone);
    log.write('three\n');
    expect(readFileSync(path.join(gone, 'server.log'), 'utf8')).toMatch(/2 lines found no room.*\nthree\n$/);
  });
});
