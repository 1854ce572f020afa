// `npm run dev`: the server and the pages, both made again on every change, on the data of `npm start`.
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { installDebianPackages, installNodePackages, requireNode } from './lib/install.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { POSTGRESQL, START_CLUSTER, freePort, startPostgres } from './lib/postgres.mjs';
import { copyPublicFiles } from './lib/public-files.mjs';
import { main, say } from './lib/say.mjs';

await main(async () => {
  requireNode();
  installDebianPackages([POSTGRESQL]);
  installNodePackages();
  copyPublicFiles();
  const postgres = await startPostgres(START_CLUSTER);
  const port = await freePort();
  const proxy = path.join(DATA, 'dev-proxy.json');
  fs.writeFileSync(proxy, JSON.stringify({ '/api': { target: `http://127.0.0.1:${port}`, secure: false } }));
  const env = { ...process.env, DATABASE_URL: postgres.url, PORT: String(port), NG_CLI_ANALYTICS: 'false' };
  const pagesPort = process.env.DEV_PORT ?? '4200';
  const run = (args, cwd) => {
    const child = spawn('npx', ['--no', '--', ...args], { cwd: path.join(ROOT, cwd), stdio: 'inherit', env });
    // heard from the start on: one ended by a signal tells its end once, and has no exit code
    return { child, ended: new Promise((resolve) => child.once('exit', resolve)) };
  };
  const running = [
    run(['tsx', 'watch', '--tsconfig', 'tsconfig.json', 'src/main.ts'], 'packages/server'),
    run(['ng', 'serve', '--host', '127.0.0.1', '--port', pagesPort, '--proxy-config', proxy], 'packages/web'),
  ];
  say(`The pages come at http://127.0.0.1:${pagesPort}/ when they are built; Ctrl+C ends everything.`);
  const stop = () => running.forEach(({ child }) => child.kill('SIGTERM'));
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  await Promise.race(running.map(({ ended }) => ended));
  stop();
  await Promise.all(running.map(({ ended }) => ended));
  await postgres.stop();
  return 0;
});
