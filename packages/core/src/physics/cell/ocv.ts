/** Open-circuit volts of one cell over state of charge, straight between points. */
export type OcvTable = readonly (readonly [soc: number, voltageV: number])[];

/**
 * Volts at a state of charge; outside the table its end points hold. Cost: one pass over the table.
 *
 * @example cellVoltage([[0, 3], [1, 4]], 0.25) // 3.25
 */
export function cellVoltage(table: OcvTable, soc: number): number {
  const last = table.length - 1;
  if (last < 1) return table[0]![1];
  // asked for millions of times: no destructuring, which makes iterators
  let index = 1;
  while (index < last && soc > table[index]![0]) index++;
  const upper = table[index]!;
  const lower = table[index - 1]!;
  const share = (soc - lower[0]) / (upper[0] - lower[0]);
  if (share <= 0) return lower[1];
  return share >= 1 ? upper[1] : lower[1] + share * (upper[1] - lower[1]);
}

/**
 * Mean open-circuit volts of one cell from empty up to a state of charge, times that charge: the area under the curve.
 * With amp-hours and the cells in series it is the energy still in the pack.
 *
 * @example ocvArea([[0, 3], [1, 4]], 1) // 3.5
 */
export function ocvArea(table: OcvTable, upTo: number, from = 0): number {
  let area = 0;
  for (let index = 1; index < table.length; index++) {
    const low = Math.max(from, table[index - 1]![0]);
    const high = Math.min(upTo, table[index]![0]);
    if (high > low) area += (high - low) * ((cellVoltage(table, low) + cellVoltage(table, high)) / 2);
  }
  return area;
}

/** The state of charge at which a cell's open-circuit voltage is reached; 0 when it never falls so low. */
export function socAtVoltage(table: OcvTable, voltageV: number): number {
  if (table[0]![1] >= voltageV) return table[0]![0];
  for (let index = 1; index < table.length; index++) {
    const [soc1, volts1] = table[index]!;
    if (volts1 < voltageV) continue;
    const [soc0, volts0] = table[index - 1]!;
    return soc0 + ((soc1 - soc0) * (voltageV - volts0)) / (volts1 - volts0);
  }
  return 1;
}
