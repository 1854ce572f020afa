import type { Facts } from '../../../findings';
import type { SpareTrouble } from '../../../rig/resolved';
import { say, sayList } from '../say';
import { shown } from './wording';
import type { ShownNumber, Wordings } from './wording';

type Lasting = Facts['lasts'];

function lastingNumbers({ wantedMin, plannedMin, firstStopMin, gapMin }: Lasting): readonly (ShownNumber | undefined)[] {
  return [
    shown('must run', wantedMin, 'min'),
    shown('with the reserve kept', plannedMin, 'min'),
    shown('until it stops', firstStopMin, 'min'),
    shown('without power', gapMin > 0 ? gapMin : undefined, 'min'),
  ];
}

/** `, 2 min of it without power`. */
function lessGaps({ gapMin }: Lasting): string {
  return gapMin > 0 ? `, ${say(gapMin, 'min')} of it without power` : '';
}

function planSwap({ wantedMin, plannedMin }: Lasting): string {
  if (plannedMin <= 0) return 'Fix what stops it first.';
  const packs = Math.ceil(wantedMin / plannedMin);
  return `Plan a swap at ${say(plannedMin, 'min')}: ${packs} charged batteries of this kind last ${say(wantedMin, 'min')}.`;
}

function together({ parts, stops }: Facts['single-point']): string {
  return `When ${sayList(parts, 'or')} fails, ${sayList(stops)} stop together.`;
}

function togetherNumbers({ stops, devices }: Facts['single-point']): readonly (ShownNumber | undefined)[] {
  return [shown('devices that stop', stops.length, 'count'), shown('of', devices, 'count')];
}

/** `Skuadon 60 in 4K at 100 frames`. */
function inMode(device: string, mode: string | undefined): string {
  return mode === undefined ? device : `${device} in ${mode}`;
}

const KEEP_SPARE = 'Keep a spare of it within reach, or give one of the devices a feed of its own.';

/** The rig as a whole. */
export const WHOLE_RIG: Wordings<
  | 'single-point'
  | 'stops-together'
  | 'built-in-only'
  | 'no-cushion'
  | 'take-ends'
  | 'heat-ends'
  | 'spare-unfit'
  | 'lasts'
  | 'lasts-into-reserve'
  | 'too-short'
> = {
  'single-point': {
    means: 'One part stops several devices when it fails.',
    says: together,
    remedy: () => KEEP_SPARE,
    shows: togetherNumbers,
  },
  'stops-together': {
    means: 'Every device of the rig hangs on one source.',
    says: together,
    remedy: () => KEEP_SPARE,
    shows: togetherNumbers,
  },
  'built-in-only': {
    means: 'A device runs on the battery built into it, and nothing feeds it.',
    says: ({ device, energyWh }) =>
      `Nothing feeds ${device}: it runs on the ${say(energyWh, 'Wh')} built into it, and then not until it is charged.`,
    remedy: () => 'Charge it before, or feed it.',
    shows: ({ energyWh }) => [shown('built in', energyWh, 'Wh')],
  },
  'no-cushion': {
    means: 'A swap cuts the power of a device: nothing carries it meanwhile, or not for as long as the swap takes.',
    says: ({ devices, swapMin }) =>
      `A swap is needed, and it cuts ${sayList(devices)} off for ${say(swapMin, 'min')}: nothing carries ${devices.length === 1 ? 'it' : 'them'} meanwhile.`,
    remedy: () => 'Swap between takes, or use a plate with a buffer, a grip, or a feed that leaves the battery in the bay.',
    shows: ({ wantedMin, firstSwapMin, swapMin }) => [
      shown('must run', wantedMin, 'min'),
      shown('first swap', firstSwapMin, 'min'),
      shown('without power', swapMin, 'min'),
    ],
  },
  'take-ends': {
    means: 'A recording ends by itself: it has come to the longest take of the mode.',
    says: ({ device, mode, takeMin }) => `${inMode(device, mode)} ends a take after ${say(takeMin, 'min')}, whatever feeds it.`,
    remedy: () => 'Start the next take in a pause before, or use a mode without that limit.',
    shows: ({ takeMin, runsMin }) => [shown('longest take', takeMin, 'min'), shown('power for', runsMin, 'min')],
  },
  'heat-ends': {
    means: 'A device shuts off from heat in its mode, though there is power.',
    says: ({ device, mode, hotMin, hotFromC, temperatureC, assumed }) => {
      const from = hotFromC === undefined ? '' : ` at ${say(hotFromC, 'C')} or more`;
      const now = assumed ? `taken to be ${say(temperatureC, 'C')}` : say(temperatureC, 'C');
      return `${inMode(device, mode)} shuts off from heat after ${say(hotMin, 'min')}${from}; it is ${now}.`;
    },
    remedy: ({ coolMin }) =>
      `Let it cool ${coolMin === undefined ? 'between takes' : say(coolMin, 'min')}, keep it in the shade, or use a cooler mode.`,
    shows: ({ hotMin, hotFromC, temperatureC, coolMin, runsMin }) => [
      shown('shuts off after', hotMin, 'min'),
      shown('from', hotFromC, 'C'),
      shown('it is', temperatureC, 'C'),
      shown('cools for', coolMin, 'min'),
      shown('power for', runsMin, 'min'),
    ],
  },
  'spare-unfit': {
    means: 'A spare cannot take the place of the battery it is named for.',
    says: ({ spare, battery, trouble }) => `${spare} cannot take the place of ${battery}: ${sayTrouble(trouble)}. It is not counted on.`,
    remedy: () => 'Name a spare like the battery it stands in for, or judge it in a rig of its own.',
  },
  lasts: {
    means: 'It runs as long as asked, reserve kept.',
    says: (facts) =>
      `It must run ${say(facts.wantedMin, 'min')}; it runs ${say(facts.plannedMin, 'min')} with the reserve kept${lessGaps(facts)}.`,
    shows: lastingNumbers,
  },
  'lasts-into-reserve': {
    means: 'It runs as long as asked only by spending the reserve.',
    says: (facts) =>
      `It must run ${say(facts.wantedMin, 'min')}; it runs ${say(facts.firstStopMin, 'min')}${lessGaps(facts)}, but only by spending the reserve.`,
    remedy: planSwap,
    shows: lastingNumbers,
  },
  'too-short': {
    means: 'It stops before the time asked for.',
    says: (facts) => `It must run ${say(facts.wantedMin, 'min')}; it stops after ${say(facts.firstStopMin, 'min')}${lessGaps(facts)}.`,
    remedy: planSwap,
    shows: lastingNumbers,
  },
};

function sayTrouble(trouble: SpareTrouble): string {
  switch (trouble.why) {
    case 'not-fit':
      return 'it is broken, lost or damaged';
    case 'energy-unknown':
      return 'its energy is not known';
    case 'other-cells':
      return 'it has other cells, so other volts';
    case 'other-cutoff':
      return 'its cut-off is another';
    case 'less-current':
      return 'it may give less current';
    case 'no-port':
      return `it has no port that stands in for ${trouble.port}`;
  }
}
