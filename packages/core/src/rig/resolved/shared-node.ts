import { isKind } from '../drawn';
import type { Part } from '../drawn';
import type { Connection } from './connection';
import type { SourceTree } from './source-tree';

/** Of all that batteries joined on one part carry together, no one carries less than this: it is empty, not away. */
const LEAST_SHARE = 0.02;

/**
 * Trees whose batteries are joined on one part, each with what it carries of all that hangs behind: like packs come to the
 * same volts, so that each gives as it holds, by amp-hours and charge. Trees that join nothing stay as they are.
 */
export function withShares(trees: readonly SourceTree[], parts: ReadonlyMap<string, Part>): readonly SourceTree[] {
  const shared = new Map<SourceTree, SourceTree>();
  for (const hub of parts.values()) {
    if (!isKind(hub, 'hub') || hub.gear.inputOrder !== 'together') continue;
    const joined = trees.flatMap((tree) => {
      const joint = tree.connections.find(({ to }) => to.id === hub.id);
      return joint && tree.battery && !shared.has(tree) && followsPack(joint)
        ? [{ tree, joint, pack: tree.battery.pack, spec: tree.battery.spec }]
        : [];
    });
    const [first] = joined;
    const areAlike = joined.every(
      ({ spec }) => spec.chemistry === first?.spec.chemistry && spec.cellsInSeries === first.spec.cellsInSeries,
    );
    if (joined.length < 2 || !areAlike) continue;
    const holds = joined.map(({ pack }) => pack.capacityAh * (pack.startSoc ?? 1));
    const all = holds.reduce((sum, one) => sum + one, 0);
    joined.forEach(({ tree, joint }, place) => {
      // all empty: none gives anything, each its part of it
      const share = all > 0 ? Math.max(LEAST_SHARE, (holds[place] ?? 0) / all) : 1 / joined.length;
      shared.set(tree, { ...tree, shared: { share, joint } });
    });
  }
  return trees.map((tree) => shared.get(tree) ?? tree);
}

function followsPack(joint: Connection): boolean {
  for (let at: Connection | undefined = joint; at; at = at.before) if (at.converter) return false;
  return true;
}

/** Whether a connection lies behind the part on which a tree’s battery is joined with others: what flows there is of all. */
export function isBehindJoint({ shared }: Pick<SourceTree, 'shared'>, connection: Connection): boolean {
  for (let at = connection.before; at; at = at.before) if (at.id === shared?.joint.id) return true;
  return false;
}
