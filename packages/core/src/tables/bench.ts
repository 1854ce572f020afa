/** Volts to which a contact that hangs on nothing may drift on a meter of ten megohms. */
export const FLOATS_V = 0.2;

/** A full battery rests so much above one that was in use for an hour: what is within it is the charge, not the contact. */
export const CHARGE_SHARE = 0.15;

/** A sound feed of this kind loses less of its volts to a lamp; what loses more flashes and dies. */
export const SAG_SHARE = 0.08;

/** Below this share of the original's ohms a contact is held to minus. */
export const HELD_SHARE = 0.02;

/** A thermistor moves so much between a cold and a warm room. */
export const WARMTH_SHARE = 0.5;

/** Groups of a sound pack lie within so much of their charge. */
export const CHARGE_WITHIN = 0.05;

/** Under load resistances differ too, by so much of the volts. */
export const LOADED_SHARE = 0.02;

/** Below so many times the meter’s own error there is nothing. */
export const NOTHING_TIMES = 10;

/** Off by so many times what an even pack shows, it is done with. */
export const DONE_WITH = 5;

/** Of what is expected at the least: below it there is nothing, and a meter that only drifts shows as much. */
export const NOTHING_SHARE = 0.05;

/** Across a lead: so many times what a conductor may have is still a short, not dirt. */
export const SHORT_TIMES = 100;

/** By how much a charge that was looked at, on four lights or a rest voltage, may be off. */
export const CHARGE_OFF = 0.1;
