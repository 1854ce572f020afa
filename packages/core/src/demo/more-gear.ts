import type { Gear } from '../gear';
import { demoId } from './demo-id';
import { BATTERIES } from './more-batteries';
import { BENCH } from './more-bench';
import { BETWEEN } from './more-between';
import { CABLES, CHARGERS } from './more-cables';
import { DEVICES } from './more-devices';

/**
 * The rest of the crew's kit. Makers and models are invented; the figures are plausible for their class. It holds the
 * troubles that the program is to find: a lead of the wrong polarity, a plate that will not start, packs that may not
 * fly, a gauge that lies, a battery that a mode refuses.
 */
// what comes new comes last: identifiers follow from the order
const MORE = { ...DEVICES, ...BATTERIES, ...BETWEEN, ...CABLES, ...CHARGERS, ...BENCH };
export type MoreGear = keyof typeof MORE;
export const MORE_GEAR: Readonly<Record<MoreGear, Gear>> = MORE;

const KEYS = Object.keys(MORE) as MoreGear[];
export const moreId = (key: MoreGear): string => demoId(1001 + KEYS.indexOf(key));
