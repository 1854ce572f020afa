import type { SensitiveTo } from '../../../answer';
import { figureName } from '../rig/figure-words';
import { say } from '../say';

/**
 * Which figure matters: `its draw`, `resistance, assumed 80 mΩ`.
 *
 * @example saySensitive({ of: 'capacity' }) // 'its capacity'
 */
export function saySensitive(what: SensitiveTo): string {
  switch (what.of) {
    case 'draw':
      return 'its draw';
    case 'capacity':
      return 'its capacity';
    case 'efficiency':
      return 'efficiency of its converters';
    case 'temperature':
      return 'temperature of its batteries';
    case 'assumed': {
      const name = figureName(what.figure);
      return `${name.charAt(0).toLowerCase()}${name.slice(1)}, assumed ${say(what.figure.value, what.figure.unit)}`;
    }
  }
}

/**
 * How one makes it surer.
 *
 * @example sayHowToMeasure({ of: 'capacity' }) // 'Run it down once from full at a known load, or read what the charger puts back.'
 */
export function sayHowToMeasure(what: SensitiveTo): string {
  return HOW[what.of];
}

const HOW: Readonly<Record<SensitiveTo['of'], string>> = {
  draw: 'Read a meter at the device in this mode, or time a full battery.',
  capacity: 'Run it down once from full at a known load, or read what the charger puts back.',
  efficiency: 'Read a meter on both sides of the adapter.',
  temperature: 'Say how warm the batteries will be: a pocket or their own load keeps them above the air.',
  assumed: 'Measure it, or type what its maker says.',
};
