import { gearTitle } from '../../gear';
import type { Battery, Gear } from '../../gear';
import { energyNow } from '../../gear/kit';
import { formatClock } from '../../quantity';
import { clockAt } from '../model';
import { DaySimulation } from '../run';
import { isDrawing } from '../shape';
import type { Day } from '../shape';
import type { HelpAct } from './help-act';
import { compareCost } from './judge';
import { planDay } from './plan-day';
import type { DayPlan, PlanOptions } from './plan-day';

/** One thing that would make a day work, or make it better. */
export interface Help {
  readonly act: HelpAct;
  /** Whether it alone is enough. */
  readonly enough: boolean;
  readonly plan: DayPlan;
}

/** Batteries of so many kinds are tried, the smallest first. */
const MOST_KINDS = 4;
const MOST_CHARGERS = 3;
/** Share of the usual search for each try. */
const TRIED = 0.15;
/** What a light or a screen is turned down to. */
const DIMMED = 0.6;

/**
 * The least that would make a day work which no plan of what is there does: one more battery of a kind that is there
 * already, one more charger like one that is there, lights and screens turned down. Each is tried by planning with it; of
 * each sort the first that is enough is told, or the one that helps most. Cost: a plan for each try, about ten of them.
 */
export function whatWouldDo(simulation: DaySimulation, plan: DayPlan, options: PlanOptions = {}): readonly Help[] {
  const [first] = plan.unmet;
  if (!first) return [];
  const { day, gear, rigs, states } = simulation;
  const tryIt = (act: HelpAct, changed: Day, withGear: ReadonlyMap<string, Gear> = gear): Help => {
    const better = planDay(new DaySimulation(changed, withGear, rigs, withGear === gear ? states : undefined, states.measured), {
      ...options,
      effort: TRIED,
    });
    return { act, plan: better, enough: better.unmet.length === 0 && better.cost.interruptions === 0 };
  };
  const helps = [
    best(
      plan,
      spareKinds(simulation, first.rigId).map((battery) => () => {
        const id = `${EXTRA}battery`;
        const batteries = [...(day.batteries ?? []), { gearId: id, startCharge: 1 }];
        return tryIt(
          { act: 'battery', name: battery.name, energyWh: energyNow(battery) },
          { ...day, batteries },
          new Map(gear).set(id, battery),
        );
      }),
    ),
    best(
      plan,
      (day.chargers ?? []).slice(0, MOST_CHARGERS).map(({ gearId, placeId }) => () => {
        const id = `${EXTRA}charger`;
        const charger = gear.get(gearId);
        const place = day.places?.find((one) => one.id === placeId)?.name;
        if (!charger) return undefined;
        return tryIt(
          { act: 'charger', name: gearTitle(charger), place },
          { ...day, chargers: [...day.chargers!, { gearId: id, placeId }] },
          new Map(gear).set(id, charger),
        );
      }),
    ),
    best(
      plan,
      // after the last pause first, where that is enough; then all day
      [...new Set([lastPause(day, first), 0])].map((fromMin) => () => {
        const dimmed = dimmableOf(simulation, first.rigId);
        if (dimmed.length === 0) return undefined;
        const devices = dimmed.map((gearId) => ({ gearId, mode: 'usual', scale: DIMMED }));
        const names = dimmed.map((id) => gear.get(id)?.name ?? id);
        const blocks = day.blocks.map((block) =>
          block.rigId === first.rigId && block.fromMin >= fromMin && isDrawing(block) && !block.devices ? { ...block, devices } : block,
        );
        const after = fromMin > 0 ? formatClock(clockAt(day, fromMin).time) : undefined;
        const rig = rigs.get(first.rigId)?.name ?? first.rigId;
        return tryIt({ act: 'dim', devices: names, rig, scale: DIMMED, after }, { ...day, blocks });
      }),
    ),
  ];
  return helps.filter((help) => help !== undefined).sort((a, b) => Number(b.enough) - Number(a.enough));
}

/** When a rig goes on after its last pause before it gets no further; 0 where there was none. */
function lastPause({ blocks }: Day, { rigId, fromMin }: DayPlan['unmet'][number]): number {
  const drawing = blocks.filter((block) => block.rigId === rigId && isDrawing(block)).sort((a, b) => a.fromMin - b.fromMin);
  return (
    drawing.findLast((block, index) => block.fromMin <= fromMin && index > 0 && drawing[index - 1]!.toMin < block.fromMin)?.fromMin ?? 0
  );
}

/** Identifiers of what is not there; they never leave here. */
const EXTRA = 'extra-';

/** The first of some tries that is enough; else the one that helps most, if any helps. */
function best(plan: DayPlan, tries: readonly (() => Help | undefined)[]): Help | undefined {
  let most: Help | undefined;
  for (const attempt of tries) {
    const help = attempt();
    if (!help || compareCost(help.plan.cost, plan.cost) >= 0) continue;
    if (help.enough) return help;
    if (!most || compareCost(help.plan.cost, most.plan.cost) < 0) most = help;
  }
  return most;
}

/** One battery of each kind that fits the rig, the smallest first. */
function spareKinds({ day, gear, states }: DaySimulation, rigId: string): readonly Battery[] {
  const seat = gear.get(states.seatsOf(rigId)[0] ?? '');
  if (seat?.kind !== 'battery') return [];
  const ids = [...day.rigIds.flatMap((id) => states.seatsOf(id)), ...(day.batteries ?? []).map(({ gearId }) => gearId)];
  const kinds = new Map<string, Battery>();
  for (const id of ids) {
    const battery = gear.get(id);
    if (battery?.kind === 'battery' && battery.form === seat.form && energyNow(battery) !== undefined && !kinds.has(battery.name))
      kinds.set(battery.name, battery);
  }
  return [...kinds.values()].sort((a, b) => energyNow(a)! - energyNow(b)!).slice(0, MOST_KINDS);
}

function dimmableOf({ gear, rigs }: DaySimulation, rigId: string): readonly string[] {
  return (rigs.get(rigId)?.devices ?? []).flatMap(({ gearId }) => {
    const device = gear.get(gearId);
    return device?.kind === 'device' && device.dimmable ? [gearId] : [];
  });
}
