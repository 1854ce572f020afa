import { roleOf } from '../../rig/drawn';
import type { Part } from '../../rig/drawn';
import type { Lack, LackOf } from '../../rig/resolved';
import type { Aspect, Finding } from '../facts';
import { finding } from '../finding';

/** What cannot be judged while a figure is missing. */
const ASPECT_OF: Readonly<Record<LackOf, Aspect>> = {
  'output-voltage': 'voltage',
  'source-voltage': 'voltage',
  cells: 'voltage',
  pins: 'connector',
  'charge-through': 'run',
  'usb-runs': 'run',
  'port-offer': 'current',
  'port-offer-shared': 'current',
  'port-current': 'current',
  'cable-current': 'current',
  energy: 'run',
  draw: 'run',
  'draw-behind-feed': 'run',
  'draw-below-feed': 'run',
  'highest-voltage': 'voltage',
  'lowest-voltage': 'voltage',
  profiles: 'voltage',
  'rated-power': 'current',
};

/** The finding for a figure that nobody gave and that must not be guessed; `of` is what it is of, where not the part as a whole. */
export function lacking(lack: LackOf, part: Part, connectionId?: string, of = part.title): Finding {
  return missing(lack, part, of, { connectionId });
}

/** The same for what was found missing while the rig was resolved, each once. */
export function lackFindings(lacks: readonly Lack[]): readonly Finding[] {
  const told = new Map(lacks.map((lack) => [`${lack.of} ${lack.part.id} ${lack.port}`, lack]));
  return [...told.values()].map((lack) => missing(lack.of, lack.part, lack.part.title, lack));
}

function missing(
  lack: LackOf,
  part: Part,
  of: string,
  { connectionId, port, readW }: Partial<Pick<Lack, 'connectionId' | 'port' | 'readW'>>,
): Finding {
  const place = { aspect: ASPECT_OF[lack], role: roleOf(part), gearId: part.id, connectionId, part: of };
  return finding('figure-missing', 'unknown', place, { lack, of, port, readW });
}
