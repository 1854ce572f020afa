import { build } from 'esbuild';
import { rm } from 'node:fs/promises';
import { bundledCli } from './bundle-cli.mjs';

for (const file of ['dist/main.js', 'dist/main.js.map', 'dist/worker.js', 'dist/worker.js.map', 'dist/meter.js', 'dist/meter.js.map'])
  await rm(file, { force: true });
await bundledCli();
await build({
  // threads are started from the worker, and a process from the meter: files of their own
  entryPoints: { main: 'src/main.ts', worker: 'src/worker.ts', meter: 'src/meters/meter-process.ts' },
  outdir: 'dist',
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  sourcemap: true,
  packages: 'external', // node_modules stay outside; @viaggio/core comes in through tsconfig "paths"
  tsconfig: 'tsconfig.json',
  logLevel: 'warning',
});
