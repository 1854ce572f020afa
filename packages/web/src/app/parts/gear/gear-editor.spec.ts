import { TestBed } from '@angular/core/testing';
import { GENERIC_BATTERIES } from '@viaggio/core/gear';
import { field, type } from '../../../../testing/component';
import { GearEditor } from './gear-editor';

describe('the editor of a thing', () => {
  it('begins anew with another thing: nothing that was typed for the one before stands at it', async () => {
    const fixture = TestBed.createComponent(GearEditor);
    const [one, other] = GENERIC_BATTERIES;
    fixture.componentRef.setInput('gear', one);
    fixture.componentRef.setInput('of', 'one');
    await fixture.whenStable();
    await type(fixture, 'Mass', 'banana');
    await type(fixture, 'Price', 'a lot');
    expect(field(fixture, 'Mass').value).toBe('banana');
    fixture.componentRef.setInput('gear', other);
    fixture.componentRef.setInput('of', 'other');
    await fixture.whenStable();
    expect(field(fixture, 'Mass').value).not.toBe('banana');
    expect(field(fixture, 'Price').value).not.toBe('a lot');
    expect(fixture.nativeElement.querySelectorAll('.is-invalid')).toHaveLength(0);
  });
});
