/** Why a device is dark in a block. */
export type Dark = 'change' | 'empty-seat' | 'gave-out';
