import { createReadStream, readFileSync } from 'node:fs';
import { SIZE_TOOLS } from '@viaggio/core/bench';
import { readLabel } from '@viaggio/core/gear';
import { SYMPTOMS } from '@viaggio/core/words';
import { backupTo, restoreFrom } from './backup';
import type { WithServer } from './backup';
import { checkText } from './check';
import { evaluateText } from './evaluate';
import { faultText } from './fault';
import { feedsText } from './feeds';
import { flyText } from './fly';
import { meterUntilEnded } from './meter';
import { packText } from './pack';
import { segmentsOf } from './segments';
import { sheetText } from './sheet';
import { isTool, refuseTool, sizeText } from './size';
import { solveText } from './solve';
import type { Output } from './solve';

/** What the command line can be told beside files. */
export interface Options {
  readonly rig?: string | undefined;
  readonly port?: string | undefined;
  readonly readings?: string | undefined;
  readonly symptom?: string | undefined;
  readonly answers?: string | undefined;
  readonly trip?: string | undefined;
  readonly day?: string | undefined;
  readonly out?: string | undefined;
  readonly paper?: string | undefined;
  readonly different?: string | undefined;
  readonly as?: string | undefined;
}

/** Where results go, and what of the machine a command may use. */
export interface Surroundings extends Output {
  readonly withServer: WithServer;
}

export interface Command {
  /** Behind `viaggio`. */
  readonly usage: string;
  readonly about: string;
  /** For `viaggio COMMAND --help`: what it prints, in a few lines. */
  readonly more: string;
  readonly options: readonly (keyof Options)[];
  /** It reads standard input where no file is named. */
  readonly alone?: true;
  /** Options that it does not go without. */
  readonly needs: readonly (keyof Options)[];
  readonly run: (file: string, options: Options, output: Surroundings) => number | Promise<number>;
}

/** The whole text of a file, or of standard input. */
const textOf = (file: string): string => readFileSync(file === '-' ? 0 : file, 'utf8');

export const COMMANDS: Readonly<Record<string, Command>> = {
  solve: {
    usage: 'solve FILE…',
    about: 'solves network cases, one JSON line each',
    more: 'A file holds one case or a list of them: a pack and a tree of feeds, see docs/network-cases.md. A malformed case is told on the\nerror output by its name and field; the others are still solved.',
    options: [],
    needs: [],
    run: (file, _options, output) => solveText(textOf(file), output),
  },
  evaluate: {
    usage: 'evaluate FILE…',
    about: 'evaluates plan documents: everything computed, as JSON',
    more: 'A file is a plan document of any version, see docs/plan-document.md. What is to be worked out beyond the answer of every rig is\nasked for in the document’s “ask”.',
    options: [],
    needs: [],
    run: (file, _options, output) => evaluateText(textOf(file), output),
  },
  feeds: {
    usage: 'feeds FILE… --rig ID',
    about: 'every sound feed of a rig’s devices, and the rig fed at once, as JSON',
    more: '--rig ID   the rig, by its identifier or its name',
    options: ['rig'],
    needs: ['rig'],
    run: (file, { rig = '' }, output) => feedsText(textOf(file), rig, output),
  },
  check: {
    usage: 'check FILE --rig ID',
    about: 'what to measure before a rig gets power, in order, one JSON line a step; readings judged',
    more: '--rig ID          the rig, by its identifier or its name\n--readings FILE   a JSON list of {step, value}: volts or ohms, or “OL”; see docs/bench.md',
    options: ['rig', 'readings'],
    needs: ['rig'],
    run: (file, { rig = '', readings }, output) =>
      checkText(textOf(file), rig, readings === undefined ? undefined : textOf(readings), output),
  },
  fault: {
    usage: 'fault FILE --rig ID --symptom S',
    about: 'what may be behind a fault of a rig, and what to try next, as JSON',
    more: `--rig ID         the rig, by its identifier or its name\n--symptom S      one of ${Object.keys(SYMPTOMS).join(', ')}\n--answers FILE   a JSON list of {test, answer}: what was tried so far; see docs/bench.md`,
    options: ['rig', 'symptom', 'answers'],
    needs: ['rig', 'symptom'],
    run: (file, { rig = '', symptom = '', answers }, output) =>
      faultText(textOf(file), rig, symptom, answers === undefined ? undefined : textOf(answers), output),
  },
  fly: {
    usage: 'fly',
    about: 'what may fly, by which rule, and who carries what: a JSON question in, one JSON line out',
    more: 'The question is on standard input: {people, batteries: [{id, chemistry, energyWh or voltageV and capacityAh, role}], rules?},\nsee docs/flying.md. The carrier and the local authority decide.',
    options: [],
    alone: true,
    needs: [],
    run: (file, _options, output) => flyText(textOf(file), output),
  },
  pack: {
    usage: 'pack FILE --trip ID',
    about: 'what goes along on a trip and why, what may fly, who carries what, what a lost bag stops, as JSON',
    more: '--trip ID   the trip, by its identifier or its name\n\nThings that lie in no bag are put where packing is suggested, see docs/flying.md.',
    options: ['trip'],
    needs: ['trip'],
    run: (file, { trip = '' }, output) => packText(textOf(file), trip, output),
  },
  sheet: {
    usage: 'sheet FILE --out FILE',
    about: 'the crew’s power sheet of a day, or of a rig, as PDF',
    more: '--out FILE     where the PDF is written\n--day ID       the day, by its identifier or its name\n--rig ID       one rig alone\n--trip ID      says who to ask and where things lie; a day’s own trip when absent\n--paper SIZE   a4 (when absent) or letter',
    options: ['day', 'rig', 'trip', 'out', 'paper'],
    needs: ['out'],
    run: (file, options, output) => sheetText(textOf(file), options, output),
  },
  backup: {
    usage: 'backup FILE',
    about: 'everything that is kept here in one file, read back and found whole',
    more: 'The application need not run. The file is an open archive (ZIP) of a plan document, lists, recordings and photographs, see\ndocs/backup.md. It is written aside first: one that was there stays until the new one is whole.',
    options: [],
    needs: [],
    run: (file, _options, output) => backupTo(file, output.withServer, output),
  },
  restore: {
    usage: 'restore FILE',
    about: 'what a backup holds beside what is here; with --different, brings it here: all of it, or nothing',
    more: '--different keep   brings what is new; what both have in another state stays as it is here\n--different take   also takes the backup’s state of those; the state here stays among the older ones\n\nWhat is here alone stays in any case. Without --different nothing is changed.',
    options: ['different'],
    needs: [],
    run: (file, { different }, output) => restoreFrom(file, different, output.withServer, output),
  },
  label: {
    usage: 'label TEXT…',
    about: 'what labels say of batteries, ports and leads, one JSON line each',
    more: 'Each text is one label, such as “7.2 V 2040 mAh”. What is read, what is asked before it can be used, and what it is refused for\nare told; a label that is refused ends the command with 1.',
    options: [],
    needs: [],
    run: (text, _options, { out }) => {
      const labels =
        text === '-'
          ? textOf('-')
              .split('\n')
              .filter((line) => line.trim() !== '')
          : [text];
      return Math.max(0, ...labels.map((label) => labelLine(label, out)));
    },
  },
  size: {
    usage: 'size TOOL',
    about: 'sizes leads, fuses, converters, packs: a list of questions in, one JSON line an answer',
    more: `The tools are ${Object.keys(SIZE_TOOLS).join(', ')}. Questions are a JSON list on standard input, see docs/bench.md. One that cannot be\nanswered has “error” and “path” in its place.`,
    options: [],
    needs: [],
    run: (tool, _options, output) => (isTool(tool) ? sizeText(textOf('-'), tool, output) : refuseTool(tool, output)),
  },
  segments: {
    usage: 'segments FILE…',
    about: 'steady segments of meters’ recordings (any table of figures), as JSON',
    more: 'A recording may be larger than memory has room for: it is read piece by piece.\n--as SAID   what the file does not say, apart by commas: turned (the lead was the other way round), volts=7.4,\n            step=0.5 (seconds from row to row), dates=month, clock=hours, jumps=kept',
    options: ['as'],
    needs: [],
    run: (file, { as = '' }, output) =>
      segmentsOf((file === '-' ? process.stdin : createReadStream(file)) as AsyncIterable<Buffer>, as, output),
  },
  meter: {
    usage: 'meter FILE --rig ID',
    about: 'plays a rig like a bench meter (SCPI over TCP, loopback), until it is ended',
    more: '--rig ID   the rig, by its identifier or its name\n--port N   where it listens; a free port when absent',
    options: ['rig', 'port'],
    needs: ['rig'],
    run: (file, { rig = '', port = '0' }, output) => meterUntilEnded(textOf(file), rig, port, output),
  },
};

function labelLine(text: string, out: Output['out']): number {
  const { refused, disagrees: _disagrees, ...label } = readLabel(text);
  out(
    JSON.stringify(
      refused ? { ...label, refused: { code: refused.code, at: Number(refused.path.slice(1)), message: refused.message } } : label,
    ),
  );
  return refused ? 1 : 0;
}

/** What a command was called before. */
export const FORMERLY: Readonly<Record<string, string>> = { stretches: 'segments' };
