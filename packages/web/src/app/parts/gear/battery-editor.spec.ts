import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { blankBattery, GENERIC_BATTERIES } from '@viaggio/core/gear';
import type { Battery } from '@viaggio/core/gear';
import { field, textOf, type } from '../../../../testing/component';
import { BatteryEditor } from './battery-editor';

let fixture: ComponentFixture<BatteryEditor>;
let edits: { body: Battery; field: string }[];

async function show(battery: Battery, outputId = battery.outputs[0]!.id): Promise<void> {
  fixture = TestBed.createComponent(BatteryEditor);
  edits = [];
  fixture.componentInstance.edit.subscribe((edit) => {
    edits.push(edit);
    fixture.componentRef.setInput('battery', edit.body);
  });
  fixture.componentRef.setInput('battery', battery);
  fixture.componentRef.setInput('outputId', outputId);
  await fixture.whenStable();
}
const last = () => edits.at(-1)!.body;

describe('the battery editor', () => {
  it('takes energy, volts and cells from the label', async () => {
    await show(blankBattery('camera', 'pack'));
    await type(fixture, 'What its label says', '11,1V 4400mAh');
    expect(last()).toMatchObject({ energyWh: 48.84, nominalV: 11.1, cellsInSeries: 3, from: { energyWh: 'printed' } });
    expect(textOf(fixture)).toContain('Read as 48.8 Wh (11.1 V × 4.4 Ah), 3 cells in series.');
  });

  it('asks when the label cannot be understood, and leaves the battery alone', async () => {
    await show(GENERIC_BATTERIES[0]!);
    await type(fixture, 'What its label says', '2040 mAh');
    expect(edits).toEqual([]);
    expect(textOf(fixture)).toContain('Expected the volts beside the mAh');
    expect(field(fixture, 'What its label says').getAttribute('aria-invalid')).toBe('true');
  });

  it('keeps cells that a label does not contradict', async () => {
    await show(blankBattery('v-mount', 'pack'));
    await type(fixture, 'What its label says', '95Wh');
    expect(last()).toMatchObject({ energyWh: 95, cellsInSeries: 4 });
    expect(last().nominalV).toBeUndefined();
  });

  it('turns a guess into a printed figure when it is typed, and lets it be called measured', async () => {
    await show(GENERIC_BATTERIES[0]!);
    expect(field<HTMLSelectElement>(fixture, 'This figure is').value).toBe('guess');
    await type(fixture, 'Energy', '7.4');
    expect(last().from?.energyWh).toBe('printed');
    const select = field<HTMLSelectElement>(fixture, 'This figure is');
    select.value = 'measured';
    select.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    await type(fixture, 'Energy', '7.1');
    expect(last()).toMatchObject({ energyWh: 7.1, from: { energyWh: 'measured' } });
  });

  it('can make a figure unknown again', async () => {
    await show(GENERIC_BATTERIES[0]!);
    await type(fixture, 'Energy', '');
    expect('energyWh' in last()).toBe(false);
    await type(fixture, 'Contacts allows', '');
    expect('maxA' in last().outputs[0]!).toBe(false);
  });

  it('reads a port’s label, and a Power Delivery port’s own list', async () => {
    await show(blankBattery('bank', 'fixed'));
    await type(fixture, 'What the port says', '5V⎓2.4A');
    expect(last().outputs[0]).toMatchObject({ voltageV: 5, maxA: 2.4 });
    await show(blankBattery('bank', 'pd'));
    expect(textOf(fixture)).toContain('Offers an unknown list.');
    await type(fixture, 'Rating of the port', '45W');
    expect(textOf(fixture)).toContain('Offers 5 V at 3 A, 9 V at 3 A, 15 V at 3 A, by its rating.');
    await type(fixture, 'Its PD profiles, as printed', '5V 3A / 12V 1.5A');
    expect(last().outputs[0]).toMatchObject({ ratingW: 45, profiles: [{ voltageV: 5, currentA: 3 }, { voltageV: 12, currentA: 1.5 }] }); // prettier-ignore
    expect(textOf(fixture)).toContain('Offers 5 V at 3 A, 12 V at 1.5 A.');
  });

  it('names each edit by its field, for undo', async () => {
    await show(GENERIC_BATTERIES[0]!);
    await type(fixture, 'Name of the battery', 'S9');
    await type(fixture, 'Age', '3');
    await type(fixture, 'Cells in series', '3');
    expect(edits.map(({ field: name }) => name)).toEqual(['name', 'years', 'cellsInSeries']);
    expect(last()).toMatchObject({ name: 'S9', years: 3, cellsInSeries: 3 });
  });
});
