import { assessModel, rigModel } from '../answer';
import type { Gear } from '../gear';
import { withoutSpares } from '../rig/drawn';
import type { Link, Rig } from '../rig/drawn';
import { withTestsSettled } from '../rig/resolved';
import { said } from '../said';
import { STYLE_WEIGHTS } from '../tables';
import { APPROACHES } from './approach';
import type { Approach } from './approach';
import { assignFeeds } from './assign-feeds';
import type { Assignment, AssignOptions } from './assign-feeds';
import { costOf, criteriaOf } from './criteria';
import { findFeeds } from './find-feeds';
import { genericParts, isGeneric } from './generic-parts';
import { madeLeads } from './made-leads';
import type { FeedSaid } from './says';
import { DEFAULT_STYLE } from './weights';
import type { Weights } from './weights';

export interface Alternative {
  readonly approach: Approach;
  /** The best rig of this approach; undefined: it cannot be had, even with generic gear. */
  readonly assignment: Assignment | undefined;
  /** What of it is not owned. */
  readonly toBuy: readonly { readonly id: string; readonly body: Gear }[];
  /** Why it cannot be had, or what is left without. */
  readonly lack: FeedSaid | undefined;
}

/**
 * The same rig under the main approaches, side by side: from what is owned where that is enough, completed with generic
 * gear where not. Cost: a search of up to `mostLooks` partial rigs for each approach.
 */
export function alternatives(rig: Rig, gear: ReadonlyMap<string, Gear>, options: AssignOptions = {}): readonly Alternative[] {
  return (Object.keys(APPROACHES) as Approach[]).map((approach) => alternativeOf(approach, rig, gear, options));
}

/**
 * The best rig of one approach, from what is owned or completed with generic gear; why not, where there is none.
 *
 * @example alternativeOf('grip', rig, gear).approach // 'grip'
 */
export function alternativeOf(approach: Approach, rig: Rig, kit: ReadonlyMap<string, Gear>, options: AssignOptions = {}): Alternative {
  const gear = withTestsSettled(rig, kit);
  const generic = genericParts(rig, gear);
  const all = new Map([...gear, ...generic]);
  const best = bestOf(approach, rig, gear, options) ?? bestOf(approach, rig, all, options);
  if (!best) return { approach, assignment: undefined, toBuy: [], lack: lackOf(approach, rig, all) };
  const used = best.links.flatMap(({ from, to, cableId }) => [from.gearId, to.gearId, ...(cableId === undefined ? [] : [cableId])]);
  const toBuy = [...new Set(used)].filter(isGeneric).map((id) => ({ id, body: generic.get(id)! }));
  return { approach, assignment: best, toBuy, lack: undefined };
}
/** Why an approach cannot feed a rig: the first device that it has no way for, and the nearest reason. */
function lackOf(approach: Approach, rig: Rig, gear: ReadonlyMap<string, Gear>): FeedSaid {
  const devices = new Set(rig.devices.map(({ gearId }) => gearId));
  for (const kit of kitsOf(approach, devices, gear)) {
    for (const { gearId } of rig.devices) {
      const { feeds, refused } = findFeeds(rig, gearId, kit, { mostFeeds: 1 });
      const name = gear.get(gearId)?.name ?? gearId;
      if (feeds.length > 0) continue;
      const leads = refused.length > 0 ? new Map<string, Gear>() : madeLeads(gearId, kit);
      const [nearest] = leads.size > 0 ? findFeeds(rig, gearId, new Map([...kit, ...leads]), { mostFeeds: 1 }).feeds : [];
      const parts = (nearest?.links ?? []).flatMap(({ cableId = '' }) => {
        const lead = leads.get(cableId);
        return lead ? [lead.name] : [];
      });
      return parts.length > 0 ? said('device-needs', { name, parts }) : said('device-has-none', { name, reason: refused[0]?.reason });
    }
  }
  return said('not-every-device', { approach });
}

/** The best assignment of an approach that feeds every device; undefined when there is none. */
function bestOf(approach: Approach, rig: Rig, gear: ReadonlyMap<string, Gear>, options: AssignOptions): Assignment | undefined {
  const weights = options.weights ?? STYLE_WEIGHTS[rig.style ?? DEFAULT_STYLE];
  const devices = new Set(rig.devices.map(({ gearId }) => gearId));
  const tried = kitsOf(approach, devices, gear).flatMap((kit) => {
    const mayShare =
      approach === 'one-v-mount' || approach === 'mains' || approach === 'pd-bank' || approach === '5v-bank' || approach === 'passed-on';
    const accept = (links: readonly Link[]): boolean => belongs(approach, links, devices, gear);
    const { best } = assignFeeds(rig, kit, { mostLooks: 1500, mostBranches: 12, ...options, keep: 1, mayShare, accept });
    return best.filter((one) => one.criteria.unfed === 0).map((one) => (approach === 'grip' ? withBothSlots(rig, one, kit, weights) : one));
  });
  return tried.sort((a, b) => a.cost - b.cost)[0];
}

/** A grip is there to hold two: its free slots take batteries like the one that is in. */
function withBothSlots(rig: Rig, assignment: Assignment, kit: ReadonlyMap<string, Gear>, weights: Weights): Assignment {
  const links = [...assignment.links];
  const used = new Set(links.flatMap(({ from, to }) => [from.gearId, to.gearId]));
  for (const { from, to } of assignment.links) {
    const grip = kit.get(to.gearId);
    if (grip?.kind !== 'hub' || grip.form !== 'grip') continue;
    for (const slot of grip.inputs.filter(({ id }) => !links.some((link) => link.to.gearId === to.gearId && link.to.portId === id))) {
      const second = [...kit].find(([id, body]) => !used.has(id) && fitsToo(body, kit.get(from.gearId)));
      if (!second) continue;
      used.add(second[0]);
      links.push({ from: { gearId: second[0], portId: from.portId }, to: { gearId: to.gearId, portId: slot.id } });
    }
  }
  const model = rigModel({ ...withoutSpares(rig, kit), links }, kit);
  const answer = assessModel(model);
  const criteria = criteriaOf(model.resolved, answer);
  return answer.verdict === 'stop' ? assignment : { ...assignment, links, answer, criteria, ...costOf(criteria, weights) };
}

function fitsToo(one: Gear, other: Gear | undefined): boolean {
  return (
    one.kind === 'battery' &&
    other?.kind === 'battery' &&
    one.form === other.form &&
    one.cellsInSeries === other.cellsInSeries &&
    one.outputs[0]?.connector.family === other.outputs[0]?.connector.family
  );
}

/** What an approach lets into the kit; several kits where it has to choose one thing for all. */
function kitsOf(approach: Approach, devices: ReadonlySet<string>, gear: ReadonlyMap<string, Gear>): readonly ReadonlyMap<string, Gear>[] {
  const only = (allow: (body: Gear, id: string) => boolean): ReadonlyMap<string, Gear> =>
    new Map([...gear].filter(([id, body]) => devices.has(id) || allow(body, id)));
  const small = (body: Gear): boolean => body.kind === 'battery' && (body.form === 'camera' || body.form === 'l-series');
  switch (approach) {
    case 'pocket-spares':
      return [only(small)];
    case 'grip':
      return [only((body) => small(body) || (body.kind === 'hub' && body.form === 'grip'))];
    case 'pd-bank':
      return [
        only((body) => body.kind === 'cable' || (body.kind === 'adapter' && body.input.triggerV !== undefined) || hasPd(body)),
        only(
          (body) => body.kind === 'cable' || (body.kind === 'adapter' && body.input.triggerV !== undefined) || hasPd(body) || small(body),
        ),
      ];
    case '5v-bank':
      return [
        only(
          (body) => body.kind === 'cable' || body.kind === 'adapter' || (body.kind === 'battery' && body.form === 'bank') || small(body),
        ),
      ];
    case 'passed-on':
      return [only((body) => body.kind !== 'supply' && !(body.kind === 'battery' && body.form === 'v-mount'))];
    case 'one-v-mount': {
      const mounts = [...gear].filter(([, body]) => body.kind === 'battery' && (body.form === 'v-mount' || body.form === 'three-stud'));
      const kinds = new Map(mounts.map(([id, body]) => [JSON.stringify({ ...body, tag: undefined }), id]));
      return [...kinds.values()]
        .slice(0, 6)
        .map((chosen) => only((body, id) => (body.kind === 'battery' || body.kind === 'supply' ? id === chosen : true)));
    }
    case 'each-its-own':
      return [only((body) => body.kind !== 'supply')];
    case 'mains':
      return [only((body) => body.kind !== 'battery')];
  }
}

/** A battery-shaped adapter with an output of its own, not a lead that asks for a Power Delivery voltage. */
function isFixedAdapter(body: Gear | undefined): boolean {
  return body?.kind === 'adapter' && body.input.triggerV === undefined;
}

function hasPd(body: Gear): boolean {
  return body.kind === 'battery' && body.form === 'bank' && body.outputs.some(({ gives }) => gives === 'pd');
}

/** Whether an assignment is really of its approach, not only made from what it allows. */
function belongs(approach: Approach, links: readonly Link[], devices: ReadonlySet<string>, gear: ReadonlyMap<string, Gear>): boolean {
  const used = links.flatMap(({ from, to }) => [gear.get(from.gearId), gear.get(to.gearId)]);
  switch (approach) {
    case 'grip':
      return used.some((body) => body?.kind === 'hub' && body.form === 'grip');
    case 'pd-bank':
      return used.some((body) => body !== undefined && hasPd(body));
    case '5v-bank':
      return links.some(({ from, to }) => gear.get(from.gearId)?.kind === 'battery' && isFixedAdapter(gear.get(to.gearId)));
    case 'passed-on':
      return links.some(({ from }) => devices.has(from.gearId));
    default:
      return true;
  }
}
