import { readConfig } from './config';
import { isLoopback } from './http/exposure';

describe('readConfig', () => {
  const env = { DATABASE_URL: 'postgres://a@127.0.0.1/b' };

  it('stays on loopback unless told otherwise', () => {
    expect(readConfig(env)).toMatchObject({ host: '127.0.0.1', port: 4300, webDir: undefined });
    expect(readConfig({ ...env, HOST: '0.0.0.0', PORT: '8080' })).toMatchObject({ host: '0.0.0.0', port: 8080 });
  });

  it('names the variable that is wrong', () => {
    expect(() => readConfig({})).toThrow(/^DATABASE_URL: expected/);
    expect(() => readConfig({ ...env, LOG_LEVEL: 'loud' })).toThrow(/^LOG_LEVEL: expected one of trace, .*; got “loud”$/);
    expect(() => readConfig({ ...env, PORT: 'many' })).toThrow('PORT: expected 0 to 65535; got “many”');
  });

  it('lets only the meters be polled that the owner names', () => {
    const meters = (METERS: string) => readConfig({ DATABASE_URL: 'postgres://x', METERS }).meters;
    expect(meters('')).toEqual([]);
    expect(meters('bench=192.0.2.10:5025, my desk=[2001:db8::7]:5026')).toEqual([
      { name: 'bench', host: '192.0.2.10', port: 5025 },
      { name: 'my desk', host: '2001:db8::7', port: 5026 },
    ]);
    for (const wrong of ['192.0.2.10:5025', 'bench=192.0.2.10', 'bench=192.0.2.10:70000', 'bench=a b:5025'])
      expect(() => meters(wrong)).toThrow(`METERS: expected name=host:port, apart by commas; got “${wrong}”`);
  });

  it('takes a forecast service of the owner’s, and none otherwise', () => {
    const url = (FORECAST_URL?: string) => readConfig({ ...env, FORECAST_URL }).forecastUrl;
    expect([url(), url(''), url('http://127.0.0.1:9/w')]).toEqual([undefined, undefined, 'http://127.0.0.1:9/w']);
    for (const wrong of ['weather', 'file:///etc/weather'])
      expect(() => url(wrong)).toThrow(`FORECAST_URL: expected http://host/path; got “${wrong}”`);
  });

  it('takes names that it is reached under, and TLS in front of it', () => {
    const names = (VIAGGIO_NAMES: string) => readConfig({ ...env, VIAGGIO_NAMES }).names;
    expect([names(''), names('Set.Lan, 192.0.2.7,[2001:db8::7]')]).toEqual([[], ['set.lan', '192.0.2.7', '[2001:db8::7]']]);
    for (const wrong of ['set.lan:80', 'http://set.lan', '*'])
      expect(() => names(wrong)).toThrow(`VIAGGIO_NAMES: expected names or addresses without port, apart by commas; got “${wrong}”`);
    expect([readConfig(env).tls, readConfig({ ...env, VIAGGIO_TLS: '1' }).tls]).toEqual([false, true]);
    expect(() => readConfig({ ...env, VIAGGIO_TLS: 'yes' })).toThrow('VIAGGIO_TLS: expected 1 behind TLS, or nothing; got “yes”');
  });

  it('knows loopback from the world', () => {
    expect(['127.0.0.1', '127.1.2.3', '::1', 'localhost'].map(isLoopback)).toEqual([true, true, true, true]);
    expect(['0.0.0.0', '::', '192.168.1.2'].map(isLoopback)).toEqual([false, false, false]);
  });
});
