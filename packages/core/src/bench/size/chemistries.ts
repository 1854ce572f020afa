import { choice } from '../../shape';
import { CHEMISTRIES } from '../../tables';
import type { ChemistryId } from '../../tables';

export const chemistryField = choice(
  'Chemistry',
  Object.fromEntries(Object.entries(CHEMISTRIES).map(([id, { name }]) => [id, name])) as Record<ChemistryId, string>,
);
