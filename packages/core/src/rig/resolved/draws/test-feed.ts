import type { Device, Draw, Gear } from '../../../gear';
import type { Rig } from '../../drawn';
import { Evidence } from '../figure';
import { resolveRig } from '../resolve-rig';
import type { ResolvedRig } from '../resolve-rig';
import { treeFeeding } from '../source-tree';
import { deviceDraw, readDraw } from './draw';

/**
 * Whether a draw was read at the battery and what its feed lost then is not entered: each feed would read it anew.
 *
 * @example leavesFeedOpen({ basis: 'run-down', energyWh: 95, minutes: 310 }) // true
 */
export function leavesFeedOpen(draw: Draw | undefined): boolean {
  return (draw?.basis === 'run-down' || (draw?.basis === 'meter' && draw.at === 'battery')) && draw.lostShare === undefined;
}

/**
 * The draw with what its test lost on the way put in, as through the feed that the device has in this rig: said once, it is
 * the same watts at the device whatever feeds it later, and the test's own battery in this very feed runs for as long as it
 * did. Undefined where the draw leaves nothing open, or the feed is not known well enough.
 *
 * @example testedHere(rig, kit, cameraId, { basis: 'run-down', energyWh: 95, minutes: 310 }).lostShare // 0.091
 */
export function testedHere(rig: Rig, gear: ReadonlyMap<string, Gear>, deviceId: string, draw: Draw): Draw | undefined {
  return leavesFeedOpen(draw) ? asTested(resolveRig(rig, gear), deviceId, draw) : undefined;
}

function asTested(resolved: ResolvedRig, deviceId: string, draw: Draw): Draw | undefined {
  const use = resolved.devices.find(({ part }) => part.id === deviceId);
  const tree = use && treeFeeding(resolved.trees, use.part);
  if (!use || !tree || (draw.basis !== 'run-down' && draw.basis !== 'meter')) return undefined;
  const { modes: _modes, ...device } = use.part.gear;
  const found = deviceDraw({ ...use, scale: 1, part: { ...use.part, gear: { ...device, draw } } }, undefined, tree, new Evidence());
  if (!found) return undefined;
  const { atW, givenWh } = readDraw(draw, undefined, tree.battery?.spec);
  const lostShare = Math.max(0, 1 - found.powerW / atW);
  return { ...draw, lostShare, ...(draw.basis === 'run-down' && givenWh !== undefined && { givenWh }) };
}

/**
 * A rig's devices whose tests leave their feed open, each with all of them told as through the feed that it has here.
 *
 * @example settledTests(rig, new Map([...gear, [cameraId, { ...gear.get(cameraId), draw: { basis: 'run-down', energyWh: 95, minutes: 310 } }]]))[0].body.draw.lostShare // 0.091
 */
export function settledTests(rig: Rig, gear: ReadonlyMap<string, Gear>): readonly { readonly id: string; readonly body: Device }[] {
  const open = rig.devices.flatMap(({ gearId }) => {
    const body = gear.get(gearId);
    const asks = body?.kind === 'device' && [body.draw, ...(body.modes ?? []).map(({ draw }) => draw)].some(leavesFeedOpen);
    return asks ? [{ id: gearId, body }] : [];
  });
  if (open.length === 0) return [];
  const resolved = resolveRig(rig, gear);
  return open.flatMap(({ id, body }) => {
    const settle = (draw: Draw): Draw => (leavesFeedOpen(draw) && asTested(resolved, id, draw)) || draw;
    const next: Device = {
      ...body,
      ...(body.draw && { draw: settle(body.draw) }),
      ...(body.modes && { modes: body.modes.map((mode) => ({ ...mode, draw: settle(mode.draw) })) }),
    };
    const changed = next.draw !== body.draw || (next.modes ?? []).some(({ draw }, place) => draw !== body.modes?.[place]?.draw);
    return changed ? [{ id, body: next }] : [];
  });
}

/**
 * The kit in which other feeds of a rig are tried: its tests stand as they are read through the feed of now.
 *
 * @example withTestsSettled(rig, gear) === gear // true
 */
export function withTestsSettled(rig: Rig, gear: ReadonlyMap<string, Gear>): ReadonlyMap<string, Gear> {
  const settled = settledTests(rig, gear);
  return settled.length === 0 ? gear : new Map([...gear, ...settled.map(({ id, body }) => [id, body] as const)]);
}
