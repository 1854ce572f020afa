import { mates } from './connector';
import type { Connector } from './connector';
import type { Adapter, Battery, Cable, Device } from './gear';
import type { Input, Output } from './port';

interface FeedKindInfo {
  /** The battery it starts from, and what its port gives. */
  readonly form: 'camera' | 'v-mount' | 'bank';
  readonly gives: Output['gives'];
  readonly output: Connector['type'];
  /** What the device's input takes. */
  readonly takes: Input['takes'];
  readonly needs: 'adapter' | 'cable' | 'nothing';
}

export type FeedKind = 'in-camera' | 'v-mount' | 'pd-bank' | '5v-bank';

/** The ways to feed one device that the three questions offer. */
export const FEED_KINDS: Readonly<Record<FeedKind, FeedKindInfo>> = {
  'in-camera': {
    form: 'camera',
    gives: 'pack',
    output: 'bay',
    takes: 'window',
    needs: 'nothing',
  },
  'v-mount': {
    form: 'v-mount',
    gives: 'pack',
    output: 'd-tap',
    takes: 'window',
    needs: 'adapter',
  },
  'pd-bank': {
    form: 'bank',
    gives: 'pd',
    output: 'usb-c',
    takes: 'pd',
    needs: 'cable',
  },
  '5v-bank': {
    form: 'bank',
    gives: 'fixed',
    output: 'usb-a',
    takes: 'window',
    needs: 'adapter',
  },
};

/**
 * The output of a battery that a kind of feed uses; undefined when the battery does not serve it.
 *
 * @example outputFor('v-mount', battery).name // 'D-tap'
 */
export function outputFor(kind: FeedKind, battery: Battery): Output | undefined {
  const { form, gives, output } = FEED_KINDS[kind];
  return battery.form === form ? battery.outputs.find((port) => port.gives === gives && port.connector.type === output) : undefined;
}

/**
 * The input of a device that a kind of feed uses; undefined when it has none.
 *
 * @example inputFor('v-mount', gear.get(cameraId)).name // 'Battery bay'
 */
export function inputFor(kind: FeedKind, device: Device): Input | undefined {
  return device.inputs.find(({ takes }) => takes === FEED_KINDS[kind].takes);
}

/**
 * Whether an adapter goes between this output and this input.
 *
 * @example adapterFits(GENERIC_ADAPTERS[0], battery.outputs[0], gear.get(cameraId).inputs[0]) // true
 */
export function adapterFits(adapter: Adapter, output: Output, input: Input): boolean {
  return mates(output.connector, adapter.input.connector) !== 'no' && mates(adapter.output.connector, input.connector) !== 'no';
}

/** Whether a cable goes between this output and this input. */
export function cableFits(cable: Cable, output: Output, input: Input): boolean {
  return mates(output.connector, cable.ends.source) !== 'no' && mates(cable.ends.load, input.connector) !== 'no';
}
