import type { Gear } from '../gear';
import { isKind } from '../rig/drawn';
import type { Rig } from '../rig/drawn';
import { treesFeeding } from '../rig/resolved';
import type { ResolvedRig, SourceTree } from '../rig/resolved';
import { builtInId } from '../run';
import type { SystemRun } from '../run';
import { assessModel } from './assess';
import { rigModel } from './rig-model';

/** What stands behind a device's first source, and what it is worth. */
export interface Backup {
  readonly deviceId: string;
  readonly device: string;
  /** What it runs from first, and what takes over. */
  readonly first: string;
  readonly then: string;
  /** How it goes over: without the device noticing, or with a cut. Undefined while it never has to. */
  readonly takeover: 'seamless' | 'cut' | undefined;
  /** When it goes over, in the run as planned. */
  readonly atMin: number | undefined;
  /** Minutes that the backup carries everything that hangs on it with the first source gone: the time for a hot swap. */
  readonly aloneMin: number | undefined;
  /** A supply that stands for ever. */
  readonly endless: boolean;
  /** By how much the rig runs longer for it. */
  readonly addsMin: number | undefined;
}

/** Minutes closer than this are the same moment. */
const SAME_MOMENT = 1e-6;

/**
 * What each backup of a rig is worth: a battery in the bay beside an outside feed, the second slot of a grip, the second
 * battery of a plate, one built in. What it adds, how it takes over, and the minutes that it gives for changing the first.
 *
 * Cost: two assessments of the rig for each device that has a backup.
 *
 * @example backups(rig, kit).length // 0
 */
export function backups(rig: Rig, gear: ReadonlyMap<string, Gear>): readonly Backup[] {
  const model = rigModel(rig, gear, { tracePoints: 0 });
  const { resolved, system } = model;
  if (!system) return [];
  const whole = assessModel(model, { trace: false });
  const timed = (sourceIds: readonly string[]) => withoutSources(rig, gear, sourceIds);
  return resolved.devices.flatMap(({ part }): Backup[] => {
    const trees = treesFeeding(resolved.trees, part);
    const builtIn = part.gear.builtIn;
    const [first, second] = trees;
    if (!first || (!second && !builtIn)) return [];
    const then = second ? titleOf(resolved, second) : `built-in battery of ${part.title}`;
    const alone = timed([first.source.id]);
    const others = trees.slice(1).map(({ source }) => source.id);
    const bare = second ? timed(others) : withoutBuiltIn(rig, gear, part.id);
    const over = takeoverOf(whole.timeline, part.id, second?.source.id ?? builtInId(part.id));
    const endless = whole.unlimited || whole.beyondMin !== undefined;
    return [
      {
        deviceId: part.id,
        device: part.title,
        first: titleOf(resolved, first),
        then,
        takeover: over?.how,
        atMin: over?.atMin,
        aloneMin: alone?.firstStopMin,
        endless: alone !== undefined && alone.firstStopMin === undefined && (alone.unlimited || alone.beyondMin !== undefined),
        addsMin:
          endless || whole.firstStopMin === undefined || bare?.firstStopMin === undefined
            ? undefined
            : Math.max(0, whole.firstStopMin - bare.firstStopMin),
      },
    ];
  });
}

function titleOf({ connections }: ResolvedRig, { source }: SourceTree): string {
  const into = connections.find(({ from }) => from.id === source.id);
  return into && isKind(into.to, 'hub') ? `${source.title} in ${into.input.name} of ${into.to.title}` : source.title;
}

/** How the rig answers with these sources taken out; undefined where it cannot be run then. */
function withoutSources(rig: Rig, gear: ReadonlyMap<string, Gear>, sourceIds: readonly string[]) {
  const links = rig.links.filter(({ from }) => !sourceIds.includes(from.gearId));
  return timedAnswer({ ...rig, links: pruned(links, gear) }, gear);
}

function withoutBuiltIn(rig: Rig, gear: ReadonlyMap<string, Gear>, deviceId: string) {
  const body = gear.get(deviceId);
  if (body?.kind !== 'device') return undefined;
  const { builtIn: _builtIn, ...rest } = body;
  return timedAnswer(rig, new Map([...gear, [deviceId, rest]]));
}

function timedAnswer(rig: Rig, gear: ReadonlyMap<string, Gear>) {
  const model = rigModel(rig, gear, { tracePoints: 0 });
  return model.system && assessModel(model, { trace: false });
}

/** Links behind which no source is left hand nothing on: a plate without its battery. */
function pruned(links: Rig['links'], gear: ReadonlyMap<string, Gear>): Rig['links'] {
  let kept = links;
  for (;;) {
    const fed = new Set(kept.map(({ to }) => to.gearId));
    const isSource = (id: string): boolean => ['battery', 'supply'].includes(gear.get(id)?.kind ?? '');
    const next = kept.filter(({ from }) => isSource(from.gearId) || fed.has(from.gearId));
    if (next.length === kept.length) return kept;
    kept = next;
  }
}

/** When a device goes over to another source, and whether it is off meanwhile. */
function takeoverOf(
  timeline: SystemRun | undefined,
  deviceId: string,
  byId: string,
): { readonly atMin: number; readonly how: 'seamless' | 'cut' } | undefined {
  const over = timeline?.events.find(({ kind, id, by }) => kind === 'fallback' && id === deviceId && by === byId);
  if (!over || !timeline) return undefined;
  const cut = timeline.events.some(
    ({ kind, id, minute }) => kind === 'back' && id === deviceId && Math.abs(minute - over.minute) < SAME_MOMENT,
  );
  return { atMin: over.minute, how: cut ? 'cut' : 'seamless' };
}
