import type { Finding } from '../findings';
import type { NoNumbers, Said } from '../said';
import type { Approach } from './approach';

/** What this room says, by code: the numbers of each sentence. */
export interface FeedSays {
  /** What a finding says. */
  finding: { readonly finding: Finding };
  'device-has-none': { readonly name: string; readonly reason: FeedSaid | undefined };
  /** What nothing in the kit or on sale does for it, and what would have to be made. */
  'device-needs': { readonly name: string; readonly parts: readonly string[] };
  away: { readonly away: string };
  'in-a-circle': NoNumbers;
  'outputs-in-use': NoNumbers;
  'already-spare': NoNumbers;
  'both-sockets': { readonly there: string };
  'does-not-fit': { readonly from: string; readonly there: string; readonly halfway: boolean };
  'nothing-gives': {
    readonly name: string;
    readonly inlets: readonly { readonly connector: string; readonly minV: number | undefined; readonly maxV: number | undefined }[];
  };
  'not-every-device': { readonly approach: Approach };
}
export type FeedSaid = Said<FeedSays>;
