import { guessColumns } from '@viaggio/core/measure';
import type { MeterColumns } from '@viaggio/core/measure';
import { field, pick, textOf } from '../../../../../../testing/component';
import { render } from '../../../../../../testing/sheet';
import { ColumnsEditor } from './columns-editor';

describe('how a file is understood', () => {
  const SAMPLE = 'Zeit;Strom [mA];Spannung [V]\n0,0;1000;8,0\n0,5;2000;8,0\n1,0;1000;8,0\n1,5;10';
  const columns = (): MeterColumns => {
    const guessed = guessColumns(SAMPLE);
    if (!guessed.ok) throw new Error(guessed.issue.message);
    return guessed.columns;
  };

  it('is told by its first rows, and every correction is passed on', async () => {
    const fixture = await render(ColumnsEditor, { columns: columns(), sample: SAMPLE, isCut: true });
    const passed: MeterColumns[] = [];
    fixture.componentInstance.columnsChange.subscribe((one) => passed.push(one));
    expect(textOf(fixture)).toContain('The first 3 rows: one every 0.5 s, 10.7 W on average.');
    const select = (label: string) => (fixture.nativeElement as HTMLElement).querySelector<HTMLSelectElement>(`[aria-label="${label}"]`)!;
    await pick(fixture, select('Unit of Strom [mA]'), '1');
    expect(passed.at(-1)!.columns[1]!.scale).toBe(1);
    await pick(fixture, select('What Zeit holds'), 'current');
    expect(passed.at(-1)!.columns.map(({ role }) => role)).toEqual(['current', 'none', 'voltage']);
    await pick(fixture, field<HTMLSelectElement>(fixture, 'Columns apart by'), ',');
    expect(passed.at(-1)!.columns).toHaveLength(3); // the first row of figures has two commas
  });
});
