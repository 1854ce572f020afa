import { render } from '../../../testing/sheet';
import { FileDrop } from './file-drop';

const FILE = { name: 'meter.csv' } as File;

async function show() {
  const fixture = await render(FileDrop, { accept: '.csv' });
  const got: File[] = [];
  fixture.componentInstance.chosen.subscribe((file) => got.push(file));
  const host = fixture.nativeElement as HTMLElement;
  const drag = async (type: string, files: readonly File[] = []) => {
    const event = Object.assign(new Event(type, { cancelable: true }), { dataTransfer: { files } });
    host.querySelector('.drop')!.dispatchEvent(event);
    await fixture.whenStable();
    return event;
  };
  return { fixture, host, got, drag };
}

describe('a place for a file', () => {
  it('hands on what is dropped, keeps the browser from opening it, and shows that it would take it', async () => {
    const { host, got, drag } = await show();
    await drag('dragover');
    expect(host.querySelector('.over')).not.toBeNull();
    await drag('dragleave');
    expect(host.querySelector('.over')).toBeNull();
    await drag('dragover');
    expect((await drag('drop', [FILE])).defaultPrevented).toBe(true);
    expect(got).toEqual([FILE]);
    expect(host.querySelector('.over')).toBeNull();
    await drag('drop'); // a piece of text, say
    expect(got).toHaveLength(1);
  });

  it('hands on what is chosen, and has a label', async () => {
    const { host, got } = await show();
    const input = host.querySelector('input')!;
    expect(input.accept).toBe('.csv');
    expect(host.querySelector('label')!.htmlFor).toBe(input.id);
    Object.defineProperty(input, 'files', { value: [FILE] });
    input.dispatchEvent(new Event('change'));
    expect(got).toEqual([FILE]);
  });
});
