import type { ComponentFixture } from '@angular/core/testing';

/** The text of an element as it is read: a blank between any two pieces of it, blanks folded. */
export function textOf(fixture: ComponentFixture<unknown>, selector?: string): string {
  const host = fixture.nativeElement as HTMLElement;
  const element = selector ? host.querySelector(selector) : host;
  if (!element) return '';
  const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  const pieces: string[] = [];
  while (walker.nextNode()) pieces.push(walker.currentNode.textContent ?? '');
  return pieces
    .join(' ')
    .replace(/\s+/g, ' ')
    .replace(/ ([,.;:])/g, '$1')
    .trim();
}

/** The fields that labels of this name belong to. Leaves out where a figure is from, which stands inside the label. */
export function fields<T extends HTMLElement = HTMLInputElement>(fixture: ComponentFixture<unknown>, label: string): readonly T[] {
  const host = fixture.nativeElement as HTMLElement;
  const found = [...host.querySelectorAll('label')].filter(({ firstChild }) => firstChild?.textContent?.trim() === label);
  return found.flatMap(({ htmlFor }) => host.querySelector<T>(`[id="${htmlFor}"]`) ?? []);
}

/** The only field of a label, or the first. */
export function field<T extends HTMLElement = HTMLInputElement>(fixture: ComponentFixture<unknown>, label: string): T {
  const [target] = fields<T>(fixture, label);
  if (!target) throw new Error(`no field “${label}”`);
  return target;
}

export async function type(fixture: ComponentFixture<unknown>, label: string, text: string): Promise<void> {
  const input = field(fixture, label);
  input.value = text;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

/** Presses the first button whose name begins so. */
export async function press(fixture: ComponentFixture<unknown>, name: string): Promise<void> {
  const buttons = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')];
  const found = buttons.find((button) => (button.getAttribute('aria-label') ?? button.textContent).trim().startsWith(name));
  if (!found) throw new Error(`no button “${name}” among ${buttons.map(({ textContent }) => textContent.trim()).join(', ')}`);
  found.click();
  await fixture.whenStable();
}

/** Picks an option of a select. */
export async function pick(fixture: ComponentFixture<unknown>, select: HTMLSelectElement, value: string): Promise<void> {
  select.value = value;
  select.dispatchEvent(new Event('change'));
  await fixture.whenStable();
}
