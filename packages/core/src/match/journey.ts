import { fullVoltage } from '../cell/pack';
import type { Discharge, TimedPoint } from '../discharge/discharge';
import type { Chain } from './chain';
import type { ChainNetwork } from './chain-network';
import { worstVerdict } from './finding';
import type { Finding, Role, Verdict } from './finding';

/** What flows at a station at one moment: behind it, towards the device. */
export interface Level {
  readonly voltageV: number;
  readonly currentA: number;
  readonly powerW: number;
}

/** One stop on the energy's way from battery to device: what the voltage profile draws. */
export interface Station {
  readonly kind: 'battery' | 'converter' | 'lead' | 'device';
  readonly role: Role;
  readonly name: string;
  /** The whole range that leaves it, from a full battery without load to the end; for the device, what it accepts. */
  readonly highV: number | undefined;
  readonly lowV: number | undefined;
  readonly start: Level | undefined;
  readonly end: Level | undefined;
  readonly verdict: Verdict;
}

/** The stations in order; levels are there when the run could be computed. */
export function journeyOf(
  chain: Chain,
  network: ChainNetwork,
  drawW: number | undefined,
  run: Discharge | undefined,
  findings: readonly Finding[],
): readonly Station[] {
  const { battery, output, cable, adapter, device, input } = chain;
  const verdictOf = (...roles: Role[]): Verdict =>
    worstVerdict(findings.filter(({ role }) => roles.includes(role)).map(({ verdict }) => verdict));
  const both = (level: (point: TimedPoint) => Level | undefined): Pick<Station, 'start' | 'end'> => ({
    start: run?.start && level(run.start),
    end: run?.end && level(run.end),
  });
  const lead = (point: TimedPoint) => point.feeds.at(-1);
  const powerW = (volts: number, amps: number): Level => ({ voltageV: volts, currentA: amps, powerW: volts * amps });
  const loadLevel = (point: TimedPoint): Level | undefined => {
    const volts = lead(point)?.loadV;
    return volts === undefined || drawW === undefined ? undefined : { voltageV: volts, currentA: drawW / volts, powerW: drawW };
  };

  const { portV } = network;
  const packFull = fullVoltage(battery.chemistry, battery.cellsInSeries);
  const stations: Station[] = [
    {
      kind: 'battery',
      role: 'battery',
      name: battery.name,
      highV: packFull,
      lowV: network.cutoffV,
      verdict: verdictOf('battery'),
      ...both((point) => powerW(point.packV, point.packA)),
    },
  ];
  if (portV !== undefined) {
    stations.push({
      kind: 'converter',
      role: 'battery',
      name: output.name,
      highV: portV,
      lowV: portV,
      verdict: verdictOf('battery'),
      ...both((point) => powerW(portV, lead(point)?.currentA ?? 0)),
    });
  }
  // down to the cut-off, less what the lead takes at the end: the gate then shows the share it leaves in the battery
  const dropV = run?.end ? run.end.packV - (lead(run.end)?.inputV ?? run.end.packV) : 0;
  stations.push({
    kind: 'lead',
    role: cable ? 'cable' : adapter ? 'adapter' : 'battery',
    name: cable ? cable.name : adapter ? `lead of ${adapter.name}` : 'contacts',
    highV: portV ?? packFull,
    lowV: portV === undefined ? network.cutoffV - dropV : ((run?.end && lead(run.end)?.inputV) ?? portV),
    verdict: verdictOf('cable'),
    ...both((point) => {
      const at = lead(point);
      return at && powerW(at.inputV, at.currentA);
    }),
  });
  if (adapter) {
    const { voltageV } = adapter.output;
    stations.push({
      kind: 'converter',
      role: 'adapter',
      name: adapter.name,
      highV: voltageV,
      lowV: voltageV,
      verdict: verdictOf('adapter'),
      ...both(loadLevel),
    });
  }
  stations.push({
    kind: 'device',
    role: 'device',
    name: device.name,
    highV: input.maxV,
    lowV: input.minV,
    verdict: verdictOf('device'),
    ...both(loadLevel),
  });
  return stations;
}
