import type { Gear } from '../../gear';
import type { Rig } from './rig';

/**
 * The batteries that a rig names as sources, once each, in the order of its links; spares left out.
 *
 * @example batteriesOf(rig, gear).length // 1
 */
export function batteriesOf(rig: Pick<Rig, 'links'>, gear: ReadonlyMap<string, Gear>): readonly string[] {
  return [...new Set(rig.links.map(({ from }) => from.gearId))].filter((id) => gear.get(id)?.kind === 'battery');
}
