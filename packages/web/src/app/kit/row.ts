import { batteryHealth, connectorName, energyFrom, energyNow, formatQuantity, mayFly, plainDraw, portsOf, shotsDraw } from '@viaggio/core';
import type { BatteryHealth, Flight, Gear } from '@viaggio/core';
import { sortOf } from '../gear/kinds';
import type { Entry } from '../state/items';

/** A piece of gear as a line of the kit. */
export interface KitRow {
  readonly id: string;
  readonly entry: Entry<'gear'>;
  readonly gear: Gear;
  readonly sort: string;
  /** What decides: watt-hours, watts, what goes in and out. */
  readonly figure: string;
  /** Where that figure is from. */
  readonly from: string;
  /** For sorting by it. */
  readonly amount: number;
  readonly health: BatteryHealth | undefined;
  readonly flight: Flight | undefined;
  /** Everything that the search looks through, in small letters. */
  readonly text: string;
}

const known = new WeakMap<Gear, Omit<KitRow, 'id' | 'entry'>>();

/** The line of an item; worked out once for each state of it. */
export function rowOf(entry: Entry<'gear'>): KitRow {
  const gear = entry.body;
  let row = known.get(gear);
  if (!row) {
    row = { gear, ...told(gear) };
    known.set(gear, row);
  }
  return { id: entry.id, entry, ...row };
}

function told(gear: Gear): Omit<KitRow, 'id' | 'entry' | 'gear'> {
  const sort = sortOf(gear);
  const { figure, from, amount } = figureOf(gear);
  const text = [gear.tag, gear.name, sort, gear.where, gear.away, gear.note, figure, from].filter((part) => part !== undefined).join(' ').toLowerCase(); // prettier-ignore
  return {
    sort,
    figure,
    from,
    amount,
    health: gear.kind === 'battery' ? batteryHealth(gear) : undefined,
    flight: gear.kind === 'battery' ? mayFly(gear) : undefined,
    text,
  };
}

function figureOf(gear: Gear): { readonly figure: string; readonly from: string; readonly amount: number } {
  switch (gear.kind) {
    case 'battery': {
      const energyWh = energyNow(gear);
      if (energyWh === undefined) return { figure: 'energy unknown', from: '', amount: 0 };
      return {
        figure: `${formatQuantity(energyWh, 'Wh')} now`,
        from: energyFrom(gear),
        amount: energyWh,
      };
    }
    case 'device': {
      const { draw } = gear;
      if (!draw) return { figure: 'draw unknown', from: '', amount: 0 };
      const modes = gear.modes?.length ? `, ${gear.modes.length + 1} modes` : '';
      switch (draw.basis) {
        case 'maker':
          return {
            figure: `${formatQuantity(draw.powerW, 'W')}${modes}`,
            from: gear.from?.draw === 'guess' ? 'a guess' : 'printed',
            amount: draw.powerW,
          };
        case 'meter': {
          const watts = draw.voltageV * draw.currentA;
          return {
            figure: `${formatQuantity(watts, 'W')}${modes}`,
            from: draw.at === 'battery' ? 'measured at the battery' : 'measured',
            amount: watts,
          };
        }
        case 'run-down': {
          const { powerW } = plainDraw(draw, undefined);
          const where = draw.lostShare === undefined ? ', at the battery' : '';
          return { figure: `${formatQuantity(powerW, 'W')}${modes}`, from: `measured by a run-down${where}`, amount: powerW };
        }
        case 'learnt':
          return { figure: `${formatQuantity(draw.powerW, 'W')}${modes}`, from: 'measured, learnt from the log', amount: draw.powerW };
        case 'shots-a-charge':
          return { figure: `${draw.shots} shots a charge${modes}`, from: gear.from?.draw ?? 'printed', amount: shotsDraw(draw).shotJ };
        case 'shots':
          return { figure: `${formatQuantity(draw.shotJ, 'J')} a shot${modes}`, from: gear.from?.draw ?? 'printed', amount: draw.shotJ };
        case 'frames':
          return {
            figure: `a frame every ${formatQuantity(draw.everyS, 's')}${modes}`,
            from: gear.from?.draw ?? 'printed',
            amount: draw.awakeW,
          };
      }
    }
    // falls through is not possible: every basis above returns
    case 'adapter':
      return {
        figure: `${connectorName(gear.input.connector)} → ${gear.output.voltageV === undefined ? 'passed on' : formatQuantity(gear.output.voltageV, 'V')}`,
        from: gear.ratedW === undefined ? 'rating unknown' : `to ${formatQuantity(gear.ratedW, 'W')}`,
        amount: gear.ratedW ?? 0,
      };
    case 'cable':
      return {
        figure: `${connectorName(gear.ends.source)} → ${connectorName(gear.ends.load)}`,
        from: gear.lengthM === undefined ? '' : formatQuantity(gear.lengthM, 'm'),
        amount: gear.lengthM ?? 0,
      };
    case 'hub':
    case 'supply': {
      const { outputs } = portsOf(gear);
      return {
        figure: `${outputs.length} ${outputs.length === 1 ? 'output' : 'outputs'}`,
        from: outputs.map(({ name }) => name).join(', '),
        amount: outputs.length,
      };
    }
    case 'charger':
      return {
        figure: `${gear.slots} ${gear.slots === 1 ? 'slot' : 'slots'}, ${connectorName(gear.connector)}`,
        from: '',
        amount: gear.slots,
      };
  }
}

export type SortKey = 'tag' | 'name' | 'sort' | 'amount' | 'health' | 'charge' | 'where';

/** Rows in order; what has nothing to be sorted by comes last, either way. */
export function sorted(rows: readonly KitRow[], key: SortKey, down: boolean): readonly KitRow[] {
  const value = ({ gear, sort, amount, health }: KitRow): string | number | undefined => {
    switch (key) {
      case 'sort':
        return sort;
      case 'amount':
        return amount;
      case 'health':
        return health?.share;
      case 'charge':
        return gear.kind === 'battery' ? gear.charge : undefined;
      default:
        return gear[key];
    }
  };
  const keyed = rows.map((row) => ({ row, value: value(row) }));
  const sign = down ? -1 : 1;
  keyed.sort((a, b) => {
    if (a.value === undefined || b.value === undefined) return Number(a.value === undefined) - Number(b.value === undefined);
    return (
      sign *
      (typeof a.value === 'number' && typeof b.value === 'number' ? a.value - b.value : collator.compare(String(a.value), String(b.value)))
    );
  });
  return keyed.map(({ row }) => row);
}

/** V2 before V10. */
const collator = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' });
