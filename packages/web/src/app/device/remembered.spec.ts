import { rememberedSet } from './remembered';

beforeEach(() => localStorage.clear());

describe('what was left open', () => {
  it('is kept on this device, and the same for everybody who asks for it', () => {
    const [one, other] = [rememberedSet('test.a'), rememberedSet('test.a')];
    one.toggle('build');
    expect([...other.all()]).toEqual(['build']);
    expect(JSON.parse(localStorage.getItem('test.a')!)).toEqual(['build']);
    other.toggle('build');
    expect([...one.all()]).toEqual([]);
    one.toggle('costs', false);
    expect([...one.all()]).toEqual([]);
  });

  it('is read as it was left; until then it is as first', () => {
    localStorage.setItem('test.b', '["gauges"]');
    expect([...rememberedSet('test.b', ['build']).all()]).toEqual(['gauges']);
    expect([...rememberedSet('test.c', ['build']).all()]).toEqual(['build']);
  });

  it.each(['{', '"build"', '{"build":true}'])('that is spoilt (%s) is as first', (text) => {
    localStorage.setItem(`test.${text}`, text);
    expect([...rememberedSet(`test.${text}`, ['build']).all()]).toEqual(['build']);
  });
});
