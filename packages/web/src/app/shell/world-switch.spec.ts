import { render } from '../../../testing/sheet';
import { WorldSwitch } from './world-switch';

describe('whose things one looks at', () => {
  afterEach(() => history.replaceState(null, '', '/'));

  it.each([
    ['/kit', 'My kit'],
    ['/demo/kit', 'Demo crew'],
  ])('at %s is %s, and both are a press away', async (at, here) => {
    history.replaceState(null, '', at);
    const links = [...((await render(WorldSwitch)).nativeElement as HTMLElement).querySelectorAll('a')];
    expect(links.map((link) => [link.textContent.trim(), link.getAttribute('href')])).toEqual([
      ['My kit', '/'],
      ['Demo crew', '/demo/'],
    ]);
    expect(links.filter((link) => link.getAttribute('aria-current') === 'true').map((link) => link.textContent.trim())).toEqual([here]);
  });
});
