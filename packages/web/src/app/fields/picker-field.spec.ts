import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { PickerField } from './picker-field';
import type { Choice } from './picker-field';

const battery = (index: number): Choice => ({
  value: `b${index}`,
  title: `V${index} Holmvik ${40 + index}`,
  group: index % 2 ? 'V-mounts' : 'Banks',
});
const some = (count: number) => Array.from({ length: count }, (_, index) => battery(index));

let fixture: ComponentFixture<PickerField>;
let picked: string[];
const host = () => fixture.nativeElement as HTMLElement;
const options = () => [...host().querySelectorAll<HTMLElement>('ngb-typeahead-window button')];

async function show(count: number, value?: string): Promise<void> {
  fixture = TestBed.createComponent(PickerField);
  fixture.componentRef.setInput('label', 'Battery');
  fixture.componentRef.setInput('choices', some(count));
  fixture.componentRef.setInput('value', value);
  picked = [];
  fixture.componentInstance.picked.subscribe((one) => picked.push(one));
  await fixture.whenStable();
}

async function type(text: string): Promise<void> {
  const box = host().querySelector('input')!;
  box.focus();
  box.value = text;
  box.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

describe('a picker', () => {
  it('of few is a drop-down under headings', async () => {
    await show(15, 'b3');
    const select = host().querySelector('select')!;
    expect([...select.querySelectorAll('optgroup')].map(({ label }) => label)).toEqual(['Banks', 'V-mounts']);
    expect(select.value).toBe('b3');
    select.value = 'b4';
    select.dispatchEvent(new Event('change'));
    expect(picked).toEqual(['b4']);
  });

  it('of many is searched by any words of name and heading', async () => {
    await show(60, 'b3');
    expect(host().querySelector('input')!.value).toBe('V3 Holmvik 43');
    await type('mount V17');
    expect(options().map(({ textContent }) => textContent.trim().replace(/\s+/g, ' '))).toEqual(['V-mounts V17 Holmvik 57']);
    options()[0]!.click();
    expect(picked).toEqual(['b17']);
  });

  it('opens on focus with all there is, as far as anybody reads, and has a label', async () => {
    await show(60);
    const box = host().querySelector('input')!;
    box.focus();
    await fixture.whenStable();
    expect(options()).toHaveLength(40);
    expect(host().querySelector('label')!.htmlFor).toBe(box.id);
  });
});
