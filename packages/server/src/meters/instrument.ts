import { headerPattern } from './scpi';
import { Status } from './status';

/** What an instrument shows now. */
export interface Shows {
  readonly voltageV: number;
  readonly currentA: number;
}

interface Command {
  readonly pattern: RegExp;
  /** `undefined`: an answer is not asked for. Parameters are numbers between 0 and 255 where any are taken. */
  readonly run: (parameter: number, answers: boolean) => string | undefined;
  readonly takesNumber?: boolean;
}

const IDENTITY = 'Viaggio,Simulated meter,0,1.0';
const VERSION = '1999.0';
const MOST_REGISTER = 255;
const NUMBER = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i;

/**
 * A bench meter's part of IEEE 488.2 and SCPI-99: a program message is units apart by semicolons; a header without a colon
 * goes on from the path of the one before; common commands leave that path alone; what is wrong goes to the error queue and
 * its bit, and the other units are obeyed.
 */
export class Instrument {
  private readonly status = new Status();
  private readonly commands: readonly Command[];

  constructor(shows: () => Shows) {
    const { status } = this;
    const command = (header: string, run: Command['run'], takesNumber = false): Command => ({
      pattern: headerPattern(header),
      run,
      takesNumber,
    });
    const doing = (act: () => void) => () => {
      act();
      return undefined;
    };
    this.commands = [
      command('*IDN?', () => IDENTITY),
      command('*OPC?', () => '1'),
      command(
        '*OPC',
        doing(() => status.complete()),
      ),
      command(
        '*WAI',
        doing(() => undefined),
      ),
      command(
        '*CLS',
        doing(() => status.clear()),
      ),
      // neither the queue nor the registers are of the state that is reset
      command(
        '*RST',
        doing(() => undefined),
      ),
      command('*TST?', () => '0'),
      command('*ESR?', () => String(status.takeEvents())),
      command('*ESE?', () => String(status.enabled.events)),
      command(
        '*ESE',
        (mask) => {
          status.enableEvents(mask);
          return undefined;
        },
        true,
      ),
      command('*SRE?', () => String(status.enabled.service)),
      command(
        '*SRE',
        (mask) => {
          status.enableService(mask);
          return undefined;
        },
        true,
      ),
      command('*STB?', (_, answers) => String(status.byte(answers))),
      command('MEASure:VOLTage[:DC]?', () => scientific(shows().voltageV)),
      command('MEASure:CURRent[:DC]?', () => scientific(shows().currentA)),
      command('SYSTem:ERRor[:NEXT]?', () => status.next()),
      command('SYSTem:ERRor:COUNt?', () => String(status.waiting)),
      command('SYSTem:VERSion?', () => VERSION),
    ];
  }

  /** What a line is answered with; undefined where it asks for nothing. */
  obey(line: string): string | undefined {
    const answers: string[] = [];
    let path = '';
    for (const unit of line.split(';')) {
      const trimmed = unit.trim();
      if (trimmed === '') continue;
      const [, header = '', parameters = ''] = /^(\S+)\s*(.*)$/.exec(trimmed)!;
      const isCommon = header.startsWith('*');
      const whole = isCommon ? header : header.startsWith(':') ? header.slice(1) : path + header;
      if (!isCommon) path = whole.includes(':') ? whole.slice(0, whole.lastIndexOf(':') + 1) : '';
      const answer = this.unit(whole, parameters, trimmed, answers.length > 0);
      if (answer !== undefined) answers.push(answer);
    }
    return answers.length === 0 ? undefined : answers.join(';');
  }

  /** A line that was longer than there is room for. */
  overrun(): void {
    this.status.put(-363, 'Input buffer overrun');
  }

  private unit(header: string, parameters: string, written: string, answers: boolean): string | undefined {
    const { status } = this;
    const known = this.commands.find(({ pattern }) => pattern.test(header));
    if (!known) {
      status.put(
        /^[*:]?[a-z][\w:]*\??$/i.test(header) ? -113 : -102,
        `${/^[*:]?[a-z][\w:]*\??$/i.test(header) ? 'Undefined header' : 'Syntax error'};${written.replaceAll('"', '').slice(0, 40)}`,
      );
      return;
    }
    if (!known.takesNumber) {
      if (parameters !== '') {
        status.put(-108, 'Parameter not allowed');
        return;
      }
      return known.run(0, answers);
    }
    if (parameters === '') {
      status.put(-109, 'Missing parameter');
      return;
    }
    if (parameters.includes(',')) {
      status.put(-108, 'Parameter not allowed');
      return;
    }
    if (!NUMBER.test(parameters)) {
      status.put(-104, 'Data type error');
      return;
    }
    const mask = Math.round(Number(parameters));
    if (mask < 0 || mask > MOST_REGISTER) {
      status.put(-222, 'Data out of range');
      return;
    }
    return known.run(mask, answers);
  }
}

/** NR3, as meters answer. */
function scientific(value: number): string {
  return value.toExponential(6).toUpperCase();
}
