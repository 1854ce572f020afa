export { balanceShape } from './balance-shape';
export type { Balance } from './balance-shape';
export { batteryFigures } from './battery-figures';
export { batteryHealth, energyFrom, energyNow } from './battery-health';
export type { BatteryHealth } from './battery-health';
export { connectorName, isMount, mates, polarityOf } from './connector';
export type { Connector } from './connector';
export { drawShape } from './draw-shape';
export type { Draw } from './draw-shape';
export { linksTo, withFeed, withLinks, withoutDevice, withoutFeed, withPartReplaced } from './edit-links';
export { adapterFits, cableFits, FEED_KINDS, inputFor, outputFor } from './feed-kind';
export type { FeedKind } from './feed-kind';
export { asideShape, idShape, localId, name, provenanceShape, unknown, watts } from './fields';
export type { Provenance } from './fields';
export { gearShape, gearTitle } from './gear';
export type { Adapter, Battery, Cable, Device, Gear, GearKind, GearOf, Hub, Mode, Needs, Supply } from './gear';
export { GENERIC_TRUNK } from './generic-kit';
export {
  blankBattery,
  blankDevice,
  forBay,
  GENERIC_ADAPTERS,
  GENERIC_BATTERIES,
  GENERIC_CABLES,
  GENERIC_DEVICES,
  genericKit,
} from './generic';
export { LABEL_KINDS, labelMeaning, misleadingPairs } from './label-meaning';
export type { LabelKind, LabelMeaning, Through } from './label-meaning';
export { nextTags, tagAfter } from './next-tag';
export { oneFeed } from './one-feed';
export { DIRTY_PANEL_SHARE, PANEL_SHARE } from './panel';
export { inputShape, outputShape } from './port';
export type { Input, Output } from './port';
export { meetsDirectly, portsOf } from './ports-of';
export type { Ports } from './ports-of';
export { batteriesOf } from './rig-batteries';
export { DEFAULT_RESERVE, DEFAULT_SWAP_MIN, gearIdsOf, namedByRig, phaseShape, rigShape } from './rig';
export type { Link, Named, Rig, RigPhase } from './rig';
export { styleShape } from './style';
export type { Style } from './style';
export { unattendedShape } from './unattended-shape';
export type { Unattended } from './unattended-shape';
export { withoutSpares } from './without-spares';
