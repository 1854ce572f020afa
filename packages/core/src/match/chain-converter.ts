import type { Converter } from '../circuit/network';
import { ASSUMED } from './assumed';
import type { Chain } from './chain';
import { missing } from './figure';
import type { Figure } from './figure';
import type { Finding } from './finding';

/** The adapter of a chain as a converter; undefined while its output voltage is not known. */
export function converterOf({ adapter }: Chain, figures: Figure[], lacking: Finding[]): Converter | undefined {
  if (!adapter) return undefined;
  const { voltageV } = adapter.output;
  if (voltageV === undefined) {
    lacking.push(
      missing(
        'voltage',
        'adapter',
        adapter.name,
        'its output voltage',
        'Read its label, or measure it with a meter before the camera is attached.',
      ),
    );
    return undefined;
  }
  const efficiency = adapter.efficiency ?? ASSUMED.adapterEfficiency;
  const standbyW = adapter.standbyW ?? ASSUMED.adapterStandbyW;
  figures.push(
    { role: 'adapter', name: 'Output', value: voltageV, unit: 'V', from: adapter.from?.voltageV ?? 'printed' },
    {
      role: 'adapter',
      name: 'Efficiency',
      value: efficiency,
      unit: 'fraction',
      from: adapter.efficiency === undefined ? 'assumed' : (adapter.from?.efficiency ?? 'printed'),
    },
    { role: 'adapter', name: 'Own draw', value: standbyW, unit: 'W', from: adapter.standbyW === undefined ? 'assumed' : 'printed' },
  );
  const { minV, maxV, startV } = adapter.input;
  return {
    outputV: voltageV,
    efficiency,
    standbyW,
    ...(minV !== undefined && { minInputV: minV }),
    ...(startV !== undefined && { startInputV: startV }),
    ...(maxV !== undefined && { maxInputV: maxV }),
  };
}
