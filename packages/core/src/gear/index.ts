export { isFlat, isReady, whyNotAtHand } from './at-hand';
export { batteryFigures } from './battery-figures';
export { batteryHealth, ENERGY_SPREAD, energyFrom, energyNow, energySpread } from './battery-health';
export type { BatteryHealth } from './battery-health';
export { connectorName, connectorShape, isMount, mates, polarityOf } from './connector';
export type { Connector } from './connector';
export { drawShape } from './draw-shape';
export type { Draw } from './draw-shape';
export { adapterFits, cableFits, FEED_KINDS, inputFor, outputFor } from './feed-kind';
export type { FeedKind } from './feed-kind';
export {
  asideShape,
  MOST_ASIDE,
  MOST_ASIDE_PATH,
  borrowedShape,
  idShape,
  localId,
  moment,
  name,
  onDate,
  provenanceShape,
  unknown,
  watts,
} from './fields';
export type { Borrowed, Provenance } from './fields';
export { withInput, withOutput, withTyped } from './edit-gear';
export { gearShape, gearTitle } from './gear';
export type { Adapter, Battery, Budget, Cable, Device, Gear, GearKind, GearOf, Hub, Mode, Needs, RecordingLimits, Supply } from './gear';
export { GENERIC_TRUNK } from './generic-kit';
export {
  baysOf,
  blankBattery,
  blankDevice,
  forBay,
  GENERIC_ADAPTERS,
  GENERIC_BATTERIES,
  GENERIC_CABLES,
  GENERIC_DEVICES,
  genericKit,
} from './generic';
export {
  BATTERY_CLASSES,
  batteryOfLabel,
  budgetsOfLabel,
  cellsMeant,
  drawText,
  LABEL_KINDS,
  LABEL_QUESTIONS,
  despeckled,
  grainOf,
  greyOf,
  labelMeaning,
  labelOfPicture,
  levelled,
  skewOf,
  smoothed,
  misleadingPairs,
  outputsOfLabel,
  readBatteryLabel,
  readDrawText,
  readLabel,
  readPortLabel,
  readProfiles,
  sayLabel,
} from './label';
export type {
  BatteryClassId,
  BatteryLabel,
  Label,
  LabelAnswers,
  LabelledBattery,
  LabelAsk,
  LabelKind,
  LabelMeaning,
  LabelPort,
  LabelProfile,
  LabelReads,
  PortLabel,
  Through,
  Grey,
  PictureLabel,
  RecognisedWord,
} from './label';
export { AWAY_FROM_CAMERA, MOUNT_PLACES } from './mount-shape';
export type { Covered, MountPlace } from './mount-shape';
export { nextTags, tagAfter } from './next-tag';
export { DIRTY_PANEL_SHARE, PANEL_SHARE } from './panel';
export { inputShape, outputShape } from './port';
export type { Input, Output, PoeClass } from './port';
export { meetsDirectly, portsOf } from './ports-of';
export type { Ports } from './ports-of';
export { balanceShape } from './rig/balance-shape';
export type { Balance } from './rig/balance-shape';
export { linksTo, withFeed, withLinks, withoutDevice, withoutFeed, withPartReplaced } from './rig/edit-links';
export { oneFeed } from './rig/one-feed';
export { batteriesOf } from './rig/rig-batteries';
export { DEFAULT_RESERVE, DEFAULT_SWAP_MIN, gearIdsOf, namedByRig, phaseShape, rigShape } from './rig/rig';
export type { Link, Named, Rig, RigPhase } from './rig/rig';
export { styleShape } from './rig/style';
export type { Style } from './rig/style';
export { unattendedShape } from './rig/unattended-shape';
export type { Unattended } from './rig/unattended-shape';
export { withoutSpares } from './rig/without-spares';
