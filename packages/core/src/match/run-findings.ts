import type { Discharge } from '../discharge/discharge';
import type { Chain } from './chain';
import { say } from './figure';
import type { Finding } from './finding';
import { firstStopMinutes, plannedMinutes } from './first-stop';

/** Whether it lasts as long as asked, and what the camera's own gauge will say meanwhile. */
export function runFindings(chain: Chain, run: Discharge | undefined): readonly Finding[] {
  return [...gaugeFindings(chain, run), ...lastsFindings(chain, run)];
}

function lastsFindings(chain: Chain, run: Discharge | undefined): Finding[] {
  const { rig, battery } = chain;
  if (run === undefined || rig.wantedMin === undefined) return [];
  const plannedMin = plannedMinutes(chain.rig, run);
  const stopMin = firstStopMinutes(run);
  const base = {
    aspect: 'run',
    role: 'rig',
    part: battery.name,
    numbers: [
      { name: 'asked for', value: rig.wantedMin, unit: 'min' },
      { name: 'with the reserve kept', value: plannedMin, unit: 'min' },
      { name: 'until it stops', value: stopMin, unit: 'min' },
    ],
  } as const;
  const asked = say(rig.wantedMin, 'min');
  if (plannedMin >= rig.wantedMin) {
    return [
      { ...base, code: 'lasts', verdict: 'good', sentence: `Asked for ${asked}; it runs ${say(plannedMin, 'min')} with the reserve kept.` },
    ];
  }
  const packs = plannedMin > 0 ? Math.ceil(rig.wantedMin / plannedMin) : 0;
  const swap = `Plan a swap at ${say(plannedMin, 'min')}: ${packs} charged batteries of this kind last ${asked}.`;
  if (stopMin >= rig.wantedMin) {
    return [
      {
        ...base,
        code: 'lasts-into-reserve',
        verdict: 'caution',
        sentence: `Asked for ${asked}; it runs ${say(stopMin, 'min')}, but only by spending the reserve.`,
        remedy: swap,
      },
    ];
  }
  return [
    {
      ...base,
      code: 'too-short',
      verdict: 'caution',
      sentence: `Asked for ${asked}; it stops after ${say(stopMin, 'min')}.`,
      remedy: packs > 0 ? swap : 'Mend what stops it first.',
    },
  ];
}

function gaugeFindings(chain: Chain, run: Discharge | undefined): Finding[] {
  const { adapter, device } = chain;
  if (!adapter || adapter.gauge === 'true') return [];
  const shows = adapter.gauge === 'always-full' ? 'shows a full battery until it stops dead' : 'shows nothing of what is left';
  const planned = run && firstStopMinutes(run) > 0 ? plannedMinutes(chain.rig, run) : undefined;
  return [
    {
      aspect: 'gauge',
      role: 'adapter',
      part: adapter.name,
      code: 'gauge-blind',
      verdict: 'caution',
      numbers: planned === undefined ? [] : [{ name: 'swap at', value: planned, unit: 'min' }],
      sentence: `On ${adapter.name}, ${device.name} ${shows}.`,
      remedy:
        planned === undefined
          ? 'Watch the battery’s own gauge.'
          : `Swap by the clock, at ${say(planned, 'min')}, or watch the battery’s own gauge.`,
    },
  ];
}
