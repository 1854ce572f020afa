import type { PlanPart } from '@viaggio/core/demo';
import { FEED_KINDS, gearIdsOf, inputFor, oneFeed, outputFor } from '@viaggio/core/gear';
import type { Adapter, Battery, Cable, Device, FeedKind, Gear, Rig } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';

/** A part of a rig that is being asked for: of the kit already, or to be added to it. */
export interface DraftPart<G extends Gear> {
  readonly id: string;
  readonly body: G;
  readonly isNew: boolean;
  /** What was chosen in its list. */
  readonly choice: string;
}

/** What three questions have been answered with so far. */
export interface Draft {
  readonly device?: DraftPart<Device>;
  readonly feed?: FeedKind | undefined;
  readonly battery?: DraftPart<Battery>;
  readonly adapter?: DraftPart<Adapter>;
  readonly cable?: DraftPart<Cable>;
  readonly conditions: Pick<Rig, 'wantedMin' | 'temperatureC' | 'startCharge' | 'reserve'>;
}

export function draftParts({ device, battery, adapter, cable }: Draft): readonly DraftPart<Gear>[] {
  return [device, battery, adapter, cable].filter((part) => part !== undefined);
}

/** The rig that a draft describes; undefined until device, battery and what the feed needs between them are there. */
export function draftRig(draft: Draft): Rig | undefined {
  const { device, feed, battery, adapter, cable, conditions } = draft;
  if (!device || !feed || !battery) return undefined;
  const { needs } = FEED_KINDS[feed];
  if ((needs === 'adapter' && !adapter) || (needs === 'cable' && !cable)) return undefined;
  const input = inputFor(feed, device.body);
  const output = outputFor(feed, battery.body);
  if (!input || !output) return undefined;
  return withChanges<Rig>(
    {
      name: `${device.body.name} on ${battery.body.name}`.slice(0, 120),
      ...oneFeed({
        deviceId: device.id,
        inputId: input.id,
        batteryId: battery.id,
        outputId: output.id,
        ...(needs === 'adapter' && { adapterId: adapter?.id }),
        ...(needs === 'cable' && { cableId: cable?.id }),
      }),
    },
    conditions,
  );
}

/** What to send to keep it: the rig, and the gear that is not in the kit yet. */
export function draftPlan(draft: Draft, rigId: string): PlanPart | undefined {
  const rig = draftRig(draft);
  if (!rig) return undefined;
  const used = new Set(gearIdsOf(rig));
  const gear = draftParts(draft).filter(({ id, isNew }) => isNew && used.has(id));
  return { gear: gear.map(({ id, body }) => ({ id, body })), rigs: [{ id: rigId, body: rig }] };
}
