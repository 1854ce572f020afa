import { FocusKeyManager } from '@angular/cdk/a11y';
import type { FocusableOption } from '@angular/cdk/a11y';
import { Directive, ElementRef, Injector, computed, contentChildren, forwardRef, inject, output, signal } from '@angular/core';

/**
 * Things in a picture that can be pressed, one tab stop in all: up and down go from one to the next, Home and End to the
 * ends. Left and right are left to the things themselves.
 */
@Directive({ selector: '[appPressGroup]', host: { '(keydown)': 'key($event)', '(focusin)': 'entered($event)' } })
export class PressGroup {
  private readonly items = contentChildren<Pressable>(
    forwardRef(() => Pressable),
    { descendants: true },
  );
  private readonly keys = new FocusKeyManager(this.items, inject(Injector)).withWrap().withHomeAndEnd();
  private readonly last = signal<Pressable | undefined>(undefined);
  /** Where Tab comes in: the thing that had the focus last, else the first. */
  private readonly stop = computed(() => {
    const [items, last] = [this.items(), this.last()];
    return last && items.includes(last) ? last : items[0];
  });

  isStop(item: Pressable): boolean {
    return this.stop() === item;
  }

  protected key(event: KeyboardEvent): void {
    if (['ArrowUp', 'ArrowDown', 'Home', 'End'].includes(event.key)) this.keys.onKeydown(event);
  }

  protected entered({ target }: FocusEvent): void {
    const item = this.items().find((one) => one.is(target));
    if (!item) return;
    this.last.set(item);
    this.keys.updateActiveItem(item);
  }
}

/** Something in a picture that can be pressed, by pointer, Enter or Space. Always inside a `PressGroup`. */
@Directive({
  selector: '[appPressable]',
  host: {
    role: 'button',
    '[attr.tabindex]': 'group.isStop(this) ? 0 : -1',
    '(click)': 'pressed.emit()',
    '(keydown.enter)': 'press($event)',
    '(keydown.space)': 'press($event)',
  },
})
export class Pressable implements FocusableOption {
  readonly pressed = output();
  protected readonly group: PressGroup = inject(PressGroup);
  private readonly element = inject<ElementRef<HTMLElement | SVGElement>>(ElementRef).nativeElement;

  focus(): void {
    this.element.focus();
  }

  is(target: EventTarget | null): boolean {
    return target === this.element;
  }

  protected press(event: Event): void {
    event.preventDefault();
    this.pressed.emit();
  }
}
