import type { Discharge } from '../discharge/discharge';
import { DEFAULT_RESERVE } from '../gear/rig';
import type { Chain } from './chain';
import { say } from './figure';
import type { Finding } from './finding';

/** Minutes to plan with: the run less the reserve. */
export function plannedMinutes({ rig }: Chain, run: Discharge): number {
  return run.minutes * (1 - (rig.reserve ?? DEFAULT_RESERVE));
}

/** Whether it lasts as long as asked, and what the camera's own gauge will say meanwhile. */
export function runFindings(chain: Chain, run: Discharge | undefined): readonly Finding[] {
  return [...gaugeFindings(chain, run), ...lastsFindings(chain, run)];
}

function lastsFindings(chain: Chain, run: Discharge | undefined): Finding[] {
  const { rig, battery } = chain;
  if (run === undefined || rig.wantedMin === undefined) return [];
  const plannedMin = plannedMinutes(chain, run);
  const base = {
    aspect: 'run',
    role: 'rig',
    part: battery.name,
    numbers: [
      { name: 'asked for', value: rig.wantedMin, unit: 'min' },
      { name: 'with the reserve kept', value: plannedMin, unit: 'min' },
      { name: 'until it stops', value: run.minutes, unit: 'min' },
    ],
  } as const;
  const asked = say(rig.wantedMin, 'min');
  if (plannedMin >= rig.wantedMin) {
    return [
      { ...base, code: 'lasts', verdict: 'good', sentence: `Asked for ${asked}; it runs ${say(plannedMin, 'min')} with the reserve kept.` },
    ];
  }
  const packs = run.minutes > 0 ? Math.ceil(rig.wantedMin / plannedMin) : 0;
  const swap = `Plan a swap at ${say(plannedMin, 'min')}: ${packs} charged batteries of this kind last ${asked}.`;
  if (run.minutes >= rig.wantedMin) {
    return [
      {
        ...base,
        code: 'lasts-into-reserve',
        verdict: 'caution',
        sentence: `Asked for ${asked}; it runs ${say(run.minutes, 'min')}, but only by spending the reserve.`,
        remedy: swap,
      },
    ];
  }
  return [
    {
      ...base,
      code: 'too-short',
      verdict: 'caution',
      sentence: `Asked for ${asked}; it stops after ${say(run.minutes, 'min')}.`,
      remedy: packs > 0 ? swap : 'Mend what stops it first.',
    },
  ];
}

function gaugeFindings(chain: Chain, run: Discharge | undefined): Finding[] {
  const { adapter, device } = chain;
  if (!adapter || adapter.gauge === 'true') return [];
  const shows = adapter.gauge === 'always-full' ? 'shows a full battery until it stops dead' : 'shows nothing of what is left';
  const planned = run && run.minutes > 0 ? plannedMinutes(chain, run) : undefined;
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
