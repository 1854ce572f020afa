import type { Connector } from '..';

/** Connectors of generic gear. */
export const bay = (family: string): Connector => ({ type: 'bay', family });

export const DTAP: Connector = { type: 'd-tap' };

export const USB_A: Connector = { type: 'usb-a' };

export const USB_C: Connector = { type: 'usb-c' };

export const V_MOUNT: Connector = { type: 'v-mount' };

export const TERMINALS: Connector = { type: 'bare', polarity: 'as-marked' };

export const BARREL: Connector = { type: 'barrel', outerMm: 5.5, innerMm: 2.1, polarity: 'centre-positive' };

export const onMount = { takes: 'window', id: 'mount', name: 'Mount', connector: V_MOUNT, minV: 11, maxV: 17 } as const;
