import { build } from 'esbuild';
import { rm } from 'node:fs/promises';
import { bundledCli } from './bundle-cli.mjs';

for (const file of ['dist/main.js', 'dist/main.js.map', 'dist/worker.js', 'dist/worker.js.map']) await rm(file, { force: true });
await bundledCli();
await build({
  // the worker is a file of its own: threads are started from it
  entryPoints: { main: 'src/main.ts', worker: 'src/work/worker.ts' },
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
