import { cellVoltage } from '../src/physics/cell/ocv';
import { compile } from '../src/physics/circuit/circuit';
import type { Network } from '../src/physics/circuit/network';
import { brokenLimit, settle, solve } from '../src/physics/circuit/operating-point';

/**
 * The plain way to run a pack down, second by second: what the event-driven discharge is measured and checked against.
 * It shares the operating point with it, not the way through time.
 */
export function fixedStepDischarge(network: Network, stepS = 1): { readonly minutes: number } {
  const { pack, profile, repeatProfile } = network;
  const circuit = compile(network);
  const phases = profile ?? [{ minutes: Infinity, scale: {} }];
  const cycleMin = phases.reduce((sum, { minutes }) => sum + minutes, 0);
  const phaseAt = (minute: number) => {
    let left = repeatProfile ? minute % cycleMin : minute;
    return phases.find(({ minutes }) => (left -= minutes) < 0) ?? phases.at(-1)!;
  };
  let soc = pack.startSoc ?? 1;
  let phase: (typeof phases)[number] | undefined;
  for (let second = 0; ; second += stepS) {
    const now = phaseAt(second / 60);
    if (now !== phase) settle(circuit, now.scale);
    phase = now;
    const carries = solve(circuit, pack.cellsInSeries * cellVoltage(pack.ocvPerCell, soc));
    if (!carries || brokenLimit(circuit) || soc <= 0) return { minutes: second / 60 };
    soc -= (circuit.root.currentA * stepS) / 3600 / pack.capacityAh;
  }
}
