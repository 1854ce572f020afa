/** Typical values for what an item does not say; each shows as `assumed` in the answer. */
export const ASSUMED = {
  bankEfficiency: 0.88, // of 80-92 %
  converterEfficiency: 0.9,
  adapterStandbyW: 0.1,
  cableOhm: 0.08, // a metre of 0.75 mm² and two pairs of contacts
  adapterLeadOhm: 0.05,
  contactsOhm: 0.01,
} as const;
