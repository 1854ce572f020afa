import { batteryFigures } from '../../gear';
import type { Adapter, Battery, Cable, Device, Gear, Input, Output } from '../../gear';
import { fullVoltage } from '../../physics/cell';
import { areaOfAwg, leadOhm } from '../../physics/wire';
import { isKind, roleOf } from '../../rig/drawn';
import type { Part } from '../../rig/drawn';
import type { ResolvedRig } from '../../rig/resolved';
import { withChanges } from '../../shape';
import { CHEMISTRIES, CONTRADICTS, POE_W } from '../../tables';
import type { Facts, Finding } from '../facts';
import { finding } from '../finding';

type Doubt = Facts['figure-doubtful'];

/** Two figures of one thing that say the same thing twice, and differ. */
export interface Contradiction {
  readonly doubt: Doubt;
  /** The thing by the one figure alone, and by the other; undefined where neither makes sense by itself. */
  readonly either?: readonly [Gear, Gear];
}

/** Figures typed on one item that cannot both be right: asked about, and never gone on with in silence. */
export function doubtfulFindings({ parts }: Pick<ResolvedRig, 'parts'>): readonly Finding[] {
  return [...parts.values()].flatMap((part) =>
    contradictionsOf(part).map(({ doubt }) =>
      finding('figure-doubtful', 'unknown', { aspect: 'run', role: roleOf(part), gearId: part.id, part: part.title }, doubt),
    ),
  );
}

/**
 * Everything that a piece of gear says twice and differently, by the tolerances of `CONTRADICTS`.
 *
 * @example contradictionsOf(resolveRig(rig, gear).sources[0]) // []
 */
export function contradictionsOf(part: Part): readonly Contradiction[] {
  return [
    ...part.inputs.flatMap((port) => ofRange(part.title, port)),
    ...part.outputs.flatMap((port) => ofRange(part.title, port)),
    ...ownDoubts(part),
  ];
}

/** A lowest voltage above the highest; a start outside them, a supply's own figure outside its range. */
function ofRange(of: string, port: Input | Output): Contradiction[] {
  const { minV, maxV } = 'minV' in port || 'maxV' in port ? port : {};
  if (minV !== undefined && maxV !== undefined && minV > maxV) return [{ doubt: { doubt: 'range', of, port: port.name, minV, maxV } }];
  const pair = (is: 'start' | 'supply-range', one: number, other: number): Contradiction[] => [
    { doubt: { doubt: 'pair', is, of: `${port.name} of ${of}`, one, other } },
  ];
  if ('takes' in port && port.takes === 'window' && port.startV !== undefined && maxV !== undefined && port.startV > maxV)
    return pair('start', port.startV, maxV);
  if (!('gives' in port) || port.gives !== 'fixed' || port.voltageV === undefined) return [];
  if (maxV !== undefined && port.voltageV > maxV * (1 + CONTRADICTS.volts)) return pair('supply-range', port.voltageV, maxV);
  if (minV !== undefined && port.voltageV < minV * (1 - CONTRADICTS.volts)) return pair('supply-range', port.voltageV, minV);
  return [];
}

function ownDoubts(part: Part): readonly Contradiction[] {
  const { title } = part;
  if (isKind(part, 'battery')) return [...ofBattery(part.gear), ...ofPorts(part.gear, title)];
  if (isKind(part, 'adapter')) return ofAdapter(part.gear);
  if (isKind(part, 'cable')) return ofCable(part.gear);
  if (isKind(part, 'device')) return [...ofDevice(part.gear), ...ofPorts(part.gear, title)];
  return isKind(part, 'hub') || isKind(part, 'supply') ? ofPorts(part.gear, title) : [];
}

function ofBattery(battery: Battery): Contradiction[] {
  const { name: of, chemistry, cellsInSeries: cells, cellsInParallel = 1, cell, energyWh, labelWh, nominalV, cutoffV, chargeV } = battery;
  const { cutoffCellV, nominalCellV } = CHEMISTRIES[chemistry];
  const found: Contradiction[] = [];
  const without = (...fields: readonly (keyof Battery)[]): Gear =>
    withChanges(battery, Object.fromEntries(fields.map((it) => [it, undefined])));
  const pair = (
    is: 'cell-amps' | 'cell-ohms' | 'measured' | 'charging',
    one: number,
    other: number,
    either: readonly [Gear, Gear],
  ): void => {
    found.push({ doubt: { doubt: 'pair', is, of, one, other }, either });
  };
  if (
    battery.from?.energyWh === 'measured' &&
    energyWh !== undefined &&
    labelWh !== undefined &&
    energyWh > labelWh * (1 + CONTRADICTS.energy)
  )
    pair('measured', energyWh, labelWh, [without('labelWh'), { ...battery, energyWh: labelWh }]);
  const { cellsInSeries } = batteryFigures(battery);
  if (chargeV !== undefined && cellsInSeries !== undefined) {
    const fullV = fullVoltage(chemistry, cellsInSeries);
    if (chargeV < fullV * (1 - CONTRADICTS.charging) || chargeV > fullV * (1 + 2 * CONTRADICTS.charging))
      pair('charging', chargeV, fullV, [battery, without('chargeV')]);
  }
  if (cell?.maxA !== undefined && battery.maxA !== undefined && battery.maxA > cell.maxA * cellsInParallel * (1 + CONTRADICTS.amps))
    pair('cell-amps', battery.maxA, cell.maxA * cellsInParallel, [
      withChanges(battery, { cell: withChanges(cell, { maxA: undefined }) }),
      without('maxA'),
    ]);
  if (cells === undefined) return found;
  if (cell?.resistanceOhm !== undefined && battery.resistanceOhm !== undefined) {
    const cellsOhm = (cells * cell.resistanceOhm) / cellsInParallel;
    if (apart(battery.resistanceOhm, cellsOhm, CONTRADICTS.ohmsTimes))
      pair('cell-ohms', battery.resistanceOhm, cellsOhm, [battery, without('resistanceOhm')]);
  }
  const [lowV, highV] = [cells * cutoffCellV * (1 - CONTRADICTS.belowCutoff), cells * nominalCellV];
  if (cutoffV !== undefined && (cutoffV < lowV || cutoffV > highV))
    found.push({
      doubt: { doubt: 'cutoff', of, cells, cutoffV, lowV, highV },
      // a pack rated down to such volts is none
      ...(cutoffV <= highV && { either: [battery, without('cutoffV')] as const }),
    });
  const cellsV = cells * nominalCellV;
  if (nominalV !== undefined && differs(nominalV, cellsV, CONTRADICTS.cells))
    found.push({ doubt: { doubt: 'cells', of, cells, nominalV, cellsV }, either: [without('nominalV'), without('cellsInSeries')] });
  const countedWh = cell && cells * cellsInParallel * cell.capacityAh * nominalCellV;
  // what was measured may well be less than what is printed
  const printedWh = labelWh ?? energyWh;
  if (countedWh !== undefined && printedWh !== undefined && differs(printedWh, countedWh, CONTRADICTS.energy))
    found.push({
      doubt: { doubt: 'energy', of, energyWh: printedWh, countedWh, cells },
      either: [without('cell'), { ...battery, energyWh: countedWh, labelWh: countedWh }],
    });
  return found;
}

function ofAdapter(adapter: Adapter): Contradiction[] {
  const { name: of, ratedW, output } = adapter;
  const { voltageV, maxA } = output;
  if (ratedW === undefined || voltageV === undefined || maxA === undefined || !differs(ratedW, voltageV * maxA, CONTRADICTS.watts))
    return [];
  const either = [
    withChanges(adapter, { output: withChanges(output, { maxA: undefined }) }),
    withChanges(adapter, { ratedW: undefined }),
  ] as const;
  return [{ doubt: { doubt: 'watts', of, port: undefined, watts: ratedW, voltageV, currentA: maxA }, either }];
}

/** Gauge and square millimetres of one wire; ohms that do not go with length and wire. */
function ofCable(cable: Cable): Contradiction[] {
  const { name: of, awg, areaMm2, lengthM, resistanceOhm } = cable;
  const found: Contradiction[] = [];
  const byGauge = awg === undefined ? undefined : areaOfAwg(awg);
  if (byGauge !== undefined && areaMm2 !== undefined && differs(byGauge, areaMm2, CONTRADICTS.wire))
    found.push({
      doubt: { doubt: 'pair', is: 'wire', of, one: byGauge, other: areaMm2 },
      either: [withChanges(cable, { areaMm2: undefined }), withChanges(cable, { awg: undefined })],
    });
  const area = areaMm2 ?? byGauge;
  if (resistanceOhm === undefined || lengthM === undefined || area === undefined) return found;
  const wireOhm = leadOhm(lengthM, area);
  // plugs and a meter's own leads add to it; nothing takes away from it
  if (resistanceOhm < wireOhm / CONTRADICTS.ohmsTimes || resistanceOhm > wireOhm * CONTRADICTS.ohmsTimes + CONTRADICTS.plugsOhm)
    found.push({
      doubt: { doubt: 'pair', is: 'lead-ohms', of, one: resistanceOhm, other: wireOhm },
      either: [cable, withChanges(cable, { resistanceOhm: undefined })],
    });
  return found;
}

/** A peak below the draw that it is a peak of; a frame that takes longer than the time between two. */
function ofDevice(device: Device): Contradiction[] {
  const { name: of, draw, peakW } = device;
  if (draw?.basis === 'frames' && draw.awakeS > draw.everyS)
    return [{ doubt: { doubt: 'pair', is: 'frames', of, one: draw.awakeS, other: draw.everyS } }];
  const drawW = draw?.basis === 'maker' || draw?.basis === 'learnt' ? draw.powerW : undefined;
  if (peakW === undefined || drawW === undefined || peakW >= drawW * (1 - CONTRADICTS.watts)) return [];
  const either = [withChanges(device, { peakW: undefined }), { ...device, draw: { basis: 'maker' as const, powerW: peakW } }] as const;
  return [{ doubt: { doubt: 'pair', is: 'peak', of, one: peakW, other: drawW }, either }];
}

/** A rating and the list of profiles; a class of PoE and the port's own volts and amps. */
function ofPorts(gear: Exclude<Gear, { kind: 'adapter' | 'cable' | 'charger' }>, of: string): Contradiction[] {
  return (gear.outputs ?? []).flatMap((port): Contradiction[] => {
    const withPort = (changed: Output): Gear => {
      const outputs = (gear.outputs ?? []).map((one) => (one.id === port.id ? changed : one));
      // the kinds are told apart, so that each stays what it is
      return gear.kind === 'device' ? { ...gear, outputs } : { ...gear, outputs };
    };
    if (port.gives === 'fixed' && port.poeClass && port.voltageV !== undefined && port.maxA !== undefined) {
      const [ownW, classW] = [port.voltageV * port.maxA, POE_W[port.poeClass]];
      if (ownW >= classW * (1 - CONTRADICTS.watts)) return [];
      const either = [withPort(withChanges(port, { poeClass: undefined })), withPort(withChanges(port, { maxA: undefined }))] as const;
      return [{ doubt: { doubt: 'pair', is: 'poe', of: `${port.name} of ${of}`, one: ownW, other: classW }, either }];
    }
    if (port.gives !== 'pd' || port.ratingW === undefined || !port.profiles) return [];
    const watts = ({ voltageV, currentA }: { readonly voltageV: number; readonly currentA: number }): number => voltageV * currentA;
    const best = port.profiles.reduce((most, one) => (watts(one) > watts(most) ? one : most));
    if (!differs(port.ratingW, watts(best), CONTRADICTS.watts)) return [];
    const either = [withPort(withChanges(port, { profiles: undefined })), withPort(withChanges(port, { ratingW: undefined }))] as const;
    return [{ doubt: { doubt: 'watts', of, port: port.name, watts: port.ratingW, ...best }, either }];
  });
}

function differs(one: number, other: number, by: number): boolean {
  return Math.abs(one / other - 1) > by;
}

function apart(one: number, other: number, times: number): boolean {
  return one > other * times || one < other / times;
}
