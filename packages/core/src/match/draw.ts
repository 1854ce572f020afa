import type { Network } from '../circuit/network';
import { operatingPoint } from '../circuit/operating-point';
import type { Draw } from '../gear/gear';
import type { Chain } from './chain';
import { missing, say } from './figure';
import type { Figure } from './figure';
import type { Finding } from './finding';

export type DeviceDraw = { readonly powerW: number; readonly figure: Figure } | { readonly powerW: undefined; readonly finding: Finding };

const HALF_CHARGE = 0.5;

/**
 * Watts at the device, from whatever is known: the maker's figure, a meter, or how long a pack lasted.
 *
 * A meter at the battery and a run-down have the losses of the way in them, so the draw at the device is the one with
 * which this very feed takes the measured watts at half charge.
 *
 * @example a run-down of 95 Wh in 5 h 10 is 18.4 W at the battery; behind an adapter of 92 % about 16.8 W at the camera
 */
export function deviceDraw({ device }: Chain, withDraw: (powerW: number) => Network | undefined): DeviceDraw {
  const { draw, name } = device;
  const unknown = (what: string, remedy: string): DeviceDraw => ({
    powerW: undefined,
    finding: missing('run', 'device', name, what, remedy),
  });
  if (draw === undefined) return unknown('its draw', 'Type the maker’s watts, read a meter, or time a full battery.');
  const { atW, atBattery, lostShare, formula, from } = readDraw(draw, device.from?.draw);
  const figure = (value: number, how?: string): Figure => ({
    role: 'device',
    name: 'Draw',
    value,
    unit: 'W',
    from,
    ...(how !== undefined && { formula: how }),
  });
  if (!atBattery) return { powerW: atW, figure: figure(atW, formula) };
  if (lostShare !== undefined) {
    const powerW = atW * (1 - lostShare);
    return { powerW, figure: figure(powerW, `${formula} at the battery, less ${say(lostShare, 'fraction')} lost on the way in that test`) };
  }

  const taken = (powerW: number): number | undefined => {
    const network = withDraw(powerW);
    const point = network && operatingPoint(network, HALF_CHARGE);
    return point && point.packV * point.packA;
  };
  const idleW = taken(0);
  if (idleW === undefined) return unknown('what reaches it of the watts measured at the battery', 'Complete the figures of the feed.');
  if (idleW >= atW) {
    return unknown(
      `its draw (the ${say(atW, 'W')} measured are no more than the feed itself takes)`,
      'Check the measurement, or where the meter sat.',
    );
  }
  let low = 0;
  let high = atW;
  for (let round = 0; round < 60; round++) {
    const middle = (low + high) / 2;
    if ((taken(middle) ?? Infinity) < atW) low = middle;
    else high = middle;
  }
  return { powerW: low, figure: figure(low, `${formula} at the battery; this feed’s own losses taken off`) };
}

interface ReadDraw {
  readonly atW: number;
  readonly atBattery: boolean;
  readonly lostShare: number | undefined;
  readonly formula: string;
  readonly from: Figure['from'];
}

function readDraw(draw: Draw, said: Figure['from'] | undefined): ReadDraw {
  switch (draw.basis) {
    case 'maker': {
      const formula =
        said === 'guess' ? 'a guess for gear of this kind; measure it, or type the maker’s figure' : 'the maker’s figure, a maximum';
      return {
        atW: draw.powerW,
        atBattery: false,
        lostShare: undefined,
        formula,
        from: said ?? 'printed',
      };
    }
    case 'meter': {
      const { voltageV, currentA, at, lostShare } = draw;
      const atW = voltageV * currentA;
      const formula = `${say(voltageV, 'V')} × ${say(currentA, 'A')} = ${say(atW, 'W')}`;
      return { atW, atBattery: at === 'battery', lostShare, formula, from: 'measured' };
    }
    case 'run-down': {
      const { energyWh, minutes, lostShare } = draw;
      const atW = energyWh / (minutes / 60);
      const formula = `own test: ${say(energyWh, 'Wh')} ÷ ${say(minutes, 'min')} = ${say(atW, 'W')}`;
      return { atW, atBattery: true, lostShare, formula, from: 'measured' };
    }
  }
}
