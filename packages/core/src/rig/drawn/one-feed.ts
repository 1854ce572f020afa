import { ADAPTER_IN, ADAPTER_OUT } from '../../gear';
import type { Link, Rig } from './rig';

/** One device on one battery, with what goes between: the parts that the three questions ask for. */
export interface OneFeed {
  readonly deviceId: string;
  readonly inputId: string;
  readonly batteryId: string;
  readonly outputId: string;
  readonly cableId?: string | undefined;
  readonly adapterId?: string | undefined;
}

/**
 * The device and links of a rig of one device on one battery: battery, maybe a cable, maybe an adapter, device.
 *
 * @example oneFeed({ deviceId: 'camera', inputId: 'bay', batteryId: 'pack', outputId: 'd-tap', adapterId: 'adapter' }).links.length // 2
 */
export function oneFeed({ deviceId, inputId, batteryId, outputId, cableId, adapterId }: OneFeed): Pick<Rig, 'devices' | 'links'> {
  const from = { gearId: batteryId, portId: outputId };
  const to = { gearId: deviceId, portId: inputId };
  const cable = cableId !== undefined && { cableId };
  const links: readonly Link[] =
    adapterId === undefined
      ? [{ from, to, ...cable }]
      : [
          { from, to: { gearId: adapterId, portId: ADAPTER_IN }, ...cable },
          { from: { gearId: adapterId, portId: ADAPTER_OUT }, to },
        ];
  return { devices: [{ gearId: deviceId }], links };
}
