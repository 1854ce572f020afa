import { isSocketed } from './connector';
import type { Adapter, Budget, Gear } from './gear';
import type { Input, Output } from './port';

export interface Ports {
  readonly inputs: readonly Input[];
  readonly outputs: readonly Output[];
  readonly budgets: readonly Budget[];
}

/** The ids of an adapter's two ends, which the adapter itself does not name. */
export const ADAPTER_IN = 'in';
export const ADAPTER_OUT = 'out';

/**
 * All that a piece of gear takes and gives, whatever its kind; a cable and a charger have no ports of this sort.
 *
 * @example portsOf(gear.get(cameraId)).inputs.length // 2
 */
export function portsOf(gear: Gear): Ports {
  switch (gear.kind) {
    case 'battery':
    case 'supply':
      return { inputs: [], outputs: gear.outputs, budgets: gear.budgets ?? [] };
    case 'device':
    case 'hub':
      return { inputs: gear.inputs, outputs: gear.outputs ?? [], budgets: gear.budgets ?? [] };
    case 'adapter':
      return { inputs: [adapterInput(gear)], outputs: [adapterOutput(gear)], budgets: [] };
    case 'cable':
    case 'charger':
      return { inputs: [], outputs: [], budgets: [] };
  }
}

function adapterInput({ input, name, works, linear, output }: Adapter): Input {
  const { connector, maxV, startV, maxA, triggerV, programmable } = input;
  if (triggerV !== undefined) {
    const asks = { minV: triggerV, maxV: triggerV, ...(programmable !== undefined && { programmable }) };
    return { takes: 'pd', id: ADAPTER_IN, name: `input of ${name}`, connector, ...asks, sink: 'runs', lead: true };
  }
  // what only steps down needs at least what it gives
  const stepsDown = (linear || works === 'down') && !output.passThrough;
  const minV = stepsDown && output.voltageV !== undefined ? Math.max(input.minV ?? 0, output.voltageV) : input.minV;
  return {
    takes: 'window',
    id: ADAPTER_IN,
    name: `input of ${name}`,
    connector,
    lead: true,
    ...(minV !== undefined && { minV }),
    ...(maxV !== undefined && { maxV }),
    ...(startV !== undefined && { startV }),
    ...(maxA !== undefined && { maxA }),
  };
}

/** An adapter that hands its voltage on, or whose output nobody typed, gives what comes in. */
function adapterOutput({ output, name, efficiency, standbyW, ...adapter }: Adapter): Output {
  const { connector, voltageV, maxA, passThrough, pins } = output;
  const works = adapter.linear ? 'down' : adapter.works;
  const known = { ...(maxA !== undefined && { maxA }), ...(pins !== undefined && { pins }) };
  const base = { id: ADAPTER_OUT, name: `output of ${name}`, connector, lead: true, ...known };
  if (passThrough || voltageV === undefined) return { gives: 'pack', ...base };
  return {
    gives: 'fixed',
    ...base,
    voltageV,
    ...(efficiency !== undefined && { efficiency }),
    ...(standbyW !== undefined && { standbyW }),
    ...(works !== undefined && { works }),
  };
}

/** Whether an output and an input meet without a cable between: one of them is a plug, or a mount. */
export function meetsDirectly(output: Output, input: Input): boolean {
  return !isSocketed(output.connector) || output.lead === true || input.lead === true;
}
