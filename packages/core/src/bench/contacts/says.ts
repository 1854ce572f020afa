import type { Said } from '../../said';

/** What this room says, by code: the numbers of each sentence. */
export interface TapSays {
  'tap-weak': { readonly group: number; readonly volts: number; readonly expectedV: number };
  'tap-high': { readonly group: number; readonly volts: number; readonly expectedV: number };
  'tap-deep': { readonly group: number; readonly volts: number };
  'tap-over': { readonly group: number; readonly volts: number };
  'tap-reversed': { readonly group: number; readonly volts: number };
  'tap-dead': { readonly group: number };
  'taps-even': { readonly withinV: number; readonly expectedV: number };
}
export type TapSaid = Said<TapSays>;
