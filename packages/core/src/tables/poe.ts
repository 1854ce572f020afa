/** Volts at the device end of a network cable that carries power (IEEE 802.3). */
export const POE_V = { lowV: 37, highV: 57 } as const;

/** Watts at the device by class (IEEE 802.3). */
export const POE_W = { af: 12.95, at: 25.5, 'bt-51': 51, 'bt-71': 71.3 } as const;
