import type { Battery, Device, Gear, Input, Output } from '@viaggio/core';

/** A change to a piece of gear, with the field that was changed: what one undo takes back. */
export interface GearEdit<G extends Gear = Gear> {
  readonly body: G;
  readonly field: string;
}

type Changes<T> = { readonly [K in keyof T]?: T[K] | undefined };

/** A copy with the changes in; a change to `undefined` takes the figure out. */
export function changed<T extends object>(body: T, changes: object): T {
  return Object.fromEntries(Object.entries({ ...body, ...changes }).filter(([, value]) => value !== undefined)) as T;
}

/** The same for a figure that a person typed: what was a guess is now printed. */
export function typed<G extends Gear>(body: G, changes: Changes<G>, figure: string): G {
  const from: Readonly<Record<string, string | undefined>> = ('from' in body && body.from) || {};
  const kept = from[figure] === 'measured' ? 'measured' : 'printed';
  return changed(body, { ...changes, from: { ...from, [figure]: kept } });
}

export function withInput(device: Device, inputId: string, changes: object): Device {
  return { ...device, inputs: device.inputs.map((input): Input => (input.id === inputId ? changed(input, changes) : input)) };
}

export function withOutput(battery: Battery, outputId: string, changes: object): Battery {
  return { ...battery, outputs: battery.outputs.map((output): Output => (output.id === outputId ? changed(output, changes) : output)) };
}
