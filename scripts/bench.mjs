// `npm run bench`: figures and ratios, printed; never part of a test. Each file of packages/core/bench is one.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { installNodePackages } from './lib/install.mjs';
import { ROOT } from './lib/paths.mjs';
import { main } from './lib/say.mjs';

await main(() => {
  installNodePackages();
  const folder = path.join(ROOT, 'packages/core/bench');
  const failed = fs
    .readdirSync(folder)
    .filter((file) => file.endsWith('.bench.ts'))
    .filter(
      (file) =>
        spawnSync(process.execPath, ['--expose-gc', '--import', 'tsx', path.join(folder, file)], { cwd: ROOT, stdio: 'inherit' }).status !==
        0,
    );
  return failed.length > 0 ? 1 : 0;
});
