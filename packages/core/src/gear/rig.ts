import { number, object, optional, text } from '../shape/shape';
import type { Infer } from '../shape/shape';

/** Version 4 identifiers (RFC 9562), made by whoever creates the thing. */
export const idShape = text('Identifier', 36, {
  regex: /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/,
  says: 'an identifier such as 0d7ecb1e-5a0f-4a4b-9d57-2f1f5c1f7a10',
});

/** Share of the run that the planner does not spend, when the rig does not say. */
export const DEFAULT_RESERVE = 0.1;

/** One device, what feeds it and under which conditions. The gear itself is named by its identifiers. */
export const rigShape = object('Rig', {
  name: text('Name', 120),
  note: optional(text('Note', 2000)),
  deviceId: idShape,
  inputId: text('Device input', 40),
  batteryId: idShape,
  outputId: text('Battery output', 40),
  cableId: optional(idShape),
  adapterId: optional(idShape),
  wantedMin: optional(number('Must run', 'min', { above: 0, max: 43_200 })),
  temperatureC: optional(number('Temperature of the battery', 'C', { min: -40, max: 60 })),
  startCharge: optional(number('Charge at the start', 'fraction', { above: 0, max: 1 })),
  reserve: optional(number('Reserve', 'fraction', { max: 0.9 })),
});
export type Rig = Infer<typeof rigShape>;
