import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { PressGroup, Pressable } from './press-group';

@Component({
  imports: [PressGroup, Pressable],
  template: `
    <div appPressGroup>
      @for (name of names(); track name) {
        <span appPressable (pressed)="pressed.push(name)">{{ name }}</span>
      }
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Picture {
  readonly names = signal(['a', 'b', 'c']);
  readonly pressed: string[] = [];
}

async function show() {
  const fixture = TestBed.createComponent(Picture);
  document.body.append(fixture.nativeElement as HTMLElement);
  await fixture.whenStable();
  const items = () => [...(fixture.nativeElement as HTMLElement).querySelectorAll('span')];
  const stops = () => items().filter(({ tabIndex }) => tabIndex === 0).map(({ textContent }) => textContent); // prettier-ignore
  const key = async (name: string, code = 0) => {
    document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', { key: name, keyCode: code, bubbles: true, cancelable: true }));
    await fixture.whenStable();
  };
  return { fixture, items, stops, key };
}

describe('things in a picture that can be pressed', () => {
  it('are one tab stop, which is where one was last', async () => {
    const { items, stops, key, fixture } = await show();
    expect(stops()).toEqual(['a']);
    items()[0]!.focus();
    await key('ArrowDown', 40);
    expect([document.activeElement, stops()]).toEqual([items()[1], ['b']]);
    await key('End', 35);
    await key('ArrowDown', 40);
    expect(stops()).toEqual(['a']);
    fixture.componentInstance.names.set(['x', 'y']);
    await fixture.whenStable();
    expect(stops()).toEqual(['x']);
  });

  it('answer pointer, Enter and Space', async () => {
    const { items, key, fixture } = await show();
    items()[1]!.focus();
    await key('Enter');
    await key(' ');
    items()[2]!.click();
    expect(fixture.componentInstance.pressed).toEqual(['b', 'b', 'c']);
    expect(items().map((item) => item.getAttribute('role'))).toEqual(['button', 'button', 'button']);
  });
});
