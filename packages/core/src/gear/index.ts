export { batteryFigures, isBare, isUncut } from './battery-figures';
export type { BatteryFigures } from './battery-figures';
export { connectorName, connectorShape, isMount, mates } from './connector';
export type { Connector } from './connector';
export { drawShape } from './draw-shape';
export type { Draw } from './draw-shape';
export { withInput, withOutput, withTyped } from './edit-gear';
export { adapterFits, cableFits, FEED_KINDS, inputFor, outputFor } from './feed-kind';
export type { FeedKind } from './feed-kind';
export {
  asideShape,
  borrowedShape,
  idShape,
  localId,
  moment,
  MOST_ASIDE,
  MOST_ASIDE_PATH,
  name,
  onDate,
  provenanceShape,
  unknown,
  watts,
} from './fields';
export type { Borrowed, Provenance } from './fields';
export { gearShape, gearTitle } from './gear';
export type { Adapter, Battery, Budget, Cable, Device, Gear, GearKind, GearOf, Hub, Mode, Needs, RecordingLimits, Supply } from './gear';
export { AWAY_FROM_CAMERA, MOUNT_PLACES, mountPlaceShape } from './mount-shape';
export type { Covered, MountPlace } from './mount-shape';
export { DIRTY_PANEL_SHARE, PANEL_SHARE } from './panel';
export { handedOnPlus, isContactToContact, plusMeets, plusOn } from './plus';
export type { Plus } from './plus';
export { inputShape, outputShape } from './port';
export type { Input, Output } from './port';
export { ADAPTER_IN, ADAPTER_OUT, meetsDirectly, portsOf } from './ports-of';
export type { Ports } from './ports-of';
