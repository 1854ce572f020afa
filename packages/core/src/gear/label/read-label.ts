import { issue } from '../../issue';
import { cellsFromNominal } from '../../physics/cell';
import { CHEMISTRIES } from '../../tables';
import type { ChemistryId } from '../../tables';
import { Grouping, isCapacity, isRange } from './groups';
import type { Figure, Group, Told } from './groups';
import type { Label, LabelAsk, LabelPort, LabelProfile, LabelReads } from './label';
import { tokensOf } from './tokens';
import type { Token } from './tokens';

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
/** Volts of a USB port that no number of cells has; the next of a fast one, which only a block of six alkaline cells has. */
const USB_V = 5;
const FAST_USB_V = 9;
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
  const refuse = (code: string, at: number, got: string): Label => ({
    text,
    reads: {},
    asks: [],
    refused: issue(`/${at}`, code, EXPECTED, got),
  });
  if (text.trim() === '') return refuse('empty', 0, text);
  const bare = tokens.find((token, place) => token.is === 'unreadable' || (token.is === 'number' && !isName(tokens, place)));
  if (bare) return refuse('not-a-label', bare.at, bare.text);
  const odd = tokens.find((token, place) => isNotPositive(tokens, token, place));
  if (odd) return refuse('not-positive', odd.at, odd.text);
  const reading = new Reading(new Grouping(tokens));
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

class Reading {
  private readonly asks: Set<LabelAsk>;
  private disagrees: Label['disagrees'];

  constructor(private readonly said: Grouping) {
    this.asks = new Set(said.unsure);
  }

  label(): Pick<Label, 'reads' | 'asks' | 'disagrees'> {
    const body = this.said.body.figures;
    const reads: Record<string, unknown> = {};
    const isBattery = body.some(({ figure }) => isCapacity(figure)) || this.said.isOfCells || this.said.series !== undefined;
    for (const [unit, field] of [
      ['awg', 'awg'],
      ['mm2', 'areaMm2'],
      ['Ah', 'capacityAh'],
      ['Wh', 'energyWh'],
    ] as const)
      this.put(
        reads,
        field,
        body.filter(({ figure }) => figure.unit === unit),
      );
    const electric = body.filter(({ figure: { unit } }) => unit === 'V' || unit === 'A' || unit === 'W');
    const { own, profiles } = isBattery ? this.ofBattery(electric) : { own: [], profiles: this.profilesOf(electric) };
    for (const [unit, field] of [
      ['V', 'voltageV'],
      ['A', 'currentA'],
      ['W', 'powerW'],
    ] as const)
      this.put(
        reads,
        field,
        own.filter(({ figure }) => figure.unit === unit),
      );
    const ports = this.said.groups.filter(isSaid).flatMap((group) => this.portsOf(group));
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
    else if (this.said.chemistries.size === 1) reads['chemistry'] = [...this.said.chemistries][0];
    return {
      reads,
      asks: ORDER.filter((ask) => this.asks.has(ask)),
      ...(this.disagrees && { disagrees: this.disagrees }),
    };
  }

  /** The figures of a battery itself, and profiles of ports that are not named: volts that stand beside amps where there are several. */
  private ofBattery(electric: readonly Told[]): { readonly own: readonly Told[]; readonly profiles: readonly LabelProfile[] } {
    const volts = electric.filter(({ figure, full, most }) => figure.unit === 'V' && !full && !most);
    // “13000mAh 5V 3A”: no cells have 5 V, a USB port has
    const [alone] = volts;
    if (volts.length === 1 && alone && this.isOfPort(alone, electric)) {
      const behind = electric[electric.indexOf(alone) + 1];
      const port = electric.filter((told) => told === alone || (told === behind && told.joined && told.figure.unit !== 'V'));
      return { own: electric.filter((told) => !port.includes(told)), profiles: this.profilesOf(port) };
    }
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

  /** Whether the only volts beside a capacity are those of a USB port. */
  private isOfPort(told: Told, electric: readonly Told[]): boolean {
    const { value, toValue } = told.figure;
    const figures = this.said.body.figures.map(({ figure }) => figure);
    const [energy, capacity] = (['Wh', 'Ah'] as const).map((unit) => figures.find((one) => one.unit === unit)?.value);
    if (value === undefined || this.said.isOfCells || this.said.series !== undefined) return false;
    // what is printed as its energy was reckoned with these volts
    if (energy !== undefined && capacity !== undefined && Math.abs((value * capacity) / energy - 1) <= LABEL_TOLERANCE) return false;
    if (capacity === undefined && energy === undefined) return false;
    const next = electric[electric.indexOf(told) + 1];
    const hasAmps = next?.joined === true && next.figure.unit === 'A';
    return toValue === undefined ? value === USB_V || (hasAmps && value === FAST_USB_V) : hasAmps;
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
      if (
        !open ||
        (unit === 'V' && (has('voltageV') || (has('minV') && !(most && !has('maxV'))))) ||
        has(field) ||
        (unit === 'W' && profiles.length > 1)
      )
        profiles.push((open = {}));
      if (unit === 'V' && most && open['minV'] !== undefined && open['maxV'] === undefined) open['maxV'] = value;
      else if (unit === 'V' && toValue !== undefined) [open['minV'], open['maxV']] = [value, toValue];
      else if (unit === 'V' && least) open['minV'] = value;
      else open[field] = value;
    }
    // “12V/24V 10A”: whether the amps are of both nobody knows
    const isBare = (one: Record<string, number>): boolean => Object.keys(one).join() === 'voltageV';
    const isLoose = (one: Record<string, number>): boolean => Object.keys(one).join() === 'currentA';
    if (profiles.length > 1 && profiles.some(isBare) && !profiles.every(isBare)) this.asks.add('currentA');
    if (profiles.length > 1 && profiles.some(isLoose)) {
      this.asks.add('currentA');
      for (const one of profiles) delete one['currentA'];
      return profiles.filter((one) => Object.keys(one).length > 0);
    }
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
    const chemistry = this.said.chemistries.size === 1 ? [...this.said.chemistries][0]! : undefined;
    if (chemistry) reads['chemistry'] = chemistry;
    else this.asks.add('chemistry');
    // volts of the full pack
    if (
      this.said.series !== undefined &&
      chemistry &&
      voltageV !== undefined &&
      Math.abs(voltageV / (this.said.series * CHEMISTRIES[chemistry].fullCellV) - 1) < 0.01 &&
      chemistry !== 'agm'
    )
      delete reads['voltageV'];
    // of loose cells the volts are one cell's, and whether they lie in series is the holder's
    if (this.said.isOfCells && this.said.holds !== undefined && this.said.series === undefined) {
      const cellV = chemistry === undefined ? undefined : CHEMISTRIES[chemistry].nominalCellV;
      const isPack = voltageV !== undefined && cellV !== undefined && Math.abs(voltageV / (this.said.holds * cellV) - 1) < 0.07;
      if (isPack || voltageV === undefined) reads['cellsInSeries'] = this.said.holds;
      else if (this.said.holds > 1) {
        delete reads['voltageV'];
        this.asks.add('cellsInSeries');
      }
      return;
    }
    if (voltageV === undefined && !this.asks.has('voltageV') && (capacityAh === undefined || energyWh === undefined))
      this.asks.add('voltageV');
    if (this.said.series !== undefined) {
      const isOdd =
        chemistry && voltageV !== undefined && Math.abs(voltageV / (this.said.series * CHEMISTRIES[chemistry].nominalCellV) - 1) > ODD_CELL;
      if (isOdd) this.asks.add('cellsInSeries');
      else reads['cellsInSeries'] = this.said.series;
    } else if (this.said.holds !== undefined || (chemistry && voltageV !== undefined)) {
      const cells = chemistry && voltageV !== undefined ? cellsMeant(chemistry, voltageV) : undefined;
      if (cells === undefined) this.asks.add('cellsInSeries');
      else reads['cellsInSeries'] = cells;
    }
  }
}

/**
 * Cells in series that volts of a chemistry mean; undefined where they could be those of a full pack of fewer, or are of no number of cells.
 *
 * @example cellsMeant('li-ion', 14.4) // 4
 */
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
