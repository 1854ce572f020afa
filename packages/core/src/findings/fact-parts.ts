import type { Gear, MountPlace } from '../gear';
import type { Contract } from '../physics/usb';
/** What a meter said at a joint that keeps what lies behind from being powered. */
export type MeasuredWrong = 'reversed' | 'nothing-there' | 'too-high' | 'too-low' | 'broken' | 'short' | 'too-far-apart';

/** Where a thing is that cannot be taken. */
export type Away = NonNullable<Gear['away']> | 'archived';

/** A mode's or feature's condition that its feed does not meet, or that cannot be judged. */
export type Need =
  | { readonly need: 'contract-unknown' | 'volts-unknown' | 'no-battery' }
  | { readonly need: 'contract'; readonly needW: number; readonly givenW: number }
  | { readonly need: 'delivery'; readonly needW: number }
  | { readonly need: 'volts'; readonly needV: number; readonly startV: number; readonly endV: number }
  | { readonly need: 'recognised' | 'recognition-unknown'; readonly battery: string };

/** What a camera cannot see any more of gear that was changed by hand. */
export type Unseen = 'charge' | 'temperature' | 'make';

export interface VoltageRange {
  /** What gives the voltage. */
  readonly supply: string;
  readonly highV: number;
  readonly lowV: number;
}

export interface Window {
  /** What accepts it: a device's input, or a part. */
  readonly place: string;
  readonly minV: number | undefined;
  readonly maxV: number | undefined;
}

export interface ShortContract {
  readonly device: string;
  readonly contract: Contract;
  readonly needW: number;
  /** It asks for that much, and takes nothing below. */
  readonly refuses: boolean;
  /** Watts that its own battery adds; undefined where it runs on the contract or not at all. */
  readonly addedW: number | undefined;
  /** A better cable would do; undefined where the source is what limits. */
  readonly cableEnd: 'usb-a' | 'usb-c' | undefined;
}

export interface Contacts {
  readonly device: string;
  readonly port: string;
  readonly source: string;
}

/** A part that joins two sources. */
export interface Pair {
  readonly hub: string;
  readonly one: string;
  readonly other: string;
}

export interface Lasting {
  readonly wantedMin: number;
  readonly plannedMin: number;
  readonly firstStopMin: number;
  /** Of it without power while batteries are changed. */
  readonly gapMin: number;
}

export interface Standing {
  readonly edge: string;
  readonly marginMm: number;
  readonly marginShare: number;
  readonly alongMm: number;
  readonly massG: number;
  readonly angleDeg: number | undefined;
  readonly counterweightG: number | undefined;
  readonly ballastG: number | undefined;
}

export interface Payload {
  readonly massG: number;
  readonly payloadG: number;
}

/** What sits in one place of a device, and what the mount there carries. */
export interface Mounted {
  readonly device: string;
  readonly place: MountPlace;
  readonly maxG: number;
  readonly massG: number;
  readonly parts: readonly string[];
  readonly unweighed: readonly string[];
}
