import { createServer } from 'node:net';
import type { AddressInfo, Socket } from 'node:net';
import { pollMeter } from './poll-meter';
import type { Polled } from './poll-meter';
import { SimulatedMeter } from './simulated-meter';

const SIGNAL = { stepS: 0.01, voltageV: new Float64Array(100_000).fill(16.5), currentA: new Float64Array(100_000).fill(1.1) };
let meter: SimulatedMeter;
let port: number;
beforeEach(async () => {
  meter = new SimulatedMeter();
  meter.play(SIGNAL);
  port = await meter.listen();
});
afterEach(() => meter.close());

/** Polls until enough has come, doing things on the way. */
async function poll(until: (polled: readonly Polled[]) => boolean, also: (polled: Polled, all: readonly Polled[]) => void = () => undefined, at = port) {
  const stopping = new AbortController();
  const all: Polled[] = [];
  for await (const polled of pollMeter({ host: '127.0.0.1', port: at, everyMs: 5, signal: stopping.signal, timeoutMs: 150, retryMs: 20 })) {
    all.push(polled);
    also(polled, all);
    if (until(all)) stopping.abort();
  }
  return all;
} // prettier-ignore

const samples = (all: readonly Polled[]) => all.filter(({ kind }) => kind === 'sample');
const kinds = (all: readonly Polled[]) => all.map(({ kind }) => kind).filter((kind, index, list) => kind !== list[index - 1]);

describe('polling a meter', () => {
  it('learns who it is, then reads volts and amps, its time always rising', async () => {
    const all = await poll((polled) => samples(polled).length >= 5);
    expect(all[0]).toEqual({ kind: 'connected', identity: 'Viaggio,Simulated meter,0,1.0' });
    const read = samples(all) as Extract<Polled, { kind: 'sample' }>[];
    for (const { voltageV, currentA } of read) {
      expect(Math.abs(voltageV / 16.5 - 1)).toBeLessThan(0.011);
      expect(Math.abs(currentA / 1.1 - 1)).toBeLessThan(0.011);
    }
    read.slice(1).forEach(({ timeS }, index) => expect(timeS).toBeGreaterThan(read[index]!.timeS));
  });

  it('survives a connection that is lost, and goes on by itself', async () => {
    let pulled = false;
    const all = await poll(
      (polled) => kinds(polled).filter((kind) => kind === 'connected').length >= 2 && samples(polled).length >= 6,
      (_polled, so) => {
        if (samples(so).length === 3 && !pulled) {
          pulled = true;
          meter.makeTrouble('disconnect', 0.1);
        }
      },
    );
    expect(kinds(all).slice(0, 3)).toEqual(['connected', 'sample', 'away']);
    expect(kinds(all).slice(-2)).toEqual(['connected', 'sample']);
  });

  it('survives a meter that is silent', async () => {
    let stalled = false;
    const all = await poll(
      (polled) => polled.some(({ kind }) => kind === 'away') && polled.at(-1)!.kind === 'sample',
      (_polled, so) => {
        if (samples(so).length === 2 && !stalled) {
          stalled = true;
          meter.makeTrouble('stall', 0.3);
        }
      },
    );
    expect(all.find(({ kind }) => kind === 'away')).toMatchObject({ says: expect.stringMatching(/no answer to .* within 150 ms/) });
  });

  it('tells nonsense, leaves it out, and goes on when it ends', async () => {
    let babbled = false;
    const all = await poll(
      (polled) => polled.some(({ kind }) => kind === 'nonsense') && polled.at(-1)!.kind === 'sample',
      (_polled, so) => {
        if (samples(so).length === 2 && !babbled) {
          babbled = true;
          meter.makeTrouble('nonsense', 0.2);
        }
      },
    );
    expect(all.find(({ kind }) => kind === 'nonsense')).toEqual({ kind: 'nonsense', says: '“#%&/?!” is no number' });
  });

  it('says so where nothing answers, and comes to it once it is there', async () => {
    const later = new SimulatedMeter();
    const free = await later.listen();
    await later.close();
    const all = await poll((polled) => polled.filter(({ kind }) => kind === 'away').length >= 2, undefined, free);
    expect(all[0]).toMatchObject({ kind: 'away', says: expect.stringContaining('ECONNREFUSED') });
  });

  it('asks the meter what it minds', async () => {
    const errors = ['-222,"Data out of range"', '0,"No error"'];
    const answers: Readonly<Record<string, () => string>> = {
      '*IDN?': () => 'Strict',
      '*OPC?': () => '1',
      'SYSTem:ERRor?': () => errors.shift() ?? '0,"No error"',
    };
    const sockets = new Set<Socket>();
    const strict = createServer((socket) => {
      sockets.add(socket);
      socket.on('data', (bytes) => {
        for (const line of String(bytes).split('\n'))
          if (line !== '' && line !== '*CLS') socket.write(`${(answers[line] ?? (() => '9.91E37'))()}\n`);
      });
      socket.on('error', () => undefined);
    });
    await new Promise<void>((resolve) => strict.listen(0, '127.0.0.1', resolve));
    const all = await poll((polled) => polled.some(({ kind }) => kind === 'nonsense'), undefined, (strict.address() as AddressInfo).port);
    for (const socket of sockets) socket.destroy();
    strict.close();
    expect(all.find(({ kind }) => kind === 'nonsense')).toEqual({ kind: 'nonsense', says: 'Data out of range' });
  });
});

describe('the simulated meter', () => {
  /** Sends lines as they are, and takes what comes within a moment. */
  async function talk(text: string): Promise<string> {
    const { connect } = await import('node:net');
    const socket = connect(port, '127.0.0.1');
    let got = '';
    socket.setEncoding('utf8').on('data', (piece: string) => (got += piece));
    socket.write(text);
    await new Promise((resolve) => setTimeout(resolve, 80));
    socket.destroy();
    return got;
  }

  it('answers short and long forms, several in a line, and keeps its errors', async () => {
    expect(await talk('*OPC?;MEAS:VOLT?\n')).toMatch(/^1;1\.6\d+E\+1\n$/);
    expect(await talk('FOO:BAR?\nSYST:ERR?\nSYST:ERR?\n')).toBe('-113,"Undefined header"\n0,"No error"\n');
    expect(await talk('FOO\n*CLS\nSYSTem:ERRor:NEXT?\n')).toBe('0,"No error"\n');
  });

  it('shows nothing once its battery is empty', async () => {
    meter.play({ stepS: 0.001, voltageV: Float64Array.of(12), currentA: Float64Array.of(1) });
    await new Promise((resolve) => setTimeout(resolve, 10));
    expect(await talk('MEAS:CURR?\n')).toBe('0.000000E+0\n');
  });
});
