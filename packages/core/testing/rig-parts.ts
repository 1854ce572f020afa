import { assess } from '../src/answer/assess';
import type { Answer } from '../src/answer/assess';
import type { FindingCode } from '../src/findings/facts';
import type { Verdict } from '../src/findings/verdict';
import type { Adapter, Battery, Cable, Device, Gear } from '../src/gear/gear';
import type { Input, Output } from '../src/gear/port';
import { oneFeed } from '../src/rig/drawn/one-feed';
import type { Rig } from '../src/rig/drawn/rig';
import { tellAnswer } from '../src/words/en/answer/tell-answer';
import type { ToldAnswer } from '../src/words/en/answer/tell-answer';

/** A rig under test: a sound one, with whatever the test changes. */
export interface Parts {
  readonly device: Device;
  readonly battery: Battery;
  readonly adapter?: Adapter | undefined;
  readonly cable?: Cable | undefined;
  readonly rig?: Partial<Rig>;
}

type PackOutput = Extract<Output, { gives: 'pack' }>;

export const BAY: Extract<Input, { takes: 'window' }> = {
  takes: 'window',
  id: 'in',
  name: 'Bay',
  connector: { type: 'bay', family: 'S' },
  minV: 6,
  maxV: 8.5,
};
export const USB_IN: Extract<Input, { takes: 'pd' }> = {
  takes: 'pd',
  id: 'in',
  name: 'USB-C',
  connector: { type: 'usb-c' },
  minV: 9,
  maxV: 15,
  needW: 20,
  sink: 'runs',
};
export const CONTACTS: PackOutput = { gives: 'pack', id: 'out', name: 'Contacts', connector: { type: 'bay', family: 'S' }, maxA: 4 };
export const DTAP: PackOutput = { gives: 'pack', id: 'out', name: 'D-tap', connector: { type: 'd-tap' }, maxA: 5 };
export const USB_A: Extract<Output, { gives: 'fixed' }> = {
  gives: 'fixed',
  id: 'out',
  name: 'USB-A',
  connector: { type: 'usb-a' },
  voltageV: 5,
  maxA: 2.4,
};
export const USB_C: Extract<Output, { gives: 'pd' }> = { gives: 'pd', id: 'out', name: 'USB-C', connector: { type: 'usb-c' }, ratingW: 45 };

export const device = (input: Input = BAY, powerW: number | undefined = 10): Device => ({
  kind: 'device',
  name: 'Camera',
  ...(powerW !== undefined && { draw: { basis: 'maker', powerW } }),
  inputs: [input],
});

export const battery = (
  output: Output,
  cellsInSeries: number,
  energyWh: number | undefined = 50,
  changes: Partial<Battery> = {},
): Battery => ({
  kind: 'battery',
  name: 'Battery',
  form: 'camera',
  chemistry: 'li-ion',
  cellsInSeries,
  ...(energyWh !== undefined && { energyWh }),
  outputs: [output],
  ...changes,
});

export const adapter = (changes: Partial<Adapter> = {}): Adapter => ({
  kind: 'adapter',
  name: 'Adapter',
  input: { connector: { type: 'd-tap' }, minV: 11, maxV: 17 },
  output: { connector: { type: 'bay', family: 'S' }, voltageV: 8 },
  ratedW: 30,
  efficiency: 0.9,
  standbyW: 0.1,
  gauge: 'true',
  ...changes,
});

export const usbCable = (changes: Partial<Cable> = {}): Cable => ({
  kind: 'cable',
  name: 'Cable',
  ends: { source: { type: 'usb-c' }, load: { type: 'usb-c' } },
  resistanceOhm: 0.08,
  ...changes,
});

export const IN_CAMERA: Parts = { device: device(), battery: battery(CONTACTS, 2) };
export const BY_DTAP: Parts = { device: device(), battery: battery(DTAP, 4), adapter: adapter() };
export const BY_PD: Parts = { device: device(USB_IN), battery: battery(USB_C, 1), cable: usbCable() };
export const BY_5V: Parts = {
  device: device(BAY, 6),
  battery: battery(USB_A, 1),
  adapter: adapter({ input: { connector: { type: 'usb-a' }, minV: 4.4, maxV: 5.5 }, ratedW: 12 }),
};

const id = (place: string): string => `00000000-0000-4000-8000-00000000000${place}`;

export function answerTo(parts: Parts): ToldAnswer {
  const { rig, gear } = rigOf(parts);
  return tellAnswer(assess(rig, gear));
}

/** The rig of one device that parts make up, and its gear. */
export function rigOf(parts: Parts): { readonly rig: Rig; readonly gear: ReadonlyMap<string, Gear> } {
  const gear = new Map<string, Gear>([
    [id('1'), parts.device],
    [id('2'), parts.battery],
    ...(parts.adapter ? [[id('3'), parts.adapter] as const] : []),
    ...(parts.cable ? [[id('4'), parts.cable] as const] : []),
  ]);
  const rig: Rig = {
    name: 'Rig',
    ...oneFeed({
      deviceId: id('1'),
      inputId: 'in',
      batteryId: id('2'),
      outputId: 'out',
      ...(parts.adapter && { adapterId: id('3') }),
      ...(parts.cable && { cableId: id('4') }),
    }),
    ...parts.rig,
  };
  return { rig, gear };
}

/** `code verdict` of everything found that is not good. */
export function troubles(answer: Pick<Answer, 'findings'> | Pick<ToldAnswer, 'findings'>): readonly string[] {
  return answer.findings.filter(({ verdict }) => verdict !== 'good').map(({ code, verdict }) => `${code} ${verdict}`);
}

export function has(answer: Pick<Answer, 'findings'> | Pick<ToldAnswer, 'findings'>, code: FindingCode, verdict: Verdict): boolean {
  return answer.findings.some((finding) => finding.code === code && finding.verdict === verdict);
}
