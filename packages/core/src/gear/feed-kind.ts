import type { Connector } from './connector';
import { mates } from './connector';
import type { Adapter, Battery, Cable, Device, Input, Output } from './gear';

/** The ways to feed one device that the three questions offer. */
export const FEED_KINDS = {
  'in-camera': { title: 'Its own battery', about: 'A battery in the camera’s bay; spares in the pocket.' },
  'v-mount': { title: 'V-mount battery', about: 'By D-tap through a battery-shaped adapter with a fixed output.' },
  'pd-bank': { title: 'USB-C Power Delivery bank', about: 'By a USB-C cable straight into the camera.' },
  '5v-bank': { title: '5 V USB bank', about: 'Through a battery-shaped adapter that steps 5 V up.' },
} as const;
export type FeedKind = keyof typeof FEED_KINDS;

/** The ports and parts that a kind of feed joins, as far as they are there. */
export interface FeedParts {
  readonly input: Input | undefined;
  readonly output: Output | undefined;
  readonly needsAdapter: boolean;
  readonly needsCable: boolean;
}

/** Which output of a battery and which input of a device a kind of feed uses. */
export function feedParts(kind: FeedKind, device: Device, battery: Battery): FeedParts {
  const byUsbC = kind === 'pd-bank';
  const input = device.inputs.find(({ takes }) => takes === (byUsbC ? 'pd' : 'window'));
  const wanted: Connector['type'] = { 'in-camera': 'bay', 'v-mount': 'd-tap', 'pd-bank': 'usb-c', '5v-bank': 'usb-a' }[
    kind
  ] as Connector['type'];
  const output = battery.outputs.find(({ connector }) => connector.type === wanted);
  return { input, output, needsAdapter: kind === 'v-mount' || kind === '5v-bank', needsCable: byUsbC };
}

/** Whether a battery is of the kind a feed starts from, and gives what the feed needs. */
export function servesFeed(kind: FeedKind, battery: Battery): boolean {
  const form: Battery['form'] = kind === 'in-camera' ? 'camera' : kind === 'v-mount' ? 'v-mount' : 'bank';
  return battery.form === form && battery.outputs.some(({ gives }) => (kind === 'pd-bank' ? gives === 'pd' : true));
}

/** Whether an adapter goes between this output and this input. */
export function adapterFits(adapter: Adapter, output: Output, input: Input): boolean {
  return mates(output.connector, adapter.input.connector) !== 'no' && mates(adapter.output.connector, input.connector) !== 'no';
}

/** Whether a cable goes between this output and this input. */
export function cableFits(cable: Cable, output: Output, input: Input): boolean {
  return mates(output.connector, cable.ends.source) !== 'no' && mates(cable.ends.load, input.connector) !== 'no';
}
