import type { NoNumbers, Said } from '../../said';

/** What this room says, by code: the numbers of each sentence. */
export interface FlySays {
  'may-not-fly': { readonly id: string };
  'run-down-before': { readonly id: string; readonly mostCharge: number };
  'charged-at-most': { readonly mostCharge: number; readonly charge: number | undefined };
  'not-on-board': NoNumbers;
  damaged: NoNumbers;
  'dry-cells': NoNumbers;
  'over-approval': { readonly energyWh: number; readonly approvalWh: number };
  'needs-approval': {
    readonly energyWh: number;
    readonly freeWh: number;
    readonly role: 'spare' | 'installed';
    readonly approvalSpares: number;
  };
  'home-made': { readonly energyWh: number };
  'flies-free': { readonly energyWh: number; readonly freeWh: number; readonly role: 'spare' | 'installed' };
  'metal-over': { readonly lithiumG: number; readonly approvalLithiumG: number };
  'metal-approval': { readonly lithiumG: number; readonly freeLithiumG: number };
  'metal-free': { readonly lithiumG: number; readonly freeLithiumG: number };
  spillable: NoNumbers;
  'lead-acid-volts': { readonly energyWh: number; readonly voltageV: number; readonly leadAcidV: number };
  'lead-acid-over': { readonly energyWh: number; readonly leadAcidWh: number };
  'lead-acid-free': { readonly energyWh: number; readonly leadAcidV: number; readonly leadAcidSpares: number };
  'leave-home': { readonly ids: readonly string[] };
  'one-person-more': { readonly more: number };
  'people-more': { readonly more: number; readonly people: number };
}
export type FlySaid = Said<FlySays>;
