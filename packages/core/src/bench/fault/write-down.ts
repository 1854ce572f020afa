import { gearTitle } from '../../gear';
import type { Gear } from '../../gear';
import { withChanges } from '../../shape';
import type { Correction } from '../joints';
import type { CauseId } from './causes';

/**
 * What a cause that was found means for the kit, to be written there at one press; nothing where it is a matter of use.
 *
 * @example writeDown('contact-loose', 'lead', new Map([['lead', { kind: 'cable', name: 'Lead', ends: { source: { type: 'd-tap' }, load: { type: 'd-tap' } } }]]))[0].says // 'Mark Lead as broken'
 */
export function writeDown(cause: CauseId, partId: string | undefined, gear: ReadonlyMap<string, Gear>): readonly Correction[] {
  const part = partId === undefined ? undefined : gear.get(partId);
  if (part === undefined || partId === undefined) return [];
  const title = gearTitle(part);
  const broken: Correction = {
    gearId: partId,
    says: `Mark ${title} as broken`,
    why: 'No feed is looked for with it until somebody has mended it.',
    after: withChanges(part, { away: 'broken' }),
  };
  switch (cause) {
    case 'reversed':
      return part.kind === 'cable'
        ? [{ gearId: partId, says: `Mark ${title} as crossed`, why: 'Every rig that uses it becomes a stop.', after: withChanges(part, { crossed: true }) }] // prettier-ignore
        : [broken];
    case 'contact-loose':
    case 'weak-group':
    case 'volts-off':
    case 'device-faulty':
    case 'charger-faulty':
      return [broken];
    case 'lead-thin':
      return part.kind === 'cable'
        ? [{ gearId: partId, says: `Note at ${title} that it is too thin`, why: 'Enter its length and wire for the figures.', after: withChanges(part, { fitNote: 'Too thin for this draw: short runs and small loads only.' }) }] // prettier-ignore
        : [];
    case 'battery-low':
      return part.kind === 'battery'
        ? [{ gearId: partId, says: `${title} is flat`, why: 'It stands on the list of what to charge tonight.', after: withChanges(part, { charge: 0 }) }] // prettier-ignore
        : [];
    default:
      return [];
  }
}
