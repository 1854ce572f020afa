import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { number } from '@viaggio/core/units';
import { QuantityField } from './quantity-field';

@Component({
  imports: [QuantityField],
  template: `<app-quantity-field [shape]="shape" [optional]="optional()" [value]="value()" (valueChange)="taken($event)" />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Host {
  readonly shape = number('Energy', 'Wh', { above: 0, max: 5000 });
  readonly optional = signal(false);
  readonly value = signal<number | undefined>(95);
  readonly seen: (number | undefined)[] = [];
  taken(value: number | undefined): void {
    this.seen.push(value);
    this.value.set(value);
  }
}

let fixture: ComponentFixture<Host>;
const input = () => (fixture.nativeElement as HTMLElement).querySelector('input')!;
const says = () => (fixture.nativeElement as HTMLElement).querySelector('.says')!.textContent.trim();

async function type(text: string): Promise<void> {
  input().value = text;
  input().dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

beforeEach(async () => {
  fixture = TestBed.createComponent(Host);
  await fixture.whenStable();
});

describe('a quantity field', () => {
  it('shows its value without the unit, which stands behind', () => {
    expect(input().value).toBe('95');
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('Wh');
  });

  it('passes a sound figure on at every key, and leaves the typing as it is', async () => {
    await type('147,5 Wh');
    expect(fixture.componentInstance.seen).toEqual([147.5]);
    expect(input().value).toBe('147,5 Wh');
    expect(says()).toBe('read as 147.5 Wh');
    input().dispatchEvent(new Event('blur'));
    await fixture.whenStable();
    expect(input().value).toBe('147.5');
  });

  it.each([
    ['-5', 'Expected more than 0 and at most 5000 Wh; got “-5”.'],
    ['', 'Expected a number of watt-hours, such as 95 Wh; got an empty text.'],
    ['10 000 Wh', 'Expected more than 0 and at most 5000 Wh; got “10 000 Wh”.'],
  ])('keeps “%s” for mending, says what it expected, and passes nothing on', async (text, expected) => {
    await type(text);
    input().dispatchEvent(new Event('blur'));
    await fixture.whenStable();
    expect(fixture.componentInstance.seen).toEqual([]);
    expect(input().value).toBe(text);
    expect(says()).toBe(expected);
    expect(input().getAttribute('aria-invalid')).toBe('true');
    expect(input().getAttribute('aria-describedby')).toBe((fixture.nativeElement as HTMLElement).querySelector('.says')!.id);
  });

  it('can be emptied where the figure is optional', async () => {
    fixture.componentInstance.optional.set(true);
    await fixture.whenStable();
    await type('');
    expect(fixture.componentInstance.seen).toStrictEqual([undefined]);
    expect(says()).toBe('');
  });

  it('shows a value that changed from outside instead of sound typing', async () => {
    await type('120');
    fixture.componentInstance.value.set(95);
    await fixture.whenStable();
    expect(input().value).toBe('95');
  });
});
