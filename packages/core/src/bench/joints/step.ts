import type { Connector } from '../../gear';
import type { MeterAccuracy } from '../sheet';

/** What a part that is plugged in next stands; undefined where nobody entered it. */
export interface NextPart {
  readonly name: string;
  readonly minV: number | undefined;
  readonly maxV: number | undefined;
}

/** An output of a part; `port` where it has several. */
export interface NamedOutput {
  readonly port: string | undefined;
  readonly part: string;
}

/** Where a step is measured. */
export type StepPlace = (
  | { readonly is: 'conductor'; readonly lead: string; readonly conductor: 'plus' | 'minus' | 'both' }
  | { readonly is: 'lead-end'; readonly lead: string; readonly from: NamedOutput }
  | { readonly is: 'contacts'; readonly of: string }
  | { readonly is: 'output'; readonly from: NamedOutput }
  | { readonly is: 'between'; readonly one: string; readonly other: string; readonly hub: string }
) & {
  readonly withLamp?: true;
  /** The source, where a second one reaches the joint too. */
  readonly fedBy?: string;
};

/** What the probes, or an inline meter, are held to. */
export type Probes =
  | { readonly with: 'meter-between'; readonly lead: string | undefined; readonly from: NamedOutput; readonly to: string }
  | {
      readonly with: 'conductor';
      readonly sign: 'plus' | 'minus';
      readonly source: Connector;
      readonly load: Connector;
      readonly to: string;
    }
  | { readonly with: 'one-end' }
  | { readonly with: 'two-batteries'; readonly one: string; readonly other: string }
  | { readonly with: 'contacts'; readonly connector: Connector };

/** One joint to be measured before what lies behind it is connected. */
export interface CheckStep {
  readonly id: string;
  /**
   * `lead`: one conductor, unpowered, ohms; `across`: both, unpowered, nothing; `open`: volts with nothing behind;
   * `loaded`: the same with a lamp on it; `attached`: volts with an inline meter, the device on; `apart`: volts between two
   * batteries that are about to be joined.
   */
  readonly is: 'lead' | 'across' | 'open' | 'loaded' | 'attached' | 'apart';
  readonly at: StepPlace;
  /** Where red and black go. */
  readonly probes: Probes;
  /** What the probes stand on; undefined for an inline meter. */
  readonly connector: Connector | undefined;
  /** Undefined where a figure is missing without which nothing can be expected. */
  readonly minV: number | undefined;
  readonly maxV: number | undefined;
  /** Of one conductor by itself; across both there is more than that, or a short. */
  readonly maxOhm: number | undefined;
  /** About what hangs on it: with a dummy load or a lamp of so much; undefined where nothing does. */
  readonly loadW: number | undefined;
  readonly next: NextPart;
  /** The most that what feeds the joint may ever give: a full battery, a regulated output. */
  readonly highV: number | undefined;
  /** Of two batteries about to be joined: the ohms between them, and the most amps that the smaller one takes. */
  readonly joining?: { readonly ohm: number; readonly limitA: number };
  /** What the meter may be off. */
  readonly meter: MeterAccuracy;
  /** Steps before it on the same way, nearest the source first: a stop of one closes this. */
  readonly after: readonly string[];
  /** The part that feeds the joint, and the lead between: what a reading that is not as expected may correct. */
  readonly fromId: string;
  readonly cableId: string | undefined;
  /** What it rests on, shortened: another means that it is to be measured again. A charge does not count. */
  readonly facts: string;
}
