import type { Locator, Page } from '@playwright/test';
import { expect, pick, test } from './viaggio';

/** What a person does at the desk, counted: presses, and fields typed or chosen. */
export class Hands {
  presses = 0;
  fields = 0;

  constructor(readonly page: Page) {}

  async press(target: Locator): Promise<void> {
    this.presses++;
    await target.click();
  }

  async pressButton(name: string | RegExp, within: Page | Locator = this.page): Promise<void> {
    await this.press(within.getByRole('button', { name, ...(typeof name === 'string' && { exact: true }) }).first());
  }

  async type(label: string | RegExp, text: string, within: Page | Locator = this.page): Promise<void> {
    this.fields++;
    const field = within.getByLabel(label, { exact: typeof label === 'string' }).first();
    await field.fill(text);
    await field.blur();
  }

  async choose(label: string | RegExp, option: string, within: Page | Locator = this.page): Promise<void> {
    this.fields++;
    await pick(within.getByLabel(label, { exact: typeof label === 'string' }).first(), option);
  }

  /** From the list of generic things: found by its name, changed where it says otherwise, added. */
  async addThing(name: string, change: () => Promise<void> = () => Promise.resolve()): Promise<void> {
    await this.page.goto('/kit/add');
    this.fields++;
    await this.page.getByRole('searchbox').fill(name);
    await this.pressButton(name);
    await change();
    await this.pressButton(/^Add (it to the kit|all \d+)$/);
    await expect(this.page).toHaveURL(/\/kit\?item=/);
  }

  /** By what its label, and its ports, say. */
  async addBattery(what: string, label: string, { ports, tag, bay }: { ports?: string; tag?: string; bay?: string } = {}): Promise<void> {
    await this.page.goto('/kit/add');
    await this.pressButton('By a battery’s label');
    await this.choose('What is it?', what);
    await this.type('What does it say?', label);
    if (ports !== undefined) await this.type('What do its ports say?', ports);
    if (bay !== undefined) await this.type('Fits the bay', bay);
    if (tag !== undefined) await this.type('Tag', tag);
    await this.pressButton('Add it to the kit');
    await expect(this.page).toHaveURL(/\/kit\?item=/);
  }

  /** A rig of one device of one's own, still without a feed. */
  async rigAround(device: string): Promise<void> {
    await this.page.goto('/rigs');
    await this.choose('New rig around a device of the kit', device);
    await expect(this.page).toHaveURL(/\/rigs\/[0-9a-f-]{36}$/);
  }

  /** One more device for the rig that is open; its dialog of feeds is put away. */
  async addDevice(device: string): Promise<void> {
    await this.choose('Add a device', device);
    await this.press(this.page.getByRole('dialog').getByRole('button', { name: 'Close' }));
  }

  /** Opens the building by hand for a device of the rig. */
  async byHand(device: string): Promise<Locator> {
    await this.pressButton('Build it by hand …', this.page.getByRole('region', { name: `${device} in this rig` }));
    return this.page.getByRole('dialog');
  }

  /** One plug after the other, from the device back; then it is used. */
  async plug(device: string, plugs: readonly (string | RegExp)[], inputs: readonly (string | RegExp | undefined)[] = []): Promise<void> {
    const dialog = await this.byHand(device);
    for (const [place, plug] of plugs.entries()) {
      const input = inputs[place];
      if (input !== undefined) {
        this.fields++;
        const field = dialog.getByLabel('Feed which input?');
        const option = field.locator('option').filter({ hasText: input }).first();
        await field.selectOption({ value: (await option.getAttribute('value'))! });
      }
      const name = typeof plug === 'string' ? `Plug in ${plug}` : plug;
      await this.press(dialog.getByRole('button', { name, ...(typeof plug === 'string' && { exact: true }) }).first());
    }
    await this.press(dialog.getByRole('button', { name: /^Use (this chain|what is built)/ }));
    await expect(dialog).toBeHidden();
  }

  /** In all, and no more than it may cost. */
  costs({ presses, fields }: { readonly presses: number; readonly fields: number }): void {
    test.info().annotations.push({ type: 'took', description: `${this.presses} presses, ${this.fields} fields` });
    expect({ presses: this.presses <= presses, fields: this.fields <= fields, took: [this.presses, this.fields] }).toEqual({
      presses: true,
      fields: true,
      took: [this.presses, this.fields],
    });
  }
}
