// The only file with import.meta: Jest's CommonJS mode cannot load it, so jest.config.cjs maps it to a stand-in.
export function createCoreWorker(): Worker {
  return new Worker(new URL('./core.worker', import.meta.url), { type: 'module' });
}
