export {
  ASSUMED,
  ASSUMED_CHARGE_CELL_V,
  BANK_LEAST_A,
  CHARGE_CELL_V,
  PACK_LIMIT_C,
  timesFigure,
  TRANSFORMER_IDLE,
  USB_5V_WINDOW,
  valueInRange,
  VEHICLE_V,
} from './assumed';
export type { Assumption } from './assumed';
export {
  CHARGE_OFF,
  CHARGE_SHARE,
  CHARGE_WITHIN,
  DONE_WITH,
  FLOATS_V,
  HELD_SHARE,
  LOADED_SHARE,
  NOTHING_SHARE,
  NOTHING_TIMES,
  SAG_SHARE,
  SHORT_TIMES,
  WARMTH_SHARE,
} from './bench';
export { CHARGER_EFFICIENCY, COLDEST_CHARGE_C, FULL_SHARE, LEAD_RATE, OWN_CHARGE_EFFICIENCY, TAPER_POWER, TAPER_SOC } from './charging';
export { CHEMISTRIES, isLithium, isPrimary, LITHIUM_CHEMISTRIES, LITHIUM_G_PER_AH } from './chemistries';
export type { Chemistry, ChemistryId } from './chemistries';
export { COLD_TABLES, LEAST_LEFT_BY_AGE, LOST_PER_CYCLE, LOST_PER_YEAR, LOWEST_KNOWN_C } from './cold-and-age';
export {
  AMPACITY,
  COPPER_AT_C,
  COPPER_OHM_MM2_PER_M,
  copperWarmth,
  FUSE_FORGIVES,
  FUSE_MARGIN,
  FUSE_SIZES_A,
  GAUGES_AWG,
  RATING_BEARS,
  RATING_MARGIN,
  USUAL_AMBIENT_C,
  USUAL_DROP_SHARE,
  WARM_ENOUGH_C,
} from './conductors';
export { CONTRADICTS } from './contradictions';
export { LEAST_GAP_MIN, ONE_VISIT_MIN, PAUSE_STEP_MIN, ROUGH_GAP_MIN, ROUND_MIN, SAME_DARK_MIN } from './days';
export { CAUSE_IDS, CAUSES } from './faults/causes';
export type { Cause, CauseId, FaultPart, Symptom } from './faults/causes';
export { chancesOf, FAULT_TEST_IDS, FAULT_TESTS } from './faults/tests';
export type { FaultTest, FaultTestId } from './faults/tests';
export {
  FACT_TIMES,
  FAULT_PROVEN,
  FAULT_SURE,
  FINDING_SPEAKS,
  MEASURED_SPEAKS,
  RARE_CAUSE,
  RISKS_REVERSED,
  STATE_SPEAKS,
  TEST_BEGINNING_MIN,
  TEST_LEAST_BITS,
} from './faults/weights';
export { STYLE_WEIGHTS } from './feed-weights';
export { RULES_OLD_MONTHS, USUAL_FLIGHT_LIMITS } from './flight-limits';
export { GAUGE_BARS, GAUGE_CLOSE, PERCENT_STEPS } from './gauges';
export { JOIN_C, JOIN_TOLD_SHARE } from './joining';
export {
  ASSUMED_LEAD_TAKES,
  COMFORTABLE_SHARE,
  DROPOUT_V,
  HOT_REGULATOR_W,
  isAbove,
  LITTLE_LEFT,
  METER_SHOWS,
  NEAR_LIMIT,
  NEAR_LOW_V,
  ROUNDING,
  TOUCH_SAFE_V,
} from './limits';
export { BAG_COST, GRAVITY_M_S2, SAFE_MARGIN } from './loads';
export { POE_V, POE_W } from './poe';
export { DRAW_SPREAD, EFFICIENCY_SPREAD, TEMPERATURE_SPREAD_C } from './spreads';
export { AXIS_TILT, CLEAR_SHARE, CLOUDY_SHARE, DISTANCE_SWING, MID_MONTH, MJ_PER_KWH, SOLAR_CONSTANT, SPRING_TURN, SUN_SHARE } from './sun';
export { COLD_BATTERY_C, ROOM_TEMPERATURE_C } from './temperatures';
export {
  CONTRACT_SHARE,
  HIGHEST_WITHOUT_EXTENDED_V,
  LEGACY_A,
  PLAIN_MOST_V,
  PLAIN_V,
  PROFILE_STEPS,
  PROGRAMMABLE_STEP_V,
  STANDARD_RANGE_V,
  TYPE_C_A,
} from './usb';
