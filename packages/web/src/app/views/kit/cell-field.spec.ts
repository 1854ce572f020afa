import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { gearShape } from '@viaggio/core/gear';
import type { NumberShape, TextShape } from '@viaggio/core/units';
import { CellField } from './cell-field';

const shapes = gearShape.variants.battery;
let fixture: ComponentFixture<CellField>;
let passed: unknown[];

async function show(shape: NumberShape | TextShape, value?: number | string): Promise<HTMLInputElement> {
  fixture = TestBed.createComponent(CellField);
  fixture.componentRef.setInput('label', 'Cell');
  fixture.componentRef.setInput('shape', shape);
  fixture.componentRef.setInput('value', value);
  passed = [];
  fixture.componentInstance.valueChange.subscribe((given) => {
    passed.push(given);
    fixture.componentRef.setInput('value', given);
  });
  await fixture.whenStable();
  return (fixture.nativeElement as HTMLElement).querySelector('input')!;
}
async function type(input: HTMLInputElement, text: string): Promise<void> {
  input.value = text;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

describe('a figure typed in a table', () => {
  it('is passed on as it is understood, and stays as it was typed', async () => {
    const input = await show(shapes.charge.of, 0.5);
    expect(input.value).toBe('50');
    await type(input, '80 %');
    expect([passed, input.value]).toEqual([[0.8], '80 %']);
  });

  it('that is faulty stays and is marked; taken out it is nothing', async () => {
    const input = await show(shapes.charge.of, 0.5);
    await type(input, '120');
    expect(passed).toEqual([]);
    expect(input.getAttribute('aria-invalid')).toBe('true');
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('Expected');
    await type(input, '');
    expect(passed).toEqual([undefined]);
  });

  it('gives way to a value that comes from elsewhere', async () => {
    const input = await show(shapes.where.of, 'case 1');
    await type(input, 'case 2');
    fixture.componentRef.setInput('value', 'pilot boat');
    await fixture.whenStable();
    expect(input.value).toBe('pilot boat');
  });

  it('keeps words within their length', async () => {
    const input = await show(shapes.tag.of);
    await type(input, 'x'.repeat(21));
    expect(passed).toEqual([]);
    await type(input, ' V9 ');
    expect(passed).toEqual(['V9']);
  });
});
