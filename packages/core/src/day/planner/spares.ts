import type { Battery } from '../../gear';
import { FULL_SHARE } from '../../tables';
import type { DaySimulation, Moves } from '../run';

/** Rigs with blocks that must not be interrupted for which no charged battery of their form is left over: none lies apart, or unused. */
export function sparesMissing(simulation: DaySimulation, moves: Moves): number {
  const { day, gear, states } = simulation;
  const run = simulation.run(simulation.prepare(moves));
  const used = new Set(run.seated.map(({ batteryId }) => batteryId));
  const left = new Map<string, number>();
  for (const { gearId, apart } of day.batteries ?? []) {
    const battery = gear.get(gearId);
    const charge = apart ? simulation.startCharge(gearId) : (run.endCharge.get(gearId) ?? simulation.startCharge(gearId));
    if (!used.has(gearId) && charge > FULL_SHARE && battery?.kind === 'battery') left.set(battery.form, (left.get(battery.form) ?? 0) + 1);
  }
  let missing = 0;
  for (const rigId of day.rigIds) {
    const seat = states.seatsOf(rigId)[0];
    if (seat === undefined || !day.blocks.some((block) => block.rigId === rigId && block.uninterrupted)) continue;
    const { form } = gear.get(seat) as Battery;
    const there = left.get(form) ?? 0;
    if (there > 0) left.set(form, there - 1);
    else missing++;
  }
  return missing;
}
