#!/usr/bin/env node
// Runs the command line from a bundle of its sources, made at the first call and again when they have changed.
import fs from 'node:fs';

const NOT_INSTALLED = 3;
if (!fs.existsSync(new URL('../../../node_modules/esbuild/package.json', import.meta.url))) {
  process.stderr.write('Viaggio is not installed yet. Run “npm start” or “npm ci” in its folder once, then call this again.\n');
  process.exit(NOT_INSTALLED);
}
const { bundledCli } = await import('../bundle-cli.mjs');
await import(await bundledCli());
