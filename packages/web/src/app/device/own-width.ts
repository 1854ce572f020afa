import { DestroyRef, ElementRef, inject, signal } from '@angular/core';
import type { Signal } from '@angular/core';

/**
 * How wide the component is that asks, in pixels, as it changes; `before` until that is known, and where nothing is laid
 * out. A drawing made to this width keeps its letters readable on a phone, where one that is shrunk does not.
 */
export function ownWidth(before: number): Signal<number> {
  const width = signal(before);
  if (typeof ResizeObserver === 'undefined') return width;
  const observer = new ResizeObserver(([entry]) => entry && entry.contentRect.width > 0 && width.set(Math.round(entry.contentRect.width)));
  observer.observe(inject<ElementRef<HTMLElement>>(ElementRef).nativeElement);
  inject(DestroyRef).onDestroy(() => observer.disconnect());
  return width;
}
