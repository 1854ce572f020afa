import { assessModel, rigModel } from '../answer';
import type { Answer } from '../answer';
import { batteryFigures } from '../gear';
import type { Battery, Gear } from '../gear';
import { accepted, tooCold } from '../physics/cell';
import { DAY_MIN } from '../quantity';
import { isKind, withoutSpares } from '../rig/drawn';
import type { Rig } from '../rig/drawn';
import { said } from '../said';
import { isPrimary } from '../tables';
import type { UnattendedSaid } from './says';

/** What a rig lives on while nobody is there. */
export interface Life {
  readonly useWh: number;
  readonly fullWh: number;
  readonly batteries: readonly Battery[];
}

/** What the rig takes in a day and what full batteries give it, from its own circuit; a sentence where it cannot be told. */
export function lifeOf(rig: Rig, gear: ReadonlyMap<string, Gear>): Life | UnattendedSaid {
  const { startCharge: _start, ...rest } = withoutSpares(rig, gear);
  const full: Rig = { ...rest, batteries: rest.batteries?.map(({ startCharge: _own, ...state }) => state) };
  const model = rigModel(full, gear);
  const answer = assessModel(model, { trace: false });
  if (answer.unlimited) return said('outlet-feeds');
  if (!answer.timeline) return troubleSaid(answer);
  const batteries = model.resolved.sources.flatMap((part) => (isKind(part, 'battery') ? [part.gear] : []));
  const ids = model.resolved.sources.filter((part) => isKind(part, 'battery')).map(({ id }) => id);
  const used = answer.timeline.sources.filter(({ id }) => ids.includes(id));
  const packWh = used.reduce((sum, one) => sum + one.packWh, 0);
  const poweredMin = Math.max(...answer.timeline.loads.map((load) => load.poweredMin));
  if (packWh <= 0 || poweredMin <= 0) return said('nothing-drawn');
  // followed to its end it has given all it can; what outlasts the look ahead has given its share
  const spent = answer.firstStopMin === undefined ? 1 - Math.min(...used.map(({ endSoc }) => endSoc)) : 1;
  return { useWh: (packWh / poweredMin) * DAY_MIN, fullWh: packWh / spent, batteries };
}

function troubleSaid({ findings }: Answer): UnattendedSaid {
  const worst = findings.find(({ verdict }) => verdict === 'stop') ?? findings.find(({ verdict }) => verdict === 'unknown');
  return worst ? said('finding', { finding: worst }) : said('nothing-feeds');
}

/** Watts with which a panel really charges, and what keeps it from more. */
export interface PanelCharging {
  readonly chargeW: number;
  readonly limitedBy: 'battery' | 'cold' | 'primary' | undefined;
}

/** A lead-acid battery takes only so much, lithium below freezing nothing, and cells that are not to be charged never. */
export function panelCharging(panelW: number, batteries: readonly Battery[], temperatureC: number | undefined): PanelCharging {
  if (panelW > 0 && batteries.some(({ chemistry }) => isPrimary(chemistry))) return { chargeW: 0, limitedBy: 'primary' };
  if (panelW > 0 && batteries.some(({ chemistry }) => tooCold({ chemistry }, temperatureC))) return { chargeW: 0, limitedBy: 'cold' };
  const takes = batteries.reduce((sum, battery) => {
    const { energyWh } = batteryFigures(battery);
    return sum + (energyWh === undefined ? panelW : accepted({ chemistry: battery.chemistry, energyWh }, panelW));
  }, 0);
  return takes < panelW ? { chargeW: takes, limitedBy: 'battery' } : { chargeW: panelW, limitedBy: undefined };
}
