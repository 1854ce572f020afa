import { choice } from '../../shape';
import { CHEMISTRIES } from '../../tables';
import type { ChemistryId } from '../../tables';

export const chemistryField = choice(
  'Chemistry',
  Object.fromEntries(Object.entries(CHEMISTRIES).map(([id, { name }]) => [id, name])) as Record<ChemistryId, string>,
);

/** Volts of a cell on its charger at the end of a charge; none where it must not be charged. */
export const CHARGE_CELL_V: Readonly<Record<ChemistryId, number | undefined>> = {
  'li-ion': 4.2,
  'li-ion-hv': 4.35,
  lifepo4: 3.6,
  agm: 2.4,
  nimh: 1.5,
  alkaline: undefined,
};

export const isLithium = (chemistry: ChemistryId): boolean => ['li-ion', 'li-ion-hv', 'lifepo4'].includes(chemistry);
