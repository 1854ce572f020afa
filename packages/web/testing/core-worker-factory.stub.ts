export function createCoreWorker(): Worker {
  throw new Error('No web worker in Jest: provide InPageCore for CoreWorkers');
}
