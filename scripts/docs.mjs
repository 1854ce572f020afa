// `npm run docs`: writes the parts of docs/ that follow from the code; tests hold them equal.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from './lib/paths.mjs';
import { main, say } from './lib/say.mjs';

const DOCS = path.join(ROOT, 'docs');
const READ = `import { planJsonSchema } from '@viaggio/core/document'; import { WORDINGS, meaningOf } from '../core/src/words/en/findings/tell'; const findings = Object.keys(WORDINGS).map((code) => [code, meaningOf(code)]); console.log(JSON.stringify({ findings, schema: planJsonSchema() }));`;

await main(() => {
  const read = spawnSync(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', READ], {
    cwd: path.join(ROOT, 'packages/server'),
    encoding: 'utf8',
  });
  if (read.status !== 0) throw new Error(read.stderr);
  const { findings, schema } = JSON.parse(read.stdout);
  const file = path.join(DOCS, 'findings.md');
  const text = fs.readFileSync(file, 'utf8');
  const rows = findings.map(([code, meaning]) => `| \`${code}\` | ${meaning} |`);
  fs.writeFileSync(file, `${text.slice(0, text.indexOf('| code'))}| code | meaning |\n| --- | --- |\n${rows.join('\n')}\n`);
  fs.writeFileSync(path.join(DOCS, 'viaggio-plan.schema.json'), JSON.stringify(schema, undefined, 2));
  spawnSync('npx', ['--no', '--', 'prettier', '--write', file, path.join(DOCS, 'viaggio-plan.schema.json')], {
    cwd: ROOT,
    stdio: 'ignore',
  });
  say('docs/findings.md and docs/viaggio-plan.schema.json are as the code says.');
  return 0;
});
