/** The plugs of the crew's kit. */
export const bay = (family: string) => ({ type: 'bay', family }) as const;
export const DTAP = { type: 'd-tap' } as const;
export const USB_A = { type: 'usb-a' } as const;
export const USB_C = { type: 'usb-c' } as const;
export const V_MOUNT = { type: 'v-mount' } as const;
export const BARE = { type: 'bare', polarity: 'as-marked' } as const;
export const barrel = (polarity: 'centre-positive' | 'centre-negative') =>
  ({ type: 'barrel', outerMm: 5.5, innerMm: 2.1, polarity }) as const;
