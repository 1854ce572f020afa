import { gearTitle } from '../../gear';
import type { Gear } from '../../gear';
import { said } from '../../said';
import { withChanges } from '../../shape';
import type { CauseId } from '../../tables';
import type { Correction } from '../joints';

/**
 * What a cause that was found means for the kit, to be written there at one press; nothing where it is a matter of use.
 * `thinNote` is what is noted beside a lead that is too thin.
 *
 * @example writeDown('contact-loose', 'lead', new Map([['lead', { kind: 'cable', name: 'Lead', ends: { source: { type: 'd-tap' }, load: { type: 'd-tap' } } }]]), '')[0].says // { code: 'mark-broken', numbers: { title: 'Lead' } }
 */
export function writeDown(
  cause: CauseId,
  partId: string | undefined,
  gear: ReadonlyMap<string, Gear>,
  thinNote: string,
): readonly Correction[] {
  const part = partId === undefined ? undefined : gear.get(partId);
  if (part === undefined || partId === undefined) return [];
  const title = gearTitle(part);
  const broken: Correction = {
    gearId: partId,
    says: said('mark-broken', { title }),
    why: said('no-feed-until-mended-here'),
    after: withChanges(part, { away: 'broken' }),
  };
  switch (cause) {
    case 'reversed':
      return part.kind === 'cable'
        ? [{ gearId: partId, says: said('mark-crossed', { title }), why: said('rigs-stop'), after: withChanges(part, { crossed: true }) }]
        : [broken];
    case 'contact-loose':
    case 'weak-group':
    case 'volts-off':
    case 'device-faulty':
    case 'charger-faulty':
      return [broken];
    case 'lead-thin':
      return part.kind === 'cable'
        ? [
            {
              gearId: partId,
              says: said('note-thin', { title }),
              why: said('enter-length'),
              after: withChanges(part, { fitNote: thinNote }),
            },
          ]
        : [];
    case 'battery-low':
      return part.kind === 'battery'
        ? [{ gearId: partId, says: said('is-flat', { title }), why: said('on-charge-list'), after: withChanges(part, { charge: 0 }) }]
        : [];
    default:
      return [];
  }
}
