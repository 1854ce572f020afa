import type { ChemistryId } from '../../tables';
import type { Connector } from '..';
import { AND_WORDS, BETWEEN_WORDS, RANGE_WORDS } from './label-words';
import type { Token } from './tokens';

export type Figure = Extract<Token, { is: 'figure' }>;
export interface Told {
  readonly figure: Figure;
  readonly least: boolean;
  readonly most: boolean;
  readonly peak: boolean;
  readonly full: boolean;
  /** No mark or port between it and the one before. */
  readonly joined: boolean;
}

/** Figures of one port, or of the thing itself. */
export interface Group {
  port:
    | {
        name?: string;
        direction?: 'in' | 'out';
        type?: Connector['type'] | undefined;
        size?: { outerMm: number; innerMm: number };
        polarity?: NonNullable<Connector['polarity']>;
      }
    | undefined;
  count: number;
  /** Names of others that say the same. */
  readonly also: string[];
  readonly figures: Told[];
}

/** Whether a bare number begins a range: “12-24V”, “11 to 17 V”. */
export function isRange(tokens: readonly Token[], place: number): boolean {
  const after = tokens[place + 2];
  return after?.is === 'figure' && after.unit === 'V' && joinsRange(tokens, place + 1);
}

/** Whether what stands here makes a range of the figures before and behind it: “12-24”, “11 to 17”, “between 11 and 17”. */
function joinsRange(tokens: readonly Token[], place: number): boolean {
  const joint = tokens[place];
  if (joint === undefined) return false;
  const word = joint.text.toLowerCase();
  const opens = tokens[place - 2]?.text.toLowerCase() ?? '';
  return joint.is === 'dash' || RANGE_WORDS.test(word) || (AND_WORDS.test(word) && BETWEEN_WORDS.test(opens));
}

export function isCapacity(figure: Figure | undefined): boolean {
  return figure?.unit === 'Wh' || figure?.unit === 'Ah';
}

/** Whether a word says something of the figure before it, and not of the one behind: “10A max, 14.4V”. */
function trails(tokens: readonly Token[], place: number): boolean {
  const [before, after] = [tokens[place - 1], tokens[place + 1]];
  if (before?.is !== 'figure') return false;
  if (after?.is !== 'figure') return true;
  // “5A fuse 20 AWG”
  return ['V', 'A'].includes(before.unit) && !['V', 'A'].includes(after.unit);
}

/** “10A fuse 5A”: which of the two it is of nobody knows. */
function isBetweenAlike(tokens: readonly Token[], place: number): boolean {
  const [before, after] = [tokens[place - 1], tokens[place + 1]];
  return before?.is === 'figure' && after?.is === 'figure' && before.unit === after.unit;
}

/** The figure that a count stands beside: “2 x 98 Wh”, “98 Wh x 2”. */
function besideOf(tokens: readonly Token[], place: number, trails: boolean): Figure | undefined {
  const beside = tokens[place + (trails ? -1 : 1)];
  return beside?.is === 'figure' ? beside : undefined;
}

/** The figure behind another, no port between them. */
function nextFigure(tokens: readonly Token[], place: number): Figure | undefined {
  const next = tokens.slice(place + 1).find(({ is }) => is === 'figure' || is === 'connector' || is === 'direction' || is === 'end');
  return next?.is === 'figure' ? next : undefined;
}

/** Where what stands here ends: at a mark, or where the label does. */
function endOf(tokens: readonly Token[], place: number): number {
  const found = tokens.findIndex(
    ({ is, text }, index) => index >= place && (is === 'end' || (is === 'comma' && text !== '(' && text !== ')')),
  );
  return found === -1 ? tokens.length : found;
}

type PortToken = Extract<Token, { is: 'connector' | 'direction' | 'barrel' | 'polarity' }>;
type NumberToken = Extract<Token, { is: 'number' }>;
type CountToken = Extract<Token, { is: 'count' }>;

/** A figure that can be read in two ways, or is shared: it is asked for. */
export type Unsure = 'voltageV' | 'currentA' | 'powerW' | 'energyWh';

const NO_FLAGS = { least: false, most: false, peak: false, full: false };

/** The figures of a label, put to the thing itself and to each of its ports, with what else it says of cells. */
export class Grouping {
  readonly groups: Group[] = [];
  /** The thing itself. */
  readonly body: Group = { port: undefined, count: 1, also: [], figures: [] };
  readonly unsure = new Set<Unsure>();
  readonly chemistries = new Set<ChemistryId>();
  /** Cells in series as printed; cells that a holder takes; whether it speaks of loose cells at all. */
  series: number | undefined;
  holds: number | undefined;
  isOfCells = false;
  private group = this.body;
  private count = 1;
  private flags = NO_FLAGS;
  private joined = true;

  constructor(private readonly tokens: readonly Token[]) {
    tokens.forEach((token, place) => this.take(token, place));
  }

  private take(token: Token, place: number): void {
    switch (token.is) {
      case 'figure':
        this.figure(token, place);
        return;
      case 'connector':
        this.connector(token, place);
        return;
      case 'direction':
        this.direction(token, place);
        return;
      case 'barrel':
      case 'polarity':
        this.open(token);
        return;
      case 'count':
        this.counted(token, place);
        return;
      case 'number':
        this.number(token, place);
        return;
      case 'size':
        this.isOfCells = true;
        return;
      case 'cells':
        this.series = token.series;
        if (/[cnmf]/i.test(token.text)) this.chemistries.add('li-ion');
        return;
      case 'chemistry':
        this.chemistries.add(token.chemistry);
        return;
      case 'least':
      case 'most':
      case 'peak':
      case 'full':
        this.flags = { ...this.flags, [token.is]: token.is === 'least' || !trails(this.tokens, place) };
        return;
      case 'own':
        this.group = this.body;
        return;
      case 'total':
        this.total(place);
        return;
      case 'word':
        this.alike(token.text, place);
        return;
      case 'end':
        if (token.text !== '\n' || this.group.figures.length > 0) this.joined = false;
        return;
      case 'comma':
        this.joined = this.joined && token.text === '/' && this.tokens[place - 1]?.is === 'figure';
        return;
      default:
        return;
    }
  }

  private figure(token: Figure, place: number): void {
    if (token.unit === 'other') return;
    const { tokens, flags } = this;
    const figure = this.withRange(place, token);
    if (!figure) return;
    const said = (what: 'most' | 'peak' | 'full'): boolean => flags[what] || (tokens[place + 1]?.is === what && trails(tokens, place + 1));
    if (tokens[place + 1]?.is === 'full' && isBetweenAlike(tokens, place + 1))
      this.unsure.add(figure.unit === 'V' ? 'voltageV' : 'currentA');
    // a battery’s own figures are not its port’s
    if (isCapacity(figure) || (figure.unit === 'V' && isCapacity(nextFigure(tokens, place)))) this.group = this.body;
    this.group.figures.push({
      figure,
      least: flags.least,
      most: said('most'),
      peak: said('peak'),
      full: said('full'),
      joined: this.joined,
    });
    this.flags = NO_FLAGS;
    this.joined = true;
  }

  private connector(token: Extract<Token, { is: 'connector' }>, place: number): void {
    const { port } = this.group;
    // what holds the thing is no port with figures of its own
    if (token.type === 'v-mount') this.groups.push({ port: { name: token.name, type: token.type }, count: 1, also: [], figures: [] });
    // “5V 2A (Micro-USB)”
    else if (this.tokens[place - 1]?.text === '(' && port && port.name === undefined) [port.name, port.type] = [token.name, token.type];
    else if (!this.plugBehind(token, place)) this.open(token);
  }

  /** “19.5V 6A 2-pin circular”: the plug of a supply, behind all of its figures. */
  private plugBehind({ name, type }: Extract<Token, { is: 'connector' }>, place: number): boolean {
    const { tokens, group } = this;
    const before = tokens.slice(0, place).findLast(({ is }) => is !== 'word' && is !== 'dash');
    const behind = tokens.slice(place + 1, endOf(tokens, place + 1));
    const isLast = behind.every(({ is }) => is === 'word' || is === 'counted' || is === 'polarity' || is === 'barrel');
    const isOfPack = tokens.some((one) => one.is === 'cells' || one.is === 'size' || (one.is === 'figure' && isCapacity(one)));
    if (group !== this.body || before?.is !== 'figure' || !isLast || isOfPack) return false;
    const first = this.firstJoined();
    const units = group.figures.slice(first).map(({ figure }) => figure.unit);
    if (!units.includes('V') || units.some((unit) => unit === 'awg' || unit === 'mm2')) return false;
    const own = group.figures.splice(first);
    this.group = { port: { name, type }, count: this.count, also: [], figures: own };
    this.groups.push(this.group);
    this.count = 1;
    return true;
  }

  /** Where the figures begin that stand together at the end of the open group. */
  private firstJoined(): number {
    return Math.max(
      0,
      this.group.figures.findLastIndex(({ joined }, index) => index === 0 || !joined),
    );
  }

  private direction(token: Extract<Token, { is: 'direction' }>, place: number): void {
    // “IN/OUT”: both ways
    if (this.tokens[place - 1]?.text === '/' && this.tokens[place - 2]?.is === 'direction') delete this.group.port?.direction;
    else if (!this.namesBehind(place, token.direction)) this.open(token);
  }

  private open(token: PortToken): void {
    this.group = this.portOf(token);
    if (this.count > 1 && this.group.figures.length === 0) this.group.count = this.count;
    this.count = 1;
    this.flags = NO_FLAGS;
  }

  private counted({ count, trails: isBehind = false }: CountToken, place: number): void {
    const { tokens } = this;
    const isOfHolder = tokens[place + 1]?.is === 'size' || tokens[place + 1]?.is === 'cell-word' || tokens[place + 2]?.is === 'size';
    if (isOfHolder || (isBehind && this.isOfCells && this.group === this.body)) this.holds = count;
    // “2 x 98 Wh”: whether the figure is of one or of both nobody knows
    else if (count > 1 && isCapacity(besideOf(tokens, place, isBehind))) this.unsure.add('energyWh');
    else if (isBehind && this.group !== this.body) this.group.count = count;
    else this.count = count;
  }

  private number({ value }: NumberToken, place: number): void {
    const [after, behind] = [this.tokens[place + 1], this.tokens[place + 2]];
    if (after?.is === 'connector' && Number.isInteger(value)) this.count = value;
    if (after?.is === 'size' || after?.is === 'cell-word' || behind?.is === 'cell-word') this.holds = value;
  }

  /** “8 A total” of several ports is no port’s own; what comes behind the word is of all of them. */
  private total(place: number): void {
    if (!trails(this.tokens, place)) this.group = this.body;
    else if (this.group.count > 1) this.shared(this.group);
  }

  /** “USB-C1/C2”: two of one kind. */
  private alike(text: string, place: number): void {
    const { name } = this.group.port ?? {};
    const isBeside = this.tokens[place - 1]?.text === '/' && this.tokens[place - 2]?.is === 'connector';
    if (isBeside && name !== undefined && /^[ac]\d$/i.test(text)) this.group.also.push(name.slice(0, -2) + text);
  }

  /** “12-24V DC IN / 7.4V 3A OUT”: a direction behind its figures, with nothing more of it to come. */
  private namesBehind(place: number, direction: 'in' | 'out'): boolean {
    const { tokens, group } = this;
    const [before, after] = [tokens.slice(0, place).findLast(({ is }) => is !== 'word'), tokens[place + 1]];
    const isLast = after === undefined || after.is === 'end' || after.text === '/' || after.text === ',';
    if (group !== this.body || before?.is !== 'figure' || !isLast) return false;
    const own = group.figures.splice(this.firstJoined());
    this.groups.push({ port: { direction }, count: 1, also: [], figures: own });
    return true;
  }

  /** A figure with the number before it, where the two are a range; undefined where it is the first half of one. */
  private withRange(place: number, figure: Figure): Figure | undefined {
    const { tokens } = this;
    if (figure.unit !== 'V') return figure;
    const before = tokens[place - 2];
    const isJoint = joinsRange(tokens, place - 1);
    const from = before?.is === 'number' ? before.value : before?.is === 'figure' && before.unit === 'V' ? before.value : undefined;
    if (isJoint && from !== undefined && figure.value !== undefined && from < figure.value)
      return { ...figure, value: from, toValue: figure.value };
    const after = tokens[place + 2];
    const begins = after?.is === 'figure' && after.unit === 'V' && joinsRange(tokens, place + 1);
    return begins && figure.value !== undefined && after.value !== undefined && figure.value < after.value ? undefined : figure;
  }

  /** The port that a word belongs to: the one that is open, where it says something new of it; else a new one. */
  private portOf(token: PortToken): Group {
    const { group } = this;
    const open = group.port;
    const isNew =
      !open ||
      (group.figures.length > 0 && token.is !== 'polarity' && token.is !== 'barrel') ||
      (token.is === 'connector' && open.name !== undefined) ||
      (token.is === 'direction' && open.direction !== undefined && open.direction !== token.direction) ||
      (token.is === 'barrel' && open.size !== undefined);
    const into: Group = isNew ? { port: {}, count: 1, also: [], figures: [] } : group;
    if (isNew) {
      // what goes out of it is said once for several ports
      if (open?.direction && token.is === 'connector') into.port!.direction = open.direction;
      this.groups.push(into);
    }
    const port = into.port!;
    if (token.is === 'connector') [port.name, port.type] = [token.name, token.type];
    else if (token.is === 'direction') port.direction = token.direction;
    else if (token.is === 'barrel') [port.type, port.size] = ['barrel', { outerMm: token.outerMm, innerMm: token.innerMm }];
    else {
      port.polarity = token.polarity;
      port.type ??= 'barrel';
    }
    return into;
  }

  /** Takes the last figure from ports that share it: what each may have is asked for. */
  private shared({ figures }: Group): void {
    const last = figures.pop();
    if (last) this.unsure.add(last.figure.unit === 'W' ? 'powerW' : 'currentA');
  }
}
