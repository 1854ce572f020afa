/** Open-circuit volts of one cell over state of charge, straight between points. */
export type OcvTable = readonly (readonly [soc: number, voltageV: number])[];

/**
 * Volts at a state of charge; outside the table its end points hold. Cost: one pass over the table.
 *
 * @example cellVoltage([[0, 3], [1, 4]], 0.25) // 3.25
 */
export function cellVoltage(table: OcvTable, soc: number): number {
  for (let index = 1; index < table.length; index++) {
    const [soc1, volts1] = table[index]!;
    if (soc > soc1 && index < table.length - 1) continue;
    const [soc0, volts0] = table[index - 1]!;
    const share = Math.min(1, Math.max(0, (soc - soc0) / (soc1 - soc0)));
    return volts0 + share * (volts1 - volts0);
  }
  return table[0]![1];
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
