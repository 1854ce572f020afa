import { batteryFigures } from '../../gear';
import type { Battery, Gear } from '../../gear';
import { cellVoltage, socAtVoltage } from '../../physics/cell';
import { said } from '../../said';
import { withChanges } from '../../shape';
import { CHEMISTRIES } from '../../tables';
import type { CheckedStep, MeterReading } from './judge';
import type { JointSaid } from './says';

/** What a reading says of a piece of gear, to be written into the kit at one press. */
export interface Correction {
  readonly gearId: string;
  /** `Mark the lead as crossed`. */
  readonly says: JointSaid;
  /** What follows. */
  readonly why: JointSaid;
  readonly after: Gear;
}

/** Charges are told in whole per cents. */
const SHARES = 100;

/**
 * What of the kit a reading that is not as expected corrects: the lead that is crossed, broken or high in ohms, the output
 * that gives other volts, the charge that follows from a battery's volts at rest. Nothing where the reading is as expected.
 *
 * @example corrections(judgeSteps(checkSteps(rig, gear), new Map())[0], gear) // []
 */
export function corrections({ step, reading, judged }: CheckedStep, gear: ReadonlyMap<string, Gear>): readonly Correction[] {
  if (!judged || reading === undefined || judged.code === 'as-expected') return [];
  const cable = step.cableId === undefined ? undefined : gear.get(step.cableId);
  const from = gear.get(step.fromId);
  const found: Correction[] = [];
  if (cable?.kind === 'cable' && step.cableId !== undefined) {
    const gearId = step.cableId;
    if ((judged.code === 'reversed' || judged.code === 'broken') && !cable.crossed)
      found.push({
        gearId,
        says: said('mark-lead-crossed'),
        why: said('rigs-stop'),
        after: withChanges(cable, { crossed: true }),
      });
    if (judged.code === 'broken' || judged.code === 'short')
      found.push({ gearId, says: said('mark-lead-broken'), why: said('no-feed-any-more'), after: withChanges(cable, { away: 'broken' }) });
    if (judged.code === 'high-ohm' && reading !== 'OL') {
      const resistanceOhm = Math.min(10, 2 * reading);
      found.push({
        gearId,
        says: said('enter-ohms', { resistanceOhm }),
        why: said('counts-measured'),
        after: withChanges(cable, { resistanceOhm }),
      });
    }
  }
  if (from && reading !== 'OL' && (judged.code === 'too-high' || judged.code === 'not-as-expected' || judged.code === 'too-low')) {
    if (step.is === 'open') found.push(...fromVolts(step.fromId, from, reading));
  }
  if (from && judged.code === 'reversed' && cable === undefined && (from.kind === 'adapter' || from.kind === 'hub'))
    found.push({
      gearId: step.fromId,
      says: said('mark-broken', { title: from.name }),
      why: said('no-feed-until-mended'),
      after: withChanges(from, { away: 'broken' }),
    });
  return found;
}

function fromVolts(gearId: string, from: Gear, reading: Exclude<MeterReading, 'OL'>): readonly Correction[] {
  if (from.kind === 'battery' && from.form !== 'bank') {
    const charge = chargeAt(from, reading);
    if (charge === undefined) return [];
    return [
      {
        gearId,
        says: said('enter-charge', { charge }),
        why: said('rested'),
        after: withChanges(from, { charge }),
      },
    ];
  }
  if (from.kind === 'adapter' && from.output.voltageV !== undefined && reading > 0 && reading <= 100)
    return [
      {
        gearId,
        says: said('enter-output', { reading }),
        why: said('rigs-judged-by-it'),
        after: withChanges(from, { output: { ...from.output, voltageV: reading }, from: { ...from.from, voltageV: 'measured' } }),
      },
    ];
  return [];
}

/** The charge at which a battery rests at so many volts; undefined where no charge does. */
function chargeAt(battery: Battery, voltageV: number): number | undefined {
  const { cellsInSeries: cells } = batteryFigures(battery);
  if (cells === undefined) return undefined;
  const { ocvPerCell } = CHEMISTRIES[battery.chemistry];
  const cellV = voltageV / cells;
  if (cellV < cellVoltage(ocvPerCell, 0) || cellV > 1.02 * cellVoltage(ocvPerCell, 1)) return undefined;
  return Math.round(SHARES * socAtVoltage(ocvPerCell, cellV)) / SHARES;
}
