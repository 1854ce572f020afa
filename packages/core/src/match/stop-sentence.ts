import type { Discharge } from '../discharge/discharge';
import { batteryFigures } from '../gear/battery-figures';
import { say } from './figure';
import { stoppingPeak } from './first-stop';
import { isA } from './rig-graph';
import type { Part } from './rig-graph';
import { budgetFeed } from './source-tree';
import type { LoadDraw, SourceTree } from './source-tree';
import { list } from './voltage-findings';

/** What stops a source's run first and why, in one sentence; then what is left in the battery. */
export function stopSentence({ source, passages, unlimited }: SourceTree, draws: ReadonlyMap<string, LoadDraw>, run: Discharge): string {
  const { name } = source.gear;
  const devices = passages.flatMap(({ joint }) => (isA(joint.to, 'device') ? [joint.to as Part] : []));
  const nameOf = (id: string): string =>
    devices.find((device) => device.id === id)?.gear.name ?? list(devices.map(({ gear }) => gear.name));
  const peak = stoppingPeak(run);
  if (peak) {
    const peakW = draws.get(peak.loadId)?.peakW ?? 0;
    return `A peak of ${say(peakW, 'W')} can shut ${nameOf(peak.loadId)} off once ${name} is down to ${say(peak.fromSoc, 'fraction')}; without peaks it runs ${say(run.minutes, 'min')}.`;
  }
  if (unlimited && run.cause === 'empty') return `${name} goes on for as long as it is supplied.`;
  const left = `${say(run.strandedWh, 'Wh')} (${say(run.endSoc, 'fraction')} of the charge) stay in it`;
  const here = passages.find(({ joint }) => joint.id === run.at || joint.to.id === run.at || run.at.startsWith(`${joint.to.id}:`));
  const gate = here && (isA(here.joint.to, 'device') ? `${here.joint.input.name} of ${here.joint.to.gear.name}` : here.joint.to.gear.name);
  const { minV = 0, startV } = here?.joint.input.takes === 'window' ? here.joint.input : {};
  switch (run.cause) {
    case 'pack-cutoff':
      return `The protection of ${name} ends it at ${say(isA(source, 'battery') ? batteryFigures(source.gear).cutoffV : 0, 'V')}; ${left}.`;
    case 'empty':
      return `${name} is empty.`;
    case 'converter-dropout':
      return run.minutes === 0 && startV !== undefined
        ? `${gate} does not start at this charge.`
        : `${gate} drops out below ${say(minV, 'V')}; of ${name} ${left}.`;
    case 'load-undervoltage':
      return `${nameOf(run.at)} switches off below ${say(minV, 'V')}; of ${name} ${left}.`;
    case 'over-current': {
      const [allowed, set] = limitAt(source, passages, run.at);
      return `The current passes ${allowed} (${set}); of ${name} ${left}.`;
    }
    case 'collapse':
      return `${name} and its leads cannot carry the load: the voltage breaks down.`;
    case 'no-draw':
      return 'Nothing draws power.';
  }
}

function limitAt(source: SourceTree['source'], passages: SourceTree['passages'], at: string): readonly [string, string] {
  if (at === 'pack') return [say((isA(source, 'battery') && batteryFigures(source.gear).maxA) || 0, 'A'), source.gear.name];
  const lead = passages.find(({ joint }) => joint.id === at);
  if (lead?.limit) return [say(lead.limit.maxA, 'A'), lead.limit.set];
  for (const part of [source as Part, ...passages.map(({ joint }) => joint.to)]) {
    const budget = part.budgets.find(({ id }) => budgetFeed(part.id, id) === at);
    if (budget)
      return [budget.maxA === undefined ? say(budget.maxW ?? 0, 'W') : say(budget.maxA, 'A'), `${budget.name} of ${part.gear.name}`];
  }
  const port = passages.find(({ joint }) => at === `${joint.from.id}:${joint.output.id}`);
  return ['its limit', port ? `${port.joint.output.name} of ${port.joint.from.gear.name}` : 'a part on the way'];
}
