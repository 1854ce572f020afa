import { plainDraw } from '@viaggio/core/answer';
import { connectorName, energyFrom, energyNow, portsOf } from '@viaggio/core/gear';
import type { Device, Gear } from '@viaggio/core/gear';
import { displayNow, formatQuantity } from '@viaggio/core/units';
import type { Display } from '@viaggio/core/units';
import { sortOf } from './gear/kinds';
import type { Entry } from '../state/items';
import { counted } from '../basics/counted';

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
  /** Everything that the search looks through, in small letters. */
  readonly text: string;
}

const known = new WeakMap<Gear, { readonly display: Display; readonly row: Omit<KitRow, 'id' | 'entry'> }>();

/** The line of an item; worked out once for each state of it. */
export function rowOf(entry: Entry<'gear'>): KitRow {
  const gear = entry.body;
  const before = known.get(gear);
  const row = before?.display === displayNow() ? before.row : { gear, ...told(gear) };
  if (row !== before?.row) known.set(gear, { display: displayNow(), row });
  return { id: entry.id, entry, ...row };
}

function told(gear: Gear): Omit<KitRow, 'id' | 'entry' | 'gear'> {
  const sort = sortOf(gear);
  const { figure, from } = figureOf(gear);
  const text = [gear.tag, gear.name, sort, gear.where, gear.away, gear.note, figure, from]
    .filter((part) => part !== undefined)
    .join(' ')
    .toLowerCase();
  return {
    sort,
    figure,
    from,
    text,
  };
}

export function figureOf(gear: Gear): { readonly figure: string; readonly from: string } {
  switch (gear.kind) {
    case 'battery': {
      const energyWh = energyNow(gear);
      if (energyWh === undefined) return { figure: 'energy unknown', from: '' };
      return {
        figure: formatQuantity(energyWh, 'Wh'),
        from: energyFrom(gear),
      };
    }
    case 'device':
      return drawFigure(gear);
    case 'adapter':
      return {
        figure: `${connectorName(gear.input.connector)} → ${gear.output.voltageV === undefined ? 'passed on' : formatQuantity(gear.output.voltageV, 'V')}`,
        from: gear.ratedW === undefined ? 'rating unknown' : `to ${formatQuantity(gear.ratedW, 'W')}`,
      };
    case 'cable':
      return {
        figure: `${connectorName(gear.ends.source)} → ${connectorName(gear.ends.load)}`,
        from: gear.lengthM === undefined ? '' : formatQuantity(gear.lengthM, 'm'),
      };
    case 'hub':
    case 'supply': {
      const { outputs } = portsOf(gear);
      return {
        figure: counted(outputs.length, 'output'),
        from: outputs.map(({ name }) => name).join(', '),
      };
    }
    case 'charger':
      return {
        figure: `${counted(gear.slots, 'slot')}, ${connectorName(gear.connector)}`,
        from: '',
      };
  }
}

function drawFigure(gear: Device): { readonly figure: string; readonly from: string } {
  const { draw } = gear;
  if (!draw) return { figure: 'draw unknown', from: '' };
  const modes = gear.modes?.length ? `, ${gear.modes.length + 1} modes` : '';
  switch (draw.basis) {
    case 'maker':
      return {
        figure: `${formatQuantity(draw.powerW, 'W')}${modes}`,
        from: gear.from?.draw === 'guess' ? 'a guess' : 'printed',
      };
    case 'meter': {
      const watts = draw.voltageV * draw.currentA;
      return {
        figure: `${formatQuantity(watts, 'W')}${modes}`,
        from: draw.at === 'battery' ? 'measured at the battery' : 'measured',
      };
    }
    case 'run-down': {
      const { powerW } = plainDraw(draw, undefined);
      const where = draw.lostShare === undefined ? ', at the battery' : '';
      return { figure: `${formatQuantity(powerW, 'W')}${modes}`, from: `measured by a run-down${where}` };
    }
    case 'learnt':
      return { figure: `${formatQuantity(draw.powerW, 'W')}${modes}`, from: 'measured, learnt from the log' };
    case 'shots-a-charge':
      return { figure: `${draw.shots} shots a charge${modes}`, from: gear.from?.draw ?? 'printed' };
    case 'shots':
      return { figure: `${formatQuantity(draw.shotJ, 'J')} a shot${modes}`, from: gear.from?.draw ?? 'printed' };
    case 'frames':
      return {
        figure: `a frame every ${formatQuantity(draw.everyS, 's')}${modes}`,
        from: gear.from?.draw ?? 'printed',
      };
  }
}
