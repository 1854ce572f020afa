import type { Draw } from '../../../gear';
import { awakeShare, shotsDraw } from '../../../rig/resolved';
import type { Figure } from '../../../rig/resolved';
import { ASSUMED } from '../../../tables';
import { say } from '../say';

/** What a figure is of: `Resistance`, `Draw, 4K 50`. */
export function figureName({ basis }: Figure): string {
  switch (basis.of) {
    case 'cable-resistance':
    case 'wire-resistance':
    case 'pack-resistance':
      return 'Resistance';
    case 'adapter-lead':
      return 'Lead';
    case 'contacts':
      return 'Contacts';
    case 'output':
      return 'Output';
    case 'own-draw':
      return 'Own draw';
    case 'start-charge':
      return 'Charge at the start';
    case 'charging-volts':
      return 'Volts while it is charged';
    case 'supply-volts':
      return `True volts of ${basis.port}`;
    case 'works':
      return basis.port === undefined ? 'Steps down and up to' : `${basis.port} steps down and up to`;
    case 'least-volts':
      return `Lowest volts at ${basis.port}`;
    case 'highest-volts':
      return `Highest volts at ${basis.port}`;
    case 'pack-limit':
      return 'Most current';
    case 'least-current':
      return 'Switches itself off below';
    case 'contract':
      return `Agreed at ${basis.port}`;
    case 'shared-rating':
      return `Rating of ${basis.port} beside a neighbour`;
    case 'efficiency':
      return basis.port === undefined ? 'Efficiency' : `Efficiency of ${basis.port}`;
    case 'energy':
      return 'Energy';
    case 'battery-temperature':
      return 'Temperature of the battery';
    case 'age':
      return 'Left by age';
    case 'capacity':
      return 'Capacity here';
    case 'cutoff':
      return 'Cut-off';
    case 'draw':
      return basis.mode === undefined ? 'Draw' : `Draw, ${basis.mode}`;
    case 'test-feed':
      return basis.mode === undefined ? 'Lost on the way in its test' : `Lost on the way in its test, ${basis.mode}`;
    case 'first-stop':
      return 'First stop';
    case 'planned':
      return 'To plan with';
  }
}

/** How a figure came about, in words and numbers; undefined where it simply is what somebody gave. */
export function figureFormula({ basis, from }: Figure): string | undefined {
  switch (basis.of) {
    case 'wire-resistance': {
      const { lengthM, areaMm2 } = basis;
      const contacts = say(ASSUMED.contactsOhm.typical, 'ohm');
      return `2 × 0.01724 × ${lengthM} m ÷ ${Math.round(areaMm2 * 1000) / 1000} mm² + 2 pairs of contacts of ${contacts}`;
    }
    case 'contract': {
      const { voltageV, currentA, limitedBy, ownList } = basis;
      return `${say(voltageV, 'V')} × ${say(currentA, 'A')}, limited by the ${limitedBy}; ${ownList ? 'its own list' : 'by its rating'}`;
    }
    case 'energy':
      return basis.fromCells;
    case 'battery-temperature':
      return `keeps ${say(basis.capacityFactor, 'fraction')} of its capacity at ${basis.resistanceFactor.toFixed(1)} × the resistance`;
    case 'age':
      return `1 − 2 % × ${basis.years} years − 0.04 % × ${basis.cycles} cycles`;
    case 'capacity':
      return `so that ${say(basis.energyWh, 'Wh')} come out at the rated pace (${basis.ratedHours} h, 25 C), then cold and age taken off`;
    case 'pack-resistance': {
      if (from !== 'assumed') return undefined;
      const { cells, cellOhmAh, factor, temperatureC } = basis;
      return `${cells} × ${Math.round(cellOhmAh * 1000)} mΩ·Ah ÷ capacity, × ${factor.toFixed(1)} for ${say(temperatureC, 'C')}`;
    }
    case 'cutoff':
      return from === 'assumed' ? `${basis.cells} × ${say(basis.cutoffCellV, 'V')} for ${basis.chemistry}` : undefined;
    case 'draw': {
      const parts = [drawFormula(basis.draw, basis.guessed, basis.givenWh)];
      if (basis.feedLossOff) parts.push(' at the battery; this feed’s own losses taken off');
      if (basis.scale !== 1) parts.push(`; turned to ${say(basis.scale, 'fraction')}`);
      return parts.join('');
    }
    case 'test-feed':
      return 'taken to be this feed’s; say in the device’s draw how it was fed then';
    case 'first-stop':
      return 'capacity over current, integrated along the charge of each battery until a limit breaks or it is empty';
    case 'planned': {
      const since = basis.lastSwapMin > 0 ? ` since the last change at ${say(basis.lastSwapMin, 'min')}` : '';
      return `${say(basis.firstStopMin, 'min')} less the reserve of ${say(basis.reserve, 'fraction')}${since}`;
    }
    case 'pack-limit':
      return `${basis.timesC} times its amp-hours`;
    case 'cable-resistance':
    case 'adapter-lead':
    case 'contacts':
    case 'output':
    case 'own-draw':
    case 'start-charge':
    case 'charging-volts':
    case 'supply-volts':
    case 'works':
    case 'least-volts':
    case 'highest-volts':
    case 'least-current':
    case 'shared-rating':
    case 'efficiency':
      return undefined;
  }
}

/** A pack that gives what its label says within this is not told to do otherwise. */
const SHOWN_GIVEN = 0.005;

/** The sum that gives a draw, with what was read and where. */
function drawFormula(draw: Draw, guessed: boolean, givenWh = draw.basis === 'run-down' ? draw.energyWh : 0): string {
  const off =
    'lostShare' in draw && draw.lostShare !== undefined
      ? ` at the battery, less ${say(draw.lostShare, 'fraction')} lost on the way in that test`
      : '';
  switch (draw.basis) {
    case 'maker':
      return guessed ? 'a guess for gear of this kind; measure it, or type the maker’s figure' : 'the maker’s figure, a maximum';
    case 'meter': {
      const { voltageV, currentA, at } = draw;
      return `${say(voltageV, 'V')} × ${say(currentA, 'A')} = ${say(voltageV * currentA, 'W')}${at === 'battery' ? off : ''}`;
    }
    case 'run-down': {
      const { energyWh, minutes, temperatureC } = draw;
      const warm = temperatureC === undefined ? ' (25 °C assumed)' : '';
      const gave =
        Math.abs(givenWh / energyWh - 1) < SHOWN_GIVEN
          ? say(energyWh, 'Wh')
          : `${say(givenWh, 'Wh')} that a pack of ${say(energyWh, 'Wh')} gives at this pace,`;
      return `own test: ${gave}${warm} ÷ ${say(minutes, 'min')} = ${say(givenWh / (minutes / 60), 'W')}${off}`;
    }
    case 'learnt':
      return draw.how;
    case 'shots': {
      const { shotJ, standbyW, shotsPerHour } = draw;
      const meanW = standbyW + (shotJ * shotsPerHour) / 3600;
      return `${say(standbyW, 'W')} between shots + ${say(shotJ, 'J')} × ${shotsPerHour} an hour ÷ 3600 s = ${say(meanW, 'W')}`;
    }
    case 'shots-a-charge': {
      const { shots, energyWh, standbyW, shotsPerHour } = draw;
      const { shotJ, meanW } = shotsDraw(draw);
      const between = standbyW === undefined ? ' (between shots not said: none taken)' : `, ${say(standbyW, 'W')} between them`;
      return `${shots} shots from ${say(energyWh, 'Wh')}: ${say(shotJ, 'J')} a shot${between}; at ${shotsPerHour} an hour ${say(meanW, 'W')}`;
    }
    case 'frames': {
      const { awakeW, awakeS, sleepW, everyS } = draw;
      const awake = awakeShare(draw);
      return `awake ${say(awakeS, 's')} of every ${say(everyS, 's')}: ${say(awake, 'fraction')} × ${say(awakeW, 'W')} + ${say(1 - awake, 'fraction')} × ${say(sleepW, 'W')}`;
    }
  }
}
