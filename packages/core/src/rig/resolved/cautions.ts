import { ROOM_TEMPERATURE_C, TOUCH_SAFE_V } from '../../tables';
import { isKind } from '../drawn';
import type { ResolvedRig } from './resolve-rig';

/** A usual caution, by the act it concerns. */
export type Caution =
  | { readonly of: 'adapter'; readonly outputV: number | undefined }
  | { readonly of: 'mains' | 'v-mount' | 'lead-acid' | 'own-pack' | 'charge-in-place' | 'cold' | 'instructions' };

/** The usual cautions that belong to a rig, once each, in the order of the acts they concern. */
export function cautionsOf({ connections, sources, rig }: ResolvedRig): readonly Caution[] {
  const cautions = new Map<string, Caution>();
  const add = (caution: Caution): void => void cautions.set(JSON.stringify(caution), caution);
  for (const { from } of connections) if (isKind(from, 'adapter')) add({ of: 'adapter', outputV: from.gear.output.voltageV });
  if (connections.some(({ supply }) => (supply?.highV ?? 0) > TOUCH_SAFE_V)) add({ of: 'mains' });
  for (const source of sources) {
    if (isKind(source, 'supply') && source.gear.form === 'mains') add({ of: 'mains' });
    if (!isKind(source, 'battery')) continue;
    const { form, chemistry, cell, chargeV } = source.gear;
    if (form === 'v-mount') add({ of: 'v-mount' });
    if (chemistry === 'agm') add({ of: 'lead-acid' });
    if (cell) add({ of: 'own-pack' });
    if (chargeV !== undefined) add({ of: 'charge-in-place' });
  }
  if ((rig.temperatureC ?? ROOM_TEMPERATURE_C) < 0) add({ of: 'cold' });
  add({ of: 'instructions' });
  return [...cautions.values()];
}
