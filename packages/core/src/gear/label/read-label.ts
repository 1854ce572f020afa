import { cellsFromNominal, CHEMISTRIES } from '../../cell';
import type { ChemistryId } from '../../cell';
import { issue } from '../../issue';
import type { Issue } from '../../issue';
import type { Connector } from '../connector';
import { tokensOf } from './tokens';
import type { Token } from './tokens';

/** Volts, or from so many to so many, with the amps and watts beside them. */
export interface LabelProfile {
  readonly voltageV?: number;
  readonly minV?: number;
  readonly maxV?: number;
  readonly currentA?: number;
  readonly powerW?: number;
}

/** A port as a label prints it. */
export interface LabelPort extends LabelProfile {
  readonly name?: string;
  readonly direction?: 'in' | 'out';
  readonly connector?: Connector;
  readonly profiles?: readonly LabelProfile[];
}

/** What a label says, and no more. */
export interface LabelReads extends LabelProfile {
  readonly capacityAh?: number;
  readonly energyWh?: number;
  readonly awg?: number;
  readonly areaMm2?: number;
  readonly cellsInSeries?: number;
  readonly chemistry?: ChemistryId;
  readonly ports?: readonly LabelPort[];
  readonly profiles?: readonly LabelProfile[];
}

/** What somebody has to say before the label can be used. */
export type LabelAsk = 'voltageV' | 'capacityAh' | 'energyWh' | 'chemistry' | 'cellsInSeries' | 'currentA' | 'powerW' | 'awg' | 'areaMm2';

export interface Label {
  readonly text: string;
  readonly reads: LabelReads;
  readonly asks: readonly LabelAsk[];
  /** Watt-hours as printed, and as volts × amp-hours make them, where the two disagree: neither is taken. */
  readonly disagrees?: { readonly printedWh: number; readonly voltageV: number; readonly capacityAh: number };
  /** Why nothing is taken from it, and where: its path is the place in the text from which on it could not be read. */
  readonly refused?: Issue;
}

/** Volts × amp-hours and watt-hours that are further apart disagree. */
const LABEL_TOLERANCE = 0.05;
/** Volts of a cell that are further off belong to another number of cells. */
const ODD_CELL = 0.2;
/** Beyond these a figure is no battery's, port's or lead's: it is asked for. */
const SENSIBLE = {
  V: [0.5, 500],
  A: [0.01, 400],
  W: [0.1, 5000],
  Wh: [0.2, 5000],
  Ah: [0.05, 500],
  awg: [0, 40],
  mm2: [0.05, 120],
} as const;
const EXPECTED = 'figures as they are printed, such as “7.2 V 2040 mAh”, “USB-C 100W” or “22 AWG”';

/**
 * Reads any label: of a battery, a port or several, a supply, a lead. Only what is printed is read; what could be meant in
 * two ways, or is missing before it can be used, is asked for; what cannot be read is refused, and then nothing is taken.
 *
 * Cells are told only where they are printed, or follow from volts and a chemistry that is. Amp-hours without volts ask for
 * them: a bank counts its at its cells. A figure printed with “peak”, or the volts of a full pack, are left aside. Numbers
 * may be written as in English, German, French, Italian, Spanish or Dutch.
 *
 * @example readLabel('7.2V 14.7Wh 2040mAh Li-ion').reads // { voltageV: 7.2, energyWh: 14.7, … }
 */
export function readLabel(text: string): Label {
  const tokens = tokensOf(text);
  const refuse = (code: string, at: number, got: string): Label => ({ text, reads: {}, asks: [], refused: issue(`/${at}`, code, EXPECTED, got) }); // prettier-ignore
  if (text.trim() === '') return refuse('empty', 0, text);
  const bare = tokens.find((token, place) => token.is === 'unreadable' || (token.is === 'number' && !isName(tokens, place)));
  if (bare) return refuse('not-a-label', bare.at, bare.text);
  const odd = tokens.find((token, place) => isNotPositive(tokens, token, place));
  if (odd) return refuse('not-positive', odd.at, odd.text);
  const reading = new Reading(tokens);
  const { reads, asks, disagrees } = reading.label();
  if (Object.keys(reads).length === 0 && asks.length === 0) return refuse('not-a-label', tokens[0]?.at ?? 0, text.trim());
  return { text, reads, asks, ...(disagrees && { disagrees }) };
}

/** A figure of nothing, or below nothing: “0 Wh”, “-7.2 V”. */
function isNotPositive(tokens: readonly Token[], token: Token, place: number): boolean {
  if (token.is !== 'figure' || token.unit === 'other') return false;
  const [sign, before] = [tokens[place - 1], tokens[place - 2]];
  const isNegative =
    sign?.is === 'dash' && sign.at + 1 === token.at && (before === undefined || (before.is !== 'figure' && before.is !== 'number'));
  return isNegative || (token.value === 0 && token.unit !== 'awg');
}

/** A bare number is one where it counts cells or things, joins a range, or is part of a name. */
function isName(tokens: readonly Token[], place: number): boolean {
  const [before, after] = [tokens[place - 1], tokens[place + 1]];
  if (after && ['cell-word', 'size', 'connector', 'counted'].includes(after.is)) return true;
  if (before?.is === 'size' || before?.text === '#') return true;
  // “2-pin”, “50/60 Hz”
  const behind = tokens[place + 2];
  if (after?.is === 'dash' && behind && ['word', 'counted', 'cell-word'].includes(behind.is)) return true;
  if ((after?.is === 'dash' || after?.text === '/') && behind?.is === 'figure' && behind.unit === 'other') return true;
  if (isRange(tokens, place)) return true;
  const named = tokens.slice(0, place).findLast(({ is }) => is === 'name' || is === 'end');
  return named?.is === 'name';
}

/** Whether a bare number begins a range: “12-24V”, “11 to 17 V”. */
function isRange(tokens: readonly Token[], place: number): boolean {
  const [between, after] = [tokens[place + 1], tokens[place + 2]];
  return (
    after?.is === 'figure' &&
    after.unit === 'V' &&
    (between?.is === 'dash' || (between !== undefined && RANGE.test(between.text.toLowerCase())))
  );
}
const RANGE = /^(?:to|bis|à|a|hasta|tot)$/;

type Figure = Extract<Token, { is: 'figure' }>;
interface Told {
  readonly figure: Figure;
  readonly least: boolean;
  readonly most: boolean;
  readonly peak: boolean;
  readonly full: boolean;
  /** No mark or port between it and the one before. */
  readonly joined: boolean;
}

/** Figures of one port, or of the thing itself. */
interface Group {
  port: { name?: string; direction?: 'in' | 'out'; type?: Connector['type'] | undefined; size?: { outerMm: number; innerMm: number }; polarity?: NonNullable<Connector['polarity']> } | undefined; // prettier-ignore
  count: number;
  /** Names of others that say the same. */
  readonly also: string[];
  readonly figures: Told[];
}

/** Volts first: what else is asked follows from them. */
const ORDER: readonly LabelAsk[] = [
  'voltageV',
  'chemistry',
  'cellsInSeries',
  'capacityAh',
  'energyWh',
  'currentA',
  'powerW',
  'awg',
  'areaMm2',
];

function isCapacity(figure: Figure | undefined): boolean {
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

/** The figure behind another, no port between them. */
function nextFigure(tokens: readonly Token[], place: number): Figure | undefined {
  const next = tokens.slice(place + 1).find(({ is }) => is === 'figure' || is === 'connector' || is === 'direction' || is === 'end');
  return next?.is === 'figure' ? next : undefined;
}

class Reading {
  private readonly groups: Group[] = [];
  private readonly body: Group = { port: undefined, count: 1, also: [], figures: [] };
  private readonly asks = new Set<LabelAsk>();
  private chemistries = new Set<ChemistryId>();
  private series: number | undefined;
  private holds: number | undefined;
  private isOfCells = false;
  private disagrees: Label['disagrees'];

  constructor(tokens: readonly Token[]) {
    let group = this.body;
    let count = 1;
    let [least, most, peak, full, joined] = [false, false, false, false, true];
    tokens.forEach((token, place) => {
      switch (token.is) {
        case 'figure': {
          if (token.unit === 'other') break;
          const figure = this.withRange(tokens, place, token);
          if (!figure) break;
          const said = (what: 'most' | 'peak' | 'full'): boolean => tokens[place + 1]?.is === what && trails(tokens, place + 1);
          const told: Told = { figure, least, most: most || said('most'), peak: peak || said('peak'), full: full || said('full'), joined };
          if (tokens[place + 1]?.is === 'full' && isBetweenAlike(tokens, place + 1))
            this.asks.add(figure.unit === 'V' ? 'voltageV' : 'currentA');
          // a battery’s own figures are not its port’s
          const isOwn = isCapacity(figure) || (figure.unit === 'V' && isCapacity(nextFigure(tokens, place)));
          if (isOwn) group = this.body;
          group.figures.push(told);
          [least, most, peak, full, joined] = [false, false, false, false, true];
          break;
        }
        case 'connector':
        case 'direction':
          if (token.is === 'direction' && tokens[place - 1]?.text === '/' && tokens[place - 2]?.is === 'direction') {
            // “IN/OUT”: both ways
            delete group.port?.direction;
            break;
          }
          if (token.is === 'connector' && token.type === 'v-mount') {
            // what holds the thing is no port with figures of its own
            this.groups.push({ port: { name: token.name, type: token.type }, count: 1, also: [], figures: [] });
            break;
          }
          group = this.portOf(group, token);
          if (count > 1 && group.figures.length === 0) group.count = count;
          count = 1;
          [least, most, peak, full] = [false, false, false, false];
          break;
        case 'barrel':
        case 'polarity':
          group = this.portOf(group, token);
          if (count > 1 && group.figures.length === 0) group.count = count;
          count = 1;
          [least, most, peak, full] = [false, false, false, false];
          break;
        case 'count':
          if (tokens[place + 1]?.is === 'size' || tokens[place + 1]?.is === 'cell-word' || tokens[place + 2]?.is === 'size')
            this.holds = token.count;
          else if (token.trails && group !== this.body) group.count = token.count;
          else count = token.count;
          break;
        case 'number':
          if (tokens[place + 1]?.is === 'connector' && Number.isInteger(token.value)) count = token.value;
          if (tokens[place + 1]?.is === 'size') this.holds = token.value;
          if (tokens[place + 1]?.is === 'cell-word' || tokens[place + 2]?.is === 'cell-word') this.holds = token.value;
          break;
        case 'size':
          this.isOfCells = true;
          break;
        case 'cells':
          this.series = token.series;
          if (/[cnmf]/i.test(token.text)) this.chemistries.add('li-ion');
          break;
        case 'chemistry':
          this.chemistries.add(token.chemistry);
          break;
        case 'least':
          least = true;
          break;
        case 'most':
          most = !trails(tokens, place);
          break;
        case 'peak':
          peak = !trails(tokens, place);
          break;
        case 'full':
          full = !trails(tokens, place);
          break;
        case 'own':
          group = this.body;
          break;
        case 'total':
          // “8 A total” of several ports is no port’s own
          if (trails(tokens, place) && group.count > 1) this.shared(group);
          else if (!trails(tokens, place)) group = this.body;
          break;
        case 'word':
          // “USB-C1/C2”: two of one kind
          if (
            /^[ac]\d$/i.test(token.text) &&
            tokens[place - 1]?.text === '/' &&
            tokens[place - 2]?.is === 'connector' &&
            group.port?.name !== undefined
          )
            group.also.push(group.port.name.slice(0, -2) + token.text);
          break;
        case 'end':
          if (token.text !== '\n' || group.figures.length > 0) joined = false;
          break;
        case 'comma':
          joined = joined && token.text === '/';
          break;
        default:
          break;
      }
    });
  }

  label(): Pick<Label, 'reads' | 'asks' | 'disagrees'> {
    const body = this.body.figures;
    const reads: Record<string, unknown> = {};
    const isBattery = body.some(({ figure: { unit } }) => unit === 'Wh' || unit === 'Ah') || this.isOfCells || this.series !== undefined;
    for (const [unit, field] of [['awg', 'awg'], ['mm2', 'areaMm2'], ['Ah', 'capacityAh'], ['Wh', 'energyWh']] as const) this.put(reads, field, body.filter(({ figure }) => figure.unit === unit)); // prettier-ignore
    const electric = body.filter(({ figure: { unit } }) => unit === 'V' || unit === 'A' || unit === 'W');
    const { own, profiles } = isBattery ? this.ofBattery(electric) : { own: [], profiles: this.profilesOf(electric) };
    if (isBattery) {
      this.put(
        reads,
        'voltageV',
        own.filter(({ figure }) => figure.unit === 'V'),
      );
      this.put(
        reads,
        'currentA',
        own.filter(({ figure }) => figure.unit === 'A'),
      );
      this.put(
        reads,
        'powerW',
        own.filter(({ figure }) => figure.unit === 'W'),
      );
    }
    const ports = this.groups.filter(isSaid).flatMap((group) => this.portsOf(group));
    const [first] = profiles;
    if (profiles.length === 1 && !isBattery) Object.assign(reads, first);
    else if (profiles.length > 0) {
      const total = profiles.at(-1)!;
      // what is left over is the watts of all of it
      if (profiles.length > 1 && total.powerW !== undefined && Object.keys(total).length === 1) {
        reads['powerW'] = total.powerW;
        reads['profiles'] = profiles.slice(0, -1);
      } else reads['profiles'] = profiles;
    }
    if (ports.length > 0) reads['ports'] = ports;
    // one port alone is what the whole thing gives or takes
    if (ports.length === 1 && !isBattery && profiles.length === 0 && body.length === 0) {
      const { name: _name, direction: _direction, connector: _connector, profiles: list, ...figures } = ports[0]!;
      Object.assign(reads, figures, list && { profiles: list });
    }
    if (isBattery) this.ofCells(reads);
    else if (this.chemistries.size === 1) reads['chemistry'] = [...this.chemistries][0];
    return {
      reads: reads,
      asks: ORDER.filter((ask) => this.asks.has(ask)),
      ...(this.disagrees && { disagrees: this.disagrees }),
    };
  }

  /** A figure with the number before it, where the two are a range; undefined where it is the first half of one. */
  private withRange(tokens: readonly Token[], place: number, figure: Figure): Figure | undefined {
    if (figure.unit !== 'V') return figure;
    const [between, before] = [tokens[place - 1], tokens[place - 2]];
    const isJoint = between?.is === 'dash' || (between !== undefined && RANGE.test(between.text.toLowerCase()));
    const from = before?.is === 'number' ? before.value : before?.is === 'figure' && before.unit === 'V' ? before.value : undefined;
    if (isJoint && from !== undefined && figure.value !== undefined && from < figure.value)
      return { ...figure, value: from, toValue: figure.value };
    const [joint, after] = [tokens[place + 1], tokens[place + 2]];
    const begins =
      (joint?.is === 'dash' || (joint !== undefined && RANGE.test(joint.text.toLowerCase()))) &&
      after?.is === 'figure' &&
      after.unit === 'V';
    return begins && figure.value !== undefined && after.value !== undefined && figure.value < after.value ? undefined : figure;
  }

  /** The port that a word belongs to: the one that is open, where it says something new of it; else a new one. */
  private portOf(group: Group, token: Extract<Token, { is: 'connector' | 'direction' | 'barrel' | 'polarity' }>): Group {
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

  /** The figures of a battery itself, and profiles of ports that are not named: volts that stand beside amps where there are several. */
  private ofBattery(electric: readonly Told[]): { readonly own: readonly Told[]; readonly profiles: readonly LabelProfile[] } {
    const volts = electric.filter(({ figure, full, most }) => figure.unit === 'V' && !full && !most);
    if (volts.length <= 1) return { own: electric, profiles: [] };
    const own: Told[] = [];
    const rest: Told[] = [];
    electric.forEach((told, place) => {
      const next = electric[place + 1];
      const isPort =
        told.figure.unit === 'V' ? next?.figure.unit === 'A' && next.joined : rest.at(-1) === electric[place - 1] && rest.length > 0;
      (isPort ? rest : own).push(told);
    });
    return { own, profiles: this.profilesOf(rest) };
  }

  private profilesOf(told: readonly Told[]): readonly LabelProfile[] {
    const profiles: Record<string, number>[] = [];
    for (const { figure, peak, full, least, most } of told) {
      const { unit, value, toValue } = figure;
      const field = unit === 'V' ? 'voltageV' : unit === 'A' ? 'currentA' : 'powerW';
      if (full || this.asks.has(field)) continue;
      // what it draws or gives for an instant is not what it does
      if (peak) {
        if (!told.some((one) => !one.peak && one.figure.unit === unit)) this.asks.add(field);
        continue;
      }
      if (value === undefined || !isSensible(figure)) {
        this.asks.add(field);
        continue;
      }
      let open = profiles.at(-1);
      const has = (key: string): boolean => open !== undefined && key in open;
      // “3 A (max. 4 A)”
      if (most && unit !== 'V' && has(field)) continue;
      if (!open || (unit === 'V' && (has('voltageV') || (has('minV') && !(most && !has('maxV'))))) || has(field) || (unit === 'W' && profiles.length > 1)) profiles.push((open = {})); // prettier-ignore
      if (unit === 'V' && most && open['minV'] !== undefined && open['maxV'] === undefined) open['maxV'] = value;
      else if (unit === 'V' && least) open['minV'] = value;
      else if (unit === 'V' && toValue !== undefined) [open['minV'], open['maxV']] = [value, toValue];
      else open[field] = value;
    }
    // “12V/24V 10A”: whether the amps are of both nobody knows
    const isBare = (one: Record<string, number>): boolean => Object.keys(one).join() === 'voltageV';
    if (profiles.length > 1 && profiles.some(isBare) && !profiles.every(isBare)) this.asks.add('currentA');
    return profiles;
  }

  private portsOf({ port, count, also, figures }: Group): readonly LabelPort[] {
    const { name, direction, type, size, polarity } = port!;
    const profiles = this.profilesOf(figures);
    const total = profiles.length > 1 && Object.keys(profiles.at(-1)!).join() === 'powerW' ? profiles.at(-1)! : undefined;
    const list = total ? profiles.slice(0, -1) : profiles;
    const connector = type === undefined ? undefined : { type, ...size, ...(polarity && { polarity }) };
    const one: LabelPort = {
      ...(name !== undefined && { name }),
      ...(direction && { direction }),
      ...(connector && { connector }),
      ...(list.length === 1 ? list[0] : list.length > 1 ? { profiles: list } : {}),
      ...total,
    };
    if (also.length > 0) return [one, ...also.map((other): LabelPort => ({ ...one, name: other }))];
    return Array.from({ length: Math.min(count, 12) }, (_, index) =>
      count > 1 && name !== undefined ? { ...one, name: `${name} ${index + 1}` } : one,
    );
  }

  /** Takes the last figure from ports that share it: what each may have is asked for. */
  private shared({ figures }: Group): void {
    const last = figures.pop();
    if (last) this.asks.add(last.figure.unit === 'W' ? 'powerW' : 'currentA');
  }

  /** Puts the one figure of a kind that counts; asks where there are two, or where it makes no sense. */
  private put(reads: Record<string, unknown>, field: LabelAsk, told: readonly Told[]): void {
    const counts = told.filter(({ peak, full }) => !peak && !full);
    const plain = counts.filter(({ most }) => !most);
    const chosen = plain.length > 0 ? plain : field === 'voltageV' ? [] : counts;
    const values = new Set(chosen.map(({ figure }) => (figure.toValue === undefined && isSensible(figure) ? figure.value : undefined)));
    const [value] = values;
    if (chosen.length === 0 || this.asks.has(field)) return;
    if (values.size > 1 || value === undefined) this.asks.add(field);
    else reads[field] = value;
  }

  /** What a battery's label says of its cells, and what it leaves open. */
  private ofCells(reads: Record<string, unknown>): void {
    const { voltageV, capacityAh, energyWh } = reads as LabelReads;
    if (
      voltageV !== undefined &&
      capacityAh !== undefined &&
      energyWh !== undefined &&
      Math.abs((voltageV * capacityAh) / energyWh - 1) > LABEL_TOLERANCE
    ) {
      this.asks.add('energyWh');
      this.disagrees = { printedWh: energyWh, voltageV, capacityAh };
      delete reads['energyWh'];
      delete reads['capacityAh'];
    }
    const chemistry = this.chemistries.size === 1 ? [...this.chemistries][0]! : undefined;
    if (chemistry) reads['chemistry'] = chemistry;
    else this.asks.add('chemistry');
    // of loose cells the volts are one cell's, and whether they lie in series is the holder's
    if (this.isOfCells && this.holds !== undefined && this.series === undefined) {
      const cellV = chemistry === undefined ? undefined : CHEMISTRIES[chemistry].nominalCellV;
      const isPack = voltageV !== undefined && cellV !== undefined && Math.abs(voltageV / (this.holds * cellV) - 1) < 0.07;
      if (isPack || voltageV === undefined) reads['cellsInSeries'] = this.holds;
      else if (this.holds > 1) {
        delete reads['voltageV'];
        this.asks.add('cellsInSeries');
      }
      return;
    }
    if (voltageV === undefined && !this.asks.has('voltageV') && (capacityAh === undefined || energyWh === undefined))
      this.asks.add('voltageV');
    if (this.series !== undefined) {
      const isOdd =
        chemistry && voltageV !== undefined && Math.abs(voltageV / (this.series * CHEMISTRIES[chemistry].nominalCellV) - 1) > ODD_CELL;
      if (isOdd) this.asks.add('cellsInSeries');
      else reads['cellsInSeries'] = this.series;
    } else if (this.holds !== undefined || (chemistry && voltageV !== undefined)) {
      const cells = chemistry && voltageV !== undefined ? cellsMeant(chemistry, voltageV) : undefined;
      if (cells === undefined) this.asks.add('cellsInSeries');
      else reads['cellsInSeries'] = cells;
    }
  }
}

/** Cells in series that volts of a chemistry mean; undefined where they could be those of a full pack of fewer, or are of no number of cells. */
export function cellsMeant(chemistry: ChemistryId, voltageV: number): number | undefined {
  const cells = cellsFromNominal(chemistry, voltageV);
  if (cells === undefined) return undefined;
  const { fullCellV, nominalCellV } = CHEMISTRIES[chemistry];
  const full = Math.round(voltageV / fullCellV);
  const isFull = full >= 1 && full !== cells && Math.abs(voltageV / full / fullCellV - 1) < 0.005;
  return isFull && chemistry !== 'agm' && nominalCellV < fullCellV ? undefined : cells;
}

function isSaid({ port, figures }: Group): boolean {
  return figures.length > 0 || port?.name !== undefined || port?.size !== undefined || port?.polarity !== undefined;
}

function isSensible({ unit, value, toValue }: Figure): boolean {
  if (unit === 'other' || value === undefined) return false;
  const [least, most] = SENSIBLE[unit];
  return value >= least && (toValue ?? value) <= most;
}
