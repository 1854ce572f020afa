import { idShape } from '../../gear';
import { choice, flag, list, number, object, optional } from '../../shape';
import type { Infer } from '../../shape';

const distance = (title: string) => number(title, 'mm', { above: 0, max: 5000 });
const coordinate = (title: string) => number(title, 'mm', { min: -2000, max: 2000 });

/** Where the pieces of a rig sit, seen from the middle of its support: forward along the lens, and up. */
export const balanceShape = object('Balance', {
  support: choice('It stands on', { tripod: 'a tripod', slider: 'a slider', shoulder: 'the shoulder', stabiliser: 'a stabiliser' }),
  /** From the middle of the support to the line between its feet. */
  footFrontMm: optional(distance('Feet reach forward')),
  footBackMm: optional(distance('Feet reach back')),
  /** Of the plate that heights are counted from, above the feet. */
  plateHeightMm: optional(distance('Plate above the feet')),
  payloadG: optional(number('Payload', 'g', { above: 0, max: 100_000 })),
  counterweightMm: optional(distance('A counterweight hangs this far behind')),
  places: list(
    'Where things sit',
    object('Place', {
      gearId: idShape,
      alongMm: optional(coordinate('Forward')),
      heightMm: optional(coordinate('Up')),
      /** In a pocket, on a belt, on a leg: it weighs on somebody, but not on the support. */
      elsewhere: optional(flag('Carried elsewhere')),
    }),
    { max: 60 },
  ),
});
export type Balance = Infer<typeof balanceShape>;
