import type { ChemistryId } from './chemistries';

/**
 * Times its amp-hours that the smaller of two packs takes from the other at the moment of joining; more is harm. None where
 * packs of that kind are never joined. Judgement, 2026-11, after makers' charge limits.
 */
export const JOIN_C: Readonly<Record<ChemistryId, number | undefined>> = {
  'li-ion': 0.5,
  'li-ion-hv': 0.5,
  lifepo4: 0.5,
  agm: 0.2,
  nimh: undefined,
  alkaline: undefined,
  'lithium-metal': undefined,
};

/** Share of that from which on a current between two packs is told. */
export const JOIN_TOLD_SHARE = 0.05;
