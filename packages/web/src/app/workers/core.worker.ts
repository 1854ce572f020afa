import { expose } from 'comlink';
import { coreCalls } from './core-calls';
import { KeepsMaps } from './kept-maps';

type AnyCall = (...args: readonly unknown[]) => unknown;

const maps = new KeepsMaps();
const keeping =
  (call: AnyCall): AnyCall =>
  (...args) =>
    call(...maps.args(args));

expose(Object.fromEntries(Object.entries(coreCalls).map(([name, call]) => [name, keeping(call as AnyCall)])));
