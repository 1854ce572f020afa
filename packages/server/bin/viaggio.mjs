#!/usr/bin/env node
// Runs the command line from its sources, so that it works right after `npm ci` and is never older than the code.
import { fileURLToPath } from 'node:url';
import { register } from 'tsx/esm/api';

process.env.TSX_TSCONFIG_PATH ??= fileURLToPath(new URL('../tsconfig.json', import.meta.url));
register({ tsconfig: process.env.TSX_TSCONFIG_PATH });
await import('../src/cli/main.ts');
