import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { LOW_WATER } from '@viaggio/core/demo';
import { gearShape } from '@viaggio/core/gear';
import type { Gear } from '@viaggio/core/gear';
import { textOf } from '../../../testing/component';
import { ShapeForm } from './shape-form';

let fixture: ComponentFixture<ShapeForm<Gear>>;
let saved: Gear[];
const host = () => fixture.nativeElement as HTMLElement;
const PLATE = LOW_WATER.gear.find(({ body }) => body.name === 'Kjolen plate')!.body;

async function show(gear: Gear): Promise<void> {
  fixture = TestBed.createComponent<ShapeForm<Gear>>(ShapeForm);
  fixture.componentRef.setInput('shape', gearShape);
  fixture.componentRef.setInput('value', gear);
  fixture.componentRef.setInput('omit', ['kind', 'unknown']);
  saved = [];
  fixture.componentInstance.valueChange.subscribe((body) => saved.push(body));
  await fixture.whenStable();
}
const button = (text: string, from: ParentNode = host()) =>
  [...from.querySelectorAll<HTMLButtonElement>('button')].find((one) => one.textContent?.trim() === text)!;
const outputs = () => {
  const list = [...host().querySelectorAll('fieldset')].find((one) => one.querySelector(':scope > legend')?.textContent === 'Outputs')!;
  return [...list.querySelectorAll(':scope > .item')];
};
async function press(text: string, from?: ParentNode): Promise<void> {
  button(text, from).click();
  await fixture.whenStable();
}
function field(label: string, from: ParentNode = host()): HTMLInputElement & HTMLSelectElement {
  const found = [...from.querySelectorAll('label')].find(({ textContent }) => textContent?.trim() === label)!;
  return from.querySelector(`[id="${found.htmlFor}"]`)!;
}
async function fill(label: string, value: string, from?: ParentNode): Promise<void> {
  const target = field(label, from);
  target.value = value;
  target.dispatchEvent(new Event(target.tagName === 'SELECT' ? 'change' : 'input'));
  await fixture.whenStable();
}

describe('a form made from a shape', () => {
  it('has every field, its figures shown, and none of what is kept apart', async () => {
    await show(PLATE);
    expect(field('Fuse').value).toBe('10');
    expect(field('Form').value).toBe('plate');
    expect(textOf(fixture)).toContain('Shared budgets');
    expect(textOf(fixture)).not.toContain('Not known here');
    expect(host().querySelectorAll('.item').length).toBe(1 + 1 + 3); // an input, a budget, three outputs
  });

  it('passes a change on as the whole thing', async () => {
    await show(PLATE);
    await fill('Fuse', '7,5 A');
    expect(saved).toEqual([{ ...PLATE, fuseA: 7.5 }]);
    await fill('Fuse', '');
    const { fuseA: _fuse, ...rest } = PLATE as Extract<Gear, { kind: 'hub' }>;
    expect(saved.at(-1)).toEqual(rest);
  });

  it('keeps what is not whole yet to itself, and says what is missing', async () => {
    await show(PLATE);
    await press('Add output');
    expect(saved).toEqual([]);
    expect(textOf(fixture)).toContain('Not saved yet: outputs 4, name needs a text of 1 to 120 characters');
    const port = outputs().at(-1)!;
    await fill('Name', 'D-tap 3', port);
    await fill('Connector', 'd-tap', port);
    expect(saved.at(-1)).toMatchObject({
      outputs: [{}, {}, {}, { gives: 'pack', id: 'p4', name: 'D-tap 3', connector: { type: 'd-tap' } }],
    });
    expect(textOf(fixture)).not.toContain('Not saved yet');
  });

  it('keeps what another sort of port has too when the sort changes', async () => {
    await show(PLATE);
    const port = outputs().at(-1)!;
    await fill('Output gives', 'pd', port);
    expect(saved.at(-1)).toMatchObject({ outputs: [{}, {}, { gives: 'pd', id: 'usb', name: 'USB-A', connector: { type: 'usb-a' } }] });
    expect((saved.at(-1) as Extract<Gear, { kind: 'hub' }>).outputs[2]).not.toHaveProperty('voltageV');
  });

  it('takes out and puts in what may be left away', async () => {
    const battery = LOW_WATER.gear.find(({ body }) => body.tag === 'V3')!.body;
    await show(battery);
    host().querySelector<HTMLButtonElement>('button[aria-label="Remove Its own gauge"]')!.click();
    await fixture.whenStable();
    expect(saved.at(-1)).not.toHaveProperty('gauge');
    fixture.componentRef.setInput('value', saved.at(-1)!);
    await fixture.whenStable();
    await press('Add its own gauge');
    expect(textOf(fixture)).toContain('gauge reads needs one of charge, voltage, none');
  });

  it('does not leave fewer ports than a thing must have', async () => {
    await show(PLATE);
    expect(host().querySelector('button[aria-label="Remove Input 1"]')).toBeNull();
    host().querySelector<HTMLButtonElement>('button[aria-label="Remove Output 3"]')!.click();
    await fixture.whenStable();
    expect((saved.at(-1) as Extract<Gear, { kind: 'hub' }>).outputs).toHaveLength(2);
  });
});
