import Papa from 'papaparse';
import { LOW_WATER } from '../demo/low-water';
import { LOW_WATER_LOG, lowWaterRecording } from '../demo/low-water-log';
import { learnedDraws } from '../measure/learning/log-draws';
import { drawsToCsv, observationsToCsv, segmentsToCsv, slotsToCsv } from './log-csv';

const { entry, slots } = lowWaterRecording();
const log = {
  observations: LOW_WATER_LOG,
  recordings: [entry],
  gear: new Map(LOW_WATER.gear.map(({ id, body }) => [id, body])),
  rigs: new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body])),
};
const rowsOf = (text: string) => Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data;

describe('the log as tables', () => {
  it('has every observation with what it was made with by name', () => {
    const rows = rowsOf(observationsToCsv(log));
    expect(rows).toHaveLength(LOW_WATER_LOG.length);
    expect(rows[0]).toMatchObject({
      kind: 'Run-down, full to dead',
      at: '2026-01-03',
      device: 'Skuadon 60',
      battery: 'V1: Holmvik 95',
      rig: 'Wheelhouse',
      temperatureC: '18',
      minutes: '303',
      note: 'Guest house, 4K 25p, lens cap on.',
    });
    expect(rows.find(({ kind }) => kind === 'Swap or death on set')).toMatchObject({ ended: 'died' });
  });

  it('has every segment, every draw with its way, and every slot that holds something', () => {
    expect(rowsOf(segmentsToCsv(log)).map(({ mode, name }) => mode || name)).toEqual(['off', 'usual', 'off', 'usual']);
    const draws = rowsOf(drawsToCsv(learnedDraws(log)));
    expect(draws.map(({ device, unit, from }) => [device, unit, from])).toEqual([['Skuadon 60', 'W', 'measured'], ['Plovera R', 'W', 'printed']]); // prettier-ignore
    expect(draws[1]!['formulas']).toContain('put back');
    expect(rowsOf(slotsToCsv(slots))).toHaveLength(9000);
  });
});
