import { createServer } from 'node:net';
import type { AddressInfo, Socket } from 'node:net';
import { pollMeter } from './poll-meter';
import type { Polled } from './poll-meter';
import { SimulatedMeter } from './simulated-meter';
import type { Trouble } from './simulated-meter';

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

  it.each<Trouble>(['banner', 'doubled', 'echo'])('through %s no number is ever made up: what is in doubt is thrown away, and told', async (kind) => {
    meter.makeTrouble(kind, 0.8);
    const from = performance.now();
    const all = await poll((polled) => performance.now() - from > 1500 && samples(polled).length >= 8);
    for (const { voltageV, currentA } of samples(all) as Extract<Polled, { kind: 'sample' }>[]) {
      expect(Math.abs(voltageV / 16.5 - 1)).toBeLessThan(0.011);
      expect(Math.abs(currentA / 1.1 - 1)).toBeLessThan(0.011);
    }
    expect(all.filter((one) => one.kind === 'connected').map(({ identity }) => identity).every((identity) => identity === 'Viaggio,Simulated meter,0,1.0')).toBe(true);
  }); // prettier-ignore

  it('an answer that comes twice, a moment late, is no reading of amps', async () => {
    const doubling = createServer((socket) => {
      let count = 0;
      socket.on('error', () => undefined);
      socket.on('data', (bytes) => {
        for (const line of String(bytes)
          .split('\n')
          .filter((one) => one !== '' && one !== '*CLS')) {
          const answer = line.includes('VOLT') ? '7.2' : line.includes('CURR') ? '1.5' : line === '*IDN?' ? 'Nobody,Doubling,0,1' : '1';
          socket.write(`${answer}\n`);
          // the second of two, when the next question may have been asked already
          if (line.includes('VOLT') && ++count % 4 === 0) setTimeout(() => socket.destroyed || socket.write(`${answer}\n`), 0);
        }
      });
    });
    await new Promise<void>((resolve) => doubling.listen(0, '127.0.0.1', resolve));
    const all = await poll((polled) => samples(polled).length >= 25, undefined, (doubling.address() as AddressInfo).port);
    doubling.close();
    const watts = (samples(all) as Extract<Polled, { kind: 'sample' }>[]).map(({ voltageV, currentA }) => voltageV * currentA);
    expect(watts.every((one) => Math.abs(one - 10.8) < 1e-9)).toBe(true);
    expect(all.some(({ kind }) => kind === 'doubt')).toBe(true);
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
      '*IDN?': () => 'Nobody,Strict,0,1',
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
    // what asks for nothing is answered by nothing; else a machine that is busy may take its time
    const patience = text.includes('?') ? 5000 : 80;
    let came = performance.now();
    socket.on('data', () => (came = performance.now()));
    const from = performance.now();
    while (performance.now() - from < patience && !(got !== '' && performance.now() - came > 80)) await new Promise((resolve) => setTimeout(resolve, 10)); // prettier-ignore
    socket.destroy();
    return got;
  }

  it('answers short and long forms, several in a line, and keeps its errors', async () => {
    expect(await talk('*OPC?;MEAS:VOLT?\n')).toMatch(/^1;1\.6\d+E\+1\n$/);
    expect(await talk('FOO:BAR?\nSYST:ERR?\nSYST:ERR?\n')).toBe('-113,"Undefined header;FOO:BAR?"\n0,"No error"\n');
    expect(await talk('FOO\n*CLS\nSYSTem:ERRor:NEXT?\n')).toBe('0,"No error"\n');
  });

  it('goes on from the path of the header before', async () => {
    expect(await talk('MEAS:VOLT?;CURR?\n')).toMatch(/^1\.6\d+E\+1;1\.\d+E\+0\n$/);
    expect(await talk('MEAS:VOLT?;*OPC?;CURR?;:SYST:ERR?\n')).toMatch(/^[^;]+;1;[^;]+;0,"No error"\n$/);
    // the path is that of the whole header
    expect(await talk('MEAS:VOLT:DC?;CURR?;:SYST:ERR?\n')).toMatch(/^[^;]+;-113,"Undefined header;CURR\?"\n$/);
    expect(await talk('MEAS:VOLT?;MEAS:CURR?;:SYST:ERR?\n')).toMatch(/;-113,"Undefined header;MEAS:CURR\?"\n$/);
  });

  it.each<[string, string]>([
    ['*IDN? 5', '-108,"Parameter not allowed"'],
    ['*ESE 1,2', '-108,"Parameter not allowed"'],
    ['*ESE', '-109,"Missing parameter"'],
    ['*ESE many', '-104,"Data type error"'],
    ['*SRE 256', '-222,"Data out of range"'],
    ['MEAS:OHM?', '-113,"Undefined header;MEAS:OHM?"'],
    ['?!', '-102,"Syntax error;?!"'],
    ['x'.repeat(9000), '-363,"Input buffer overrun"'],
  ])('%#: “%.12s…” is told in its queue', async (line, error) => {
    await talk('*CLS\n');
    expect(await talk(`${line}\nSYST:ERR?;ERR?\n`)).toBe(`${error};0,"No error"\n`);
  });

  it('keeps ten errors, the last of which says that there were more', async () => {
    await talk('*CLS\n');
    expect(await talk(`${'FOO\n'.repeat(15)}SYST:ERR:COUN?\n`)).toBe('10\n');
    const told = (await talk(`SYST:${Array.from({ length: 11 }, () => 'ERR?').join(';')}\n`)).trim().split(/;(?=[-\d]+,)/);
    expect(told.slice(-3)).toEqual(['-113,"Undefined header;FOO"', '-350,"Queue overflow"', '0,"No error"']);
  });

  it('has the registers of IEEE 488.2', async () => {
    expect(await talk('*ESR?;*ESR?\n')).toMatch(/^\d+;0\n$/);
    expect(await talk('*CLS;*ESE 36.4;*ESE?;*SRE 255;*SRE?\n')).toBe('36;191\n');
    // a command error: its bit, the event summary, the queue, and that service is asked for
    expect(await talk('FOO\n*STB?\n*ESR?\n*STB?\n')).toBe('100\n32\n68\n');
    expect(await talk('*CLS;*OPC;*ESR?;*TST?;*WAI;:SYST:VERS?\n')).toBe('1;0;1999.0\n');
    // a reset is of the measuring, not of the errors
    expect(await talk('FOO\n*RST\nSYST:ERR?\n')).toBe('-113,"Undefined header;FOO"\n');
    expect(await talk('*CLS;*SRE 0;*IDN?;*STB?\n')).toBe('Viaggio,Simulated meter,0,1.0;16\n');
  });

  it('drops a line of megabytes, and answers others meanwhile', async () => {
    const { connect } = await import('node:net');
    const flood = connect(port, '127.0.0.1');
    flood.on('error', () => undefined);
    for (let megabyte = 0; megabyte < 20; megabyte++) flood.write('x'.repeat(1_000_000));
    expect(await talk('*OPC?\n')).toBe('1\n');
    flood.destroy();
  });

  it('shows nothing once its battery is empty', async () => {
    meter.play({ stepS: 0.001, voltageV: Float64Array.of(12), currentA: Float64Array.of(1) });
    await new Promise((resolve) => setTimeout(resolve, 10));
    expect(await talk('MEAS:CURR?\n')).toBe('0.000000E+0\n');
  });
});
