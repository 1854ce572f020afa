import fc from 'fast-check';
import { adapter, answerTo, battery, BAY, BY_DTAP, CONTACTS, device, DTAP } from '../../testing/rig-parts';
import type { Parts } from '../../testing/rig-parts';
import type { Input, Output } from '../gear/port';
import { CHEMISTRIES } from '../tables/chemistries';

describe('laws', () => {
  const volts = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  const arbitraryParts: fc.Arbitrary<Parts> = fc
    .record({
      cells: fc.integer({ min: 1, max: 5 }),
      energyWh: volts(5, 150),
      powerW: volts(1, 40),
      minV: volts(2, 12),
      width: volts(0.5, 12),
      maxA: volts(0.3, 8),
      behind: fc.boolean(),
      outputV: volts(5, 12),
      startCharge: volts(0.2, 1),
      temperatureC: volts(-20, 30),
    })
    .map(({ cells, energyWh, powerW, minV, width, maxA, behind, outputV, startCharge, temperatureC }) => ({
      device: device({ ...BAY, minV, maxV: minV + width }, powerW),
      battery: battery(behind ? { ...DTAP, maxA } : { ...CONTACTS, maxA }, cells, energyWh),
      adapter: behind
        ? adapter({
            output: { connector: CONTACTS.connector, voltageV: outputV },
            input: { connector: DTAP.connector, minV, maxV: minV + width },
            ratedW: 60,
          })
        : undefined,
      rig: { startCharge, temperatureC },
    }));

  it('nothing is “good” when any moment of the discharge breaks a limit, looked at densely and apart from the findings', () => {
    let good = 0;
    fc.assert(
      fc.property(arbitraryParts, (parts) => {
        const answer = answerTo(parts);
        if (answer.verdict !== 'good' || !answer.run) return;
        good++;
        const input = parts.device.inputs[0] as Extract<Input, { takes: 'window' }>;
        const output = parts.battery.outputs[0] as Extract<Output, { gives: 'pack' }>;
        const gate = parts.adapter?.input ?? input;
        const full = CHEMISTRIES['li-ion'].fullCellV * parts.battery.cellsInSeries!;
        expect(full).toBeLessThanOrEqual(gate.maxV! * (1 + 1e-6));
        const { trace } = answer.run;
        expect(trace.length).toBeGreaterThan(20);
        for (const { packV, packA, feeds } of trace) {
          const ohm = parts.adapter ? 0.05 : 0.01;
          const arriving = packV - ohm * packA;
          expect(arriving).toBeGreaterThanOrEqual(gate.minV! - 1e-6);
          expect(packA).toBeLessThanOrEqual(output.maxA! + 1e-6);
          expect(feeds.at(-1)!.loadV).toBeGreaterThanOrEqual(input.minV! - 1e-6);
          expect(feeds.at(-1)!.loadV).toBeLessThanOrEqual(input.maxV! + 1e-6);
        }
        if (answer.run.endSoc <= 0.05) return;
        // what is left beside “good” is little, and told
        const left = answer.findings.find(({ code, verdict }) => code === 'charge-stranded' && verdict === 'note');
        expect(left?.numbers).toContainEqual({ name: 'charge left', value: answer.run.endSoc, unit: 'fraction' });
        expect(answer.run.endSoc).toBeLessThan(0.12);
      }),
      { numRuns: 4000, seed: 20260107 },
    );
    expect(good).toBeGreaterThan(30);
  });

  it('a figure taken away never makes an answer good', () => {
    const figures: readonly ((parts: Parts) => Parts)[] = [
      (parts) => ({ ...parts, battery: { ...parts.battery, energyWh: undefined } }),
      (parts) => ({ ...parts, device: { ...parts.device, draw: undefined } }),
      (parts) => ({ ...parts, device: { ...parts.device, inputs: [{ ...parts.device.inputs[0]!, minV: undefined }] } }),
      (parts) => ({ ...parts, device: { ...parts.device, inputs: [{ ...parts.device.inputs[0]!, maxV: undefined }] } }),
      (parts) => ({
        ...parts,
        battery: { ...parts.battery, outputs: [{ ...(parts.battery.outputs[0] as Extract<Output, { gives: 'pack' }>), maxA: undefined }] },
      }),
    ];
    fc.assert(
      fc.property(arbitraryParts, fc.constantFrom(...figures), (parts, without) => {
        expect(['unknown', 'stop']).toContain(answerTo(without(parts)).verdict);
      }),
      { numRuns: 500, seed: 5 },
    );
  });

  it('colder never runs longer', () => {
    fc.assert(
      fc.property(volts(-20, 24), volts(0.1, 20), (temperatureC, colder) => {
        const at = (celsius: number) => answerTo({ ...BY_DTAP, rig: { temperatureC: celsius } }).run!.minutes;
        expect(at(temperatureC - colder)).toBeLessThanOrEqual(at(temperatureC) + 1e-6);
      }),
      { numRuns: 60, seed: 9 },
    );
  });
});
