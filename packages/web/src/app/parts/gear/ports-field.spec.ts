import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import type { Output } from '@viaggio/core/gear';
import { PortsField, sayPort } from './ports-field';
import type { PortList } from './ports-field';

const DTAP: Output = { gives: 'pack', id: 'd1', name: 'D-tap 1', connector: { type: 'd-tap' }, maxA: 5 };
let fixture: ComponentFixture<PortsField>;
let passed: PortList[];
const element = () => fixture.nativeElement as HTMLElement;

async function type(text: string): Promise<void> {
  const input = element().querySelector('input')!;
  input.value = text;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

beforeEach(async () => {
  fixture = TestBed.createComponent(PortsField);
  passed = [];
  fixture.componentInstance.portsChange.subscribe((list) => passed.push(list));
  fixture.componentRef.setInput('outputs', [DTAP]);
  await fixture.whenStable();
});

describe('outputs as they are printed', () => {
  it('are told as they are', () => {
    expect(element().textContent).toContain('Gives D-tap 1 (D-tap) to 5 A.');
    expect(sayPort({ gives: 'fixed', id: 'u', name: 'USB-A', connector: { type: 'usb-a' }, voltageV: 5 })).toBe('USB-A 5 V');
    expect(sayPort({ gives: 'pd', id: 'c', name: 'USB-C', connector: { type: 'usb-c' } })).toBe('USB-C rating unknown');
  });

  it('typed anew keep the identifiers of ports of the same kind: what is plugged in stays so', async () => {
    await type('D-tap 8A, USB-C 65W, USB-A 5V 2.4A');
    expect(passed.at(-1)!.outputs.map(({ id, gives }) => [id, gives])).toEqual([
      ['d1', 'pack'],
      ['usb-c', 'pd'],
      ['usb-a', 'fixed'],
    ]);
  });

  it('that leave amps open, or name no port, change nothing and are refused with what is missing', async () => {
    for (const text of ['D-tap 8A, 12V 3A', '14.4 V', 'nothing of the kind']) {
      await type(text);
      expect(element().querySelector('input')!.getAttribute('aria-invalid')).toBe('true');
    }
    expect(passed).toEqual([]);
  });
});
